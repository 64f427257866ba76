import type { ImportTried } from '@plesion/contract';
import { AGE_FAMILIES, type AgeFamily } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { type ImportHow, TARGET_WORDS } from '@plesion/core/import';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { meaningsOf } from './words';

type Word = ImportTried['words'][number];
type Words = NonNullable<ImportHow['words']>;

interface ImportWordsProps {
  words: readonly Word[];
  said: Words;
  guide?: Guide;
  family?: string;
  families: readonly AgeFamily[];
  onChange: (said: Words) => void;
}

/** Words that are shown at once; the others come when these are said. */
const SHOWN = 12;

/** Words of the table that are not understood: what each means is said once for all lines that have it. */
export function ImportWords({ words, said, guide, family, families, onChange }: ImportWordsProps) {
  const meant = ({ of, from }: Word) => said.find((one) => one.of === of && one.from === from)?.to;
  const mean = ({ of, from }: Word, to: string | undefined) =>
    onChange([
      ...said.filter((one) => one.of !== of || one.from !== from),
      ...(to === undefined || to === '' ? [] : [{ of, from, to }]),
    ]);
  return (
    <Card title="What words mean" aside={words.length ? `${words.length} not understood` : undefined}>
      {words.slice(0, SHOWN).map((word) => (
        <Stack key={`${word.of} ${word.from}`} gap="xs" padTop="s" ruled="above">
          <Text strong>{`“${word.from}”`}</Text>
          <Text size="small" quiet>
            {`${TARGET_WORDS[word.of]} · ${word.n === 1 ? 'one line' : `${word.n} lines`}`}
          </Text>
          <Meaning
            word={word}
            to={meant(word)}
            guide={guide}
            options={meaningsOf(word.of, [...AGE_FAMILIES, ...families], family)}
            onChange={(to) => mean(word, to)}
          />
        </Stack>
      ))}
      {said
        .filter(({ of, from }) => !words.some((word) => word.of === of && word.from === from))
        .map(({ of, from, to }) => (
          <Row key={`${of} ${from} said`} align="center" oneLine>
            <Text size="small" fill>{`“${from}” is said to mean “${to}”`}</Text>
            <Button
              small
              kind="quiet"
              label="Forget"
              hint={`Forget what ${from} means`}
              onPress={() => mean({ of, from, n: 0 }, undefined)}
            />
          </Row>
        ))}
      {words.length > SHOWN && <Text size="small" quiet>{`and ${words.length - SHOWN} more`}</Text>}
    </Card>
  );
}

interface MeaningProps {
  word: Word;
  to?: string;
  guide?: Guide;
  options?: { id: string; label: string }[];
  onChange: (to: string | undefined) => void;
}

function Meaning({ word, to, guide, options, onChange }: MeaningProps) {
  const label = `What ${word.from} means`;
  if (word.of === 'kind' && guide) return <KindMeaning word={word} to={to} guide={guide} onChange={onChange} />;
  if (options)
    return (
      <ChoiceGroup
        label={label}
        hideLabel
        clearable
        options={options}
        chosen={to ? [to] : []}
        onChange={([next]) => onChange(next)}
      />
    );
  return <TextField label={`${label}, written anew`} value={to ?? ''} onChangeText={onChange} autoCorrect={false} />;
}

const AS_WRITTEN = 'as it is written';

function KindMeaning({ word, to, guide, onChange }: MeaningProps & { guide: Guide }) {
  const [all, setAll] = useState(false);
  const kinds = guide.taxa.map(({ name, vernacular }) => ({ id: name, label: vernacular ?? name, words: name }));
  const near = kinds.find(({ id }) => id === word.suggest);
  const chosen = to === word.from ? AS_WRITTEN : to;
  const ready = [
    ...kinds.filter(({ id }) => id === near?.id || id === to),
    { id: AS_WRITTEN, label: 'no kind of the guide: as it is written' },
  ];
  const take = (next: string | undefined) => onChange(next === AS_WRITTEN ? word.from : next);
  return (
    <Stack gap="xs" align="start">
      {all ? (
        <Picker label={`What ${word.from} is`} items={kinds} chosen={chosen} onChange={take} onClear={() => take(undefined)} />
      ) : (
        <ChoiceGroup
          label={`What ${word.from} is`}
          hideLabel
          clearable
          options={ready}
          chosen={chosen ? [chosen] : []}
          onChange={([next]) => take(next)}
        />
      )}
      <Button
        small
        kind="quiet"
        label={all ? 'Fewer' : 'Another kind'}
        hint={`${all ? 'Fewer' : 'Another kind'} for ${word.from}`}
        onPress={() => setAll(!all)}
      />
    </Stack>
  );
}
