import { type Reading, ratioOf, sayValue } from '@plesion/core/observation';
import type { Character } from '@plesion/core/guide';
import { useState } from 'react';
import { Box } from '../../ui/Box';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TextField } from '../../ui/TextField';
import { Text } from '../../ui/Text';

type Given = Pick<Reading, 'value' | 'error' | 'parts'>;

interface ValueEntryProps {
  character: Character;
  reading?: Reading;
  /** Undefined clears what was entered. */
  onGive: (given: Given | undefined) => void;
}

/** Field observers write 28,4 as often as 28.4. */
const numberOf = (text: string): number | undefined => {
  const trimmed = text.trim().replace(',', '.');
  return /^\d*\.?\d+$|^\d+\.$/.test(trimmed) ? Number(trimmed) : undefined;
};

const textOf = (value: number | undefined) => (value === undefined ? '' : String(value));

interface Texts {
  value: string;
  error: string;
  numerator: string;
  denominator: string;
}

const textsOf = (reading: Given | undefined): Texts => ({
  value: textOf(reading?.value),
  error: textOf(reading?.error ?? reading?.parts?.error),
  numerator: textOf(reading?.parts?.numerator),
  denominator: textOf(reading?.parts?.denominator),
});

const sameKey = (given: Given | undefined) => JSON.stringify([given?.value, given?.error, given?.parts]);

/** A measured value with its error; a ratio also as its two lengths. */
export function ValueEntry({ character, reading, onGive }: ValueEntryProps) {
  const [asLengths, setAsLengths] = useState(character.kind === 'ratio' && (!reading?.value || Boolean(reading.parts)));
  const [texts, setTexts] = useState(() => textsOf(reading));
  // What was typed stays as typed; a reading changed elsewhere (undo, another device) is shown as it is.
  const [own, setOwn] = useState(() => sameKey(reading));
  if (sameKey(reading) !== own) {
    setOwn(sameKey(reading));
    setTexts(textsOf(reading));
  }
  const change = (part: Partial<Texts>, lengths = asLengths) => {
    const next = { ...texts, ...part };
    const given = givenBy(next, lengths);
    setTexts(next);
    setOwn(sameKey(given));
    onGive(given);
  };
  const wrong = (text: string, above0: boolean) => {
    if (!text.trim()) return undefined;
    const value = numberOf(text);
    if (value === undefined) return 'Write a number, such as 28.4.';
    return above0 && value <= 0 ? 'It must be above 0.' : undefined;
  };
  const ratio = asLengths ? givenBy(texts, true)?.parts : undefined;
  return (
    <Stack gap="m">
      {character.kind === 'ratio' && (
        <ChoiceGroup
          label="Give it as"
          hideLabel
          options={[
            { id: 'lengths', label: 'two lengths' },
            { id: 'ratio', label: 'the ratio itself' },
          ]}
          chosen={[asLengths ? 'lengths' : 'ratio']}
          onChange={([chosen]) => {
            setAsLengths(chosen === 'lengths');
            change({}, chosen === 'lengths');
          }}
        />
      )}
      <Row align="start" oneLine>
        {asLengths ? (
          <>
            <Box share={2}>
              <TextField
                label={character.parts?.numerator ?? 'first length'}
                inputMode="decimal"
                value={texts.numerator}
                problem={wrong(texts.numerator, true)}
                onChangeText={(numerator) => change({ numerator })}
              />
            </Box>
            <Box padTop="xl">
              <Text size="title" quiet>
                ÷
              </Text>
            </Box>
            <Box share={2}>
              <TextField
                label={character.parts?.denominator ?? 'second length'}
                inputMode="decimal"
                value={texts.denominator}
                problem={wrong(texts.denominator, true)}
                onChangeText={(denominator) => change({ denominator })}
              />
            </Box>
          </>
        ) : (
          <Box share={2}>
            <TextField
              label="value"
              inputMode="decimal"
              unit={character.unit}
              value={texts.value}
              problem={wrong(texts.value, true)}
              onChangeText={(value) => change({ value })}
            />
          </Box>
        )}
        <Box fill least={72}>
          <TextField
            label={asLengths ? '± of each' : '±'}
            inputMode="decimal"
            value={texts.error}
            problem={wrong(texts.error, false)}
            placeholder={asLengths ? '' : textOf(character.error)}
            onChangeText={(error) => change({ error })}
          />
        </Box>
      </Row>
      {ratio && (
        <Text strong>{`= ${sayValue(character, ratioOf(ratio).value, ratioOf(ratio).error ?? character.error ?? 0)}`}</Text>
      )}
    </Stack>
  );
}

function givenBy(texts: Texts, asLengths: boolean): Given | undefined {
  const error = numberOf(texts.error);
  if (asLengths) {
    const numerator = numberOf(texts.numerator);
    const denominator = numberOf(texts.denominator);
    return numerator && denominator
      ? { parts: { numerator, denominator, ...(error === undefined ? {} : { error }) } }
      : undefined;
  }
  const value = numberOf(texts.value);
  return value ? { value, ...(error === undefined ? {} : { error }) } : undefined;
}
