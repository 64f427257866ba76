import type { Standing } from '@plesion/core/evidence';
import { type Character, compiledFor, type CompiledGuide, type Guide, taxonIndex, type Judgement } from '@plesion/core/guide';
import type { Situation } from '@plesion/core/observation';
import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour } from '../../theme/index';
import { Box } from '../../ui/Box';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';

interface Strip {
  taxon: string;
  low: number;
  high: number;
}

/** The spans that hold 95 in 100 of each of the leading taxa, as they stand, in the situation and by the sources they stand by. */
function stripsOf(compiled: CompiledGuide, character: Character, answer: Standing): Strip[] {
  const table = compiled.tables.get(character.id);
  if (table?.type !== 'values') return [];
  const at = new Map(compiled.forms.map((form, i) => [form.id, i]));
  const leading = new Map<string, Strip>();
  for (const form of answer.forms) {
    const i = at.get(form.form);
    if (i === undefined || leading.has(form.taxon) || !table.scored[i]) continue;
    const edge = (z: number) => {
      const x = table.mean[i] + z * table.sd[i];
      return table.log ? Math.exp(x) : x;
    };
    leading.set(form.taxon, { taxon: form.taxon, low: edge(-1.96), high: edge(1.96) });
  }
  return [...leading.values()].slice(0, 4);
}

/** Soft strips of what the leading taxa measure, with the value at hand across them. */
export function RangeStrips({
  guide,
  character,
  answer,
  value,
  situation,
  judgement,
}: {
  guide: Guide;
  character: Character;
  answer: Standing;
  value?: number;
  situation?: Situation;
  judgement?: Judgement;
}) {
  const strips = useMemo(
    () => stripsOf(compiledFor(guide, situation, judgement), character, answer),
    [guide, character, answer, situation, judgement],
  );
  if (strips.length === 0) return null;
  const values = [...strips.flatMap(({ low, high }) => [low, high]), ...(value === undefined ? [] : [value])];
  const from = Math.min(...values);
  const span = Math.max(...values) - from || 1;
  const percent = (x: number) => `${(100 * (x - from)) / span}%` as const;
  const digits = span > 5 ? 0 : 2;
  return (
    <Stack
      gap="xs"
      role="img"
      aria-label={strips
        .map((s) => `${taxonIndex(guide).get(s.taxon)?.name} ${s.low.toFixed(digits)} to ${s.high.toFixed(digits)}`)
        .join(', ')}
    >
      {strips.map(({ taxon, low, high }, i) => (
        <Row key={taxon} align="center" oneLine>
          <Box wide={112}>
            <TaxonName guide={guide} taxon={taxon} short size={14} lines={1} />
          </Box>
          <Box fill clip tall={22} round="xs" tone="mist">
            <View
              style={[
                styles.strip,
                { left: percent(low), width: percent(from + high - low) },
                i === 0 ? styles.first : styles.other,
              ]}
            />
            {value !== undefined && <View style={[styles.value, { left: percent(value) }]} />}
          </Box>
          <Text size="small" quiet wide={84} set="right">{`${low.toFixed(digits)}–${high.toFixed(digits)}`}</Text>
        </Row>
      ))}
    </Stack>
  );
}

const styles = StyleSheet.create({
  strip: { position: 'absolute', top: 4, bottom: 4, borderRadius: 7 },
  first: { backgroundColor: colour.forTint },
  other: { backgroundColor: colour.againstTint },
  value: { position: 'absolute', top: 0, bottom: 0, width: 3, marginLeft: -1.5, backgroundColor: colour.ink },
});
