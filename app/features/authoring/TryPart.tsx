import type { DraftCharacter } from '@plesion/core/authoring';
import { inHundred } from '@plesion/core/evidence';
import { isStates } from '@plesion/core/guide';
import type { Reading } from '@plesion/core/observation';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { authoringApi } from './authoringApi';
import type { PartProps } from './WritingScreen';

interface Props {
  id: string;
  draft: PartProps['draft'];
  version: number;
  saved: boolean;
}

/** Named of what the draft answers without. */
const LEFT_OUT = 4;

/** Put up at once; the rest when asked. */
const SHOWN = 30;

/** A specimen tried on the draft: with these readings it says so. Nothing of it is kept. */
export function TryPart({ id, draft, version, saved }: Props) {
  const [states, setStates] = useState<Record<string, string[]>>({});
  const [values, setValues] = useState<Record<string, string>>({});
  const [shown, setShown] = useState(SHOWN);
  const readings = useDeferredValue(draft.characters.flatMap((one) => readingOf(one, states[one.id], values[one.id])));
  const tried = useQuery({
    queryKey: ['draft', id, 'try', version, readings],
    queryFn: ({ signal }) => authoringApi('tryDraft', { params: { id }, body: { readings } }, signal),
    enabled: saved,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 0,
  });
  // What was said of other readings stands only while it is asked of these.
  const said = tried.isPlaceholderData && tried.fetchStatus !== 'fetching' ? undefined : tried.data;
  const without = said?.without ?? [];
  const given = [...Object.values(states).flat(), ...Object.values(values)].some(Boolean);
  return (
    <>
      <Card title="The draft says">
        {tried.error && <Failed error={tried.error} />}
        {!said && !tried.error && <Loading what="What it says" />}
        <Stack role="status" gap="xs">
          {said?.taxa.map(({ name, p }) => (
            <Text key={name}>{`${name}: ${inHundred(p)}`}</Text>
          ))}
          {said && <Text quiet>{`none of these: ${inHundred(said.outside)}`}</Text>}
        </Stack>
        {without.length > 0 && (
          <Text size="small" quiet>
            {`Without ${without.slice(0, LEFT_OUT).join(', ')}${without.length > LEFT_OUT ? ` and ${without.length - LEFT_OUT} more` : ''}: not whole yet, as “Look it over” says.`}
          </Text>
        )}
        <Row>
          <Button
            small
            kind="quiet"
            label="Clear all readings"
            disabled={!given}
            onPress={() => (setStates({}), setValues({}))}
          />
        </Row>
      </Card>
      <Card title="Of a specimen with">
        {draft.characters
          .slice(0, shown)
          .map((one) =>
            isStates(one) ? (
              <ChoiceGroup
                key={one.id}
                clearable
                label={one.label}
                options={(one.states ?? []).map(({ id: state, label }) => ({ id: state, label }))}
                chosen={states[one.id] ?? []}
                onChange={(chosen) => setStates({ ...states, [one.id]: chosen })}
              />
            ) : (
              <TextField
                key={one.id}
                label={one.label}
                unit={one.unit}
                inputMode="decimal"
                value={values[one.id] ?? ''}
                onChangeText={(text) => setValues({ ...values, [one.id]: text })}
              />
            ),
          )}
        {draft.characters.length > shown && (
          <Button small label={`${draft.characters.length - shown} more`} onPress={() => setShown(draft.characters.length)} />
        )}
      </Card>
    </>
  );
}

function readingOf(character: DraftCharacter, states: readonly string[] | undefined, text = ''): Reading[] {
  if (isStates(character)) return states?.length ? [{ character: character.id, states: [...states] }] : [];
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() && Number.isFinite(value) ? [{ character: character.id, value }] : [];
}
