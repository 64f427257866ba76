import type { Measurement } from '@plesion/contract';
import { type Character, type Guide, isStates, type Protocol } from '@plesion/core/guide';
import { differenceOf, type Valued } from '@plesion/core/measure';
import { sayMeasured } from '@plesion/core/observation';
import { angleOf, lengthOf } from '@plesion/core/plates';
import { useRouter } from 'expo-router';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { measuresOn } from '../plates/plates';
import { measurementOn } from './pictures';

/** One of the two: what was measured on it, or the form whose plate it is. */
export type Measurable =
  { kind: 'photo'; specimen: string; photo: string; measurements?: readonly Measurement[] } | { kind: 'plate'; form: string };

interface DifferencesProps {
  guide: Guide;
  left: Measurable;
  right: Measurable;
  /** The character that the pictures are matched by: offered to be measured. */
  at?: string;
}

type Row = { character: Character & { protocol: Protocol }; values: [Told | undefined, Told | undefined] };
type Told = Valued & { unit: string };

/** What was measured on both, how it differs, and whether that is more than measuring error. */
export function Differences({ guide, left, right, at }: DifferencesProps) {
  const rows = guide.characters.flatMap((character): Row[] => {
    if (!character.protocol) return [];
    const own = character as Row['character'];
    const values: Row['values'] = [valueOn(guide, own, left), valueOn(guide, own, right)];
    const measured = [left, right].some((one, i) => one.kind === 'photo' && values[i]);
    return measured || character.id === at ? [{ character: own, values }] : [];
  });
  return (
    <Card title="Measured on both">
      {rows.length === 0 && (
        <Text size="small" quiet>
          Nothing is measured on either yet. Choose a character to match by, and measure it on both.
        </Text>
      )}
      {rows.map((row) => (
        <DifferenceRow key={row.character.id} {...row} sides={[left, right]} />
      ))}
    </Card>
  );
}

function DifferenceRow({ character, values: [a, b], sides }: Row & { sides: [Measurable, Measurable] }) {
  const router = useRouter();
  const told = a && b && a.unit === b.unit ? { ...differenceOf(a, b), unit: a.unit } : undefined;
  return (
    <Stack gap="xs" padY="s" ruled="below">
      <Text strong>{character.label}</Text>
      <Text figures>{[a, b].map((one) => (one ? sayTold(one) : '—')).join(' beside ')}</Text>
      {told && (
        <>
          <Text figures>
            {`Difference ${`${signed(told.difference, told.sd)} ${told.unit}`.trim()}, from ${signed(told.interval[0], told.sd)} to ${signed(told.interval[1], told.sd)} (95 in 100)`}
          </Text>
          <Text strong color={told.beyondError ? colour.kelp : colour.quiet}>
            {told.beyondError ? 'More than measuring error.' : 'No more than measuring error makes.'}
          </Text>
        </>
      )}
      {a && b && a.unit !== b.unit && (
        <Text
          size="small"
          quiet
        >{`One is in ${a.unit || 'no unit'}, the other in ${b.unit || 'no unit'}: set a scale on both.`}</Text>
      )}
      <Row>
        {sides.map((side, i) =>
          side.kind === 'photo' && ![a, b][i] ? (
            <Button
              key={side.photo}
              small
              label={`Measure it on the ${i === 0 ? 'left' : 'right'}`}
              hint={`Measure ${character.label} on the ${i === 0 ? 'left' : 'right'}`}
              onPress={() => router.push(`/specimens/${side.specimen}/measure?character=${character.id}&photo=${side.photo}`)}
            />
          ) : null,
        )}
      </Row>
    </Stack>
  );
}

/** The value of a character on one of the two; a plate is drawn to its form's usual value, without an error. */
export function valueOn(guide: Guide, character: Row['character'], on: Measurable): Told | undefined {
  if (on.kind === 'photo') return measurementOn(on.measurements, character.id, on.photo)?.value;
  const measures = measuresOn(guide, on.form, character)?.measures ?? [];
  const { quantity } = character.protocol;
  const [first, second] = measures;
  if (!first || isStates(character)) return undefined;
  if (quantity.kind === 'angle') return { value: angleOf(first), sd: 0, unit: '°' };
  if (quantity.kind === 'ratio' && second) return { value: lengthOf(first) / lengthOf(second), sd: 0, unit: '' };
  if (quantity.kind === 'length') return { value: lengthOf(first), sd: 0, unit: 'mm' };
  return undefined;
}

const sayTold = (told: Told): string => `${sayMeasured(undefined, told)}${told.sd > 0 ? '' : ' (as drawn)'}`;

/** With its sign, as finely as its error. */
function signed(value: number, sd: number): string {
  const digits = sd > 0 ? Math.max(0, Math.min(8, 1 - Math.floor(Math.log10(sd)))) : 4;
  const said = Math.abs(value).toFixed(digits);
  return Number(said) === 0 ? said : `${value < 0 ? '−' : '+'}${said}`;
}
