import { compiledFor } from '@plesion/core/guide';
import { sayReading } from '@plesion/core/observation';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../../lib/api';
import { colour } from '../../theme';
import { FailedScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useToast } from '../../ui/Toast';
import { RecordTrouble } from '../records/SavingTrouble';
import { useGuide } from '../records/useGuide';
import { KeyLink } from '../keys/KeysSheet';
import { useKeys } from '../records/useKeys';
import { useSpecimens } from '../records/useSpecimens';
import { LotUnitySheet } from './LotUnitySheet';
import { saySize } from './saySize';
import { useLotDraft } from '../records/useLots';

/** A lot: its specimens with what each shows, whether they go together, and the keys to walk with it. */
export function LotPage({ id }: { id: string }) {
  const { draft, state, error, refetch } = useLotDraft(id);
  const toast = useToast();
  const guide = useGuide(state?.content.guideId);
  const keys = useKeys(state?.content.guideId);
  const { specimens, error: lost } = useSpecimens(state?.content.specimens ?? []);
  const failed = error ?? guide.error ?? lost;
  if (failed) return <FailedScreen what="The lot" error={failed} retry={refetch} />;
  const guideless = state && state.content.guideId === undefined;
  if (!draft || !state || !(guide.data || guideless) || !specimens) return <Loading what="The lot" />;
  const { content } = state;
  const book = guide.data?.guide;
  const characters = new Map(book?.characters.map((character) => [character.id, character]));
  const compiled =
    book && specimens.length
      ? compiledFor(book, specimens[0].state.content.situation, specimens[0].state.content.judgement)
      : undefined;
  return (
    <Screen>
      <PageHeading title={content.label || 'Lot'}>Lot</PageHeading>
      <View>
        <TextField
          label="Label"
          value={content.label}
          maxLength={120}
          onChangeText={(label) => draft.change((now) => ({ ...now, label }))}
        />
        <Text quiet>{`${saySize(content.specimens)} · ${book?.title ?? 'no guide'}`}</Text>
      </View>
      <RecordTrouble
        draft={draft}
        state={state}
        what="lot"
        sayThere={(stored) => `There it has ${saySize(stored.specimens)}.`}
        offline="The lot is kept on this device and sent when the server can be reached."
      />
      {specimens.length > 0 && (
        <Card title="Walk a key with the lot">
          {keys.data?.keys.map((row) => (
            <KeyLink key={row.id} row={row} href={`/keys/${row.id}/walk?lot=${id}`} />
          ))}
          {keys.data?.keys.length === 0 && (
            <Text size="small" quiet>
              There is no key for it yet: read one in, or have one made on a guide’s page.
            </Text>
          )}
        </Card>
      )}
      <LotUnitySheet bench={{ lot: { id, label: content.label }, compiled, specimens }} />
      {specimens.map(({ id: specimen, state: { content: own } }, i) => (
        <Card
          key={specimen}
          title={`No. ${i + 1}${own.label ? `: ${own.label}` : ''}`}
          aside={
            <Button
              small
              kind="quiet"
              label="Remove"
              hint={`Remove no. ${i + 1} from the lot`}
              onPress={() => {
                draft.change((now) => ({ ...now, specimens: now.specimens.filter((one) => one !== specimen) }));
                toast({ text: `Removed from the lot: no. ${i + 1}`, undo: () => draft.change(withSpecimen(specimen, i)) });
              }}
            />
          }
        >
          {own.situation.note && <Text size="small">{own.situation.note}</Text>}
          {own.readings.map((reading, r) => {
            const character = characters.get(reading.character);
            return (
              character && (
                <Text key={reading.id ?? r} size="small" quiet>
                  {`${character.label}: ${sayReading(character, reading)}`}
                </Text>
              )
            );
          })}
          {own.readings.length === 0 && (
            <Text size="small" quiet>
              Nothing read yet.
            </Text>
          )}
        </Card>
      ))}
      <AddSpecimens
        guideId={content.guideId}
        inside={content.specimens}
        onAdd={(one) => draft.change((now) => ({ ...now, specimens: [...now.specimens, one] }))}
      />
      <Row justify="end" oneLine>
        <Button small kind="quiet" label="Undo" disabled={!state.canUndo} onPress={draft.undo} />
        <Button
          small
          kind="quiet"
          label={content.hidden ? 'Restore the lot' : 'Remove the lot'}
          onPress={() => draft.change((now) => ({ ...now, hidden: !now.hidden }))}
        />
      </Row>
    </Screen>
  );
}

/** The lot with a specimen that was removed in its old place, whatever was changed meanwhile. */
const withSpecimen =
  (specimen: string, place: number) =>
  <L extends { specimens: string[] }>(lot: L): L => ({
    ...lot,
    specimens: [...lot.specimens.slice(0, place), specimen, ...lot.specimens.slice(place)],
  });

function AddSpecimens({ guideId, inside, onAdd }: { guideId?: string; inside: readonly string[]; onAdd: (id: string) => void }) {
  const router = useRouter();
  const [search, setSearch] = useState('');
  const found = useQuery({
    queryKey: ['specimens', 'for a lot', guideId, search],
    queryFn: ({ signal }) =>
      api('specimens', { query: { guideId: guideId ?? 'none', search: search || undefined, limit: 20 } }, signal),
  });
  const rows = found.data?.specimens.filter(({ id }) => !inside.includes(id)) ?? [];
  return (
    <Card title="Put specimens in">
      <TextField
        label="Find in the daybook"
        value={search}
        maxLength={120}
        onChangeText={setSearch}
        placeholder="label, place or name"
      />
      {found.error && <Failed error={found.error} />}
      {rows.map((row) => (
        <PressBox
          key={row.id}
          role="button"
          accessibilityLabel={`Put in ${row.label}`}
          onPress={() => onAdd(row.id)}
          gap="m"
          align="center"
          touch
          across
          oneLine
        >
          <Text strong color={colour.kelp}>
            +
          </Text>
          <Box fill>
            <Text>{row.label || 'no label'}</Text>
            <Text size="small" quiet>
              {[row.place, row.date, row.summary.name].filter(Boolean).join(' · ')}
            </Text>
          </Box>
        </PressBox>
      ))}
      {found.data && rows.length === 0 && (
        <Text size="small" quiet>
          No other specimen {guideId ? 'of this guide' : 'without a guide'} {search ? 'answers to that' : 'in the daybook'}.
        </Text>
      )}
      <Row justify="end" oneLine>
        <Button small label="A new specimen" onPress={() => router.push('/specimens/new')} />
      </Row>
    </Card>
  );
}
