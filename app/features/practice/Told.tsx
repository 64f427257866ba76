import { inHundred } from '@plesion/core/evidence';
import { type CompiledGuide, compiledFor, type Guide } from '@plesion/core/guide';
import { type Asked, type Item, misleads, sayChoice } from '@plesion/core/practice';
import { VERIFICATION_WORDS } from '@plesion/core/verification';
import { useEffect, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { focusHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import type { WentBy } from './GoneBy';
import { groupPlate } from './groupPlate';
import { useAfterPaint } from './itemPlate';
import { labelOf, sayReading, saySeen } from './sayReading';
import type { ToldAnswer } from './usePractice';

interface ToldProps {
  guide: Guide;
  item: Item;
  told: ToldAnswer;
  said: string[];
  wentBy?: WentBy;
  /** In which it was seen: what misleads there may not elsewhere. */
  situation?: Asked['situation'];
  /** What was asked: a name, the reading of one mark, or the mark that decides. */
  task: 'name' | 'mark' | 'spot';
  onNext: () => void;
}

/** Readings shown: those that tell most, and what misled. */
const MOST = 5;
const MISLEADS = -0.5;
const TALLEST = 200;

/** The truth, and why. */
export function Told({ guide, item, told, said, wentBy, situation, task, onNext }: ToldProps) {
  const drill = task === 'mark';
  const { width } = useWindowDimensions();
  const group = (id: string) => sayChoice(guide, item, id);
  const { why, right } = told;
  const { best } = item.truth;
  const [fine, setFine] = useState(false);
  useAfterPaint(() => setFine(true));
  const other = why && groupPlate(guide, why.other.id, item.view, fine ? 'full' : 'thumb');
  const size = other && overPlate(other, Math.min(360, width - 4 * space.m), TALLEST);
  const readings = (why?.readings ?? []).filter(({ bits }, i) => (i < MOST && bits > 0.05) || bits < MISLEADS);
  useEffect(() => focusHeading(), []);
  return (
    <Card title={right ? 'Right' : task !== 'name' || said.length ? 'Not that' : 'It could be told'}>
      <Text size="lead" strong color={right ? colour.kelp : colour.hazard} role="status">
        {drill && wentBy
          ? `${labelOf(guide, wentBy.character)}: ${saySeen(guide, wentBy.character, told.mark?.shown)}.`
          : task === 'spot' && why
            ? `It is told by ${labelOf(guide, why.readings[0].reading.character)}.`
            : `It is the ${group(item.truth.group)}.`}
      </Text>
      {drill ? (
        <Text quiet>{`It is the ${group(item.truth.group)}.`}</Text>
      ) : (
        <Text>
          {item.photo ? `It is known by ${VERIFICATION_WORDS[item.photo.kind]}: ${inHundred(best.p)}.` : sayBest(best, group)}
        </Text>
      )}
      {wentBy && !drill && <Text>{sayGoneBy(compiledFor(guide, situation), item, told, wentBy, group)}</Text>}
      {why?.remember && <Text strong>{why.remember}</Text>}
      {why && readings.length > 0 && (
        <View>
          <Text size="small" quiet>{`What each mark says for it, against ${group(why.other.id)}:`}</Text>
          {readings.map(({ reading, bits }) => (
            <Row key={reading.character} gap="m" padY="hair" ruled="above" oneLine>
              <Text size="small" fill>
                {sayReading(guide, reading)}
              </Text>
              <Text size="small" strong figures color={bits < 0 ? colour.hazard : colour.kelp}>
                {`${bits > 0 ? '+' : '−'}${Math.abs(bits).toFixed(1)} bits`}
              </Text>
            </Row>
          ))}
        </View>
      )}
      {other && size && (
        <Stack gap="xs" align="center">
          <PlateView
            plate={other}
            width={size.width}
            height={size.height}
            label={`A usual ${group(why.other.id)}, the same view`}
          />
          <Text size="small" quiet>{`A usual ${group(why.other.id)}`}</Text>
        </Stack>
      )}
      {task === 'name' && (
        <Text size="small" quiet>
          {`Your answer gave the truth ${inHundred(told.p)}, ${Math.abs(told.bits).toFixed(1)} bits ${told.bits >= 0 ? 'better' : 'worse'} than not knowing.`}
        </Text>
      )}
      <Row justify="end">
        <Button kind="main" label="Next" onPress={onNext} />
      </Row>
    </Card>
  );
}

function sayBest({ kind, groups, p }: Item['truth']['best'], group: (id: string) => string): string {
  if (kind === 'one') return `The drawing tells it: ${inHundred(p)}.`;
  if (kind === 'either') return `The drawing leaves ${groups.map(group).join(' or ')}: ${inHundred(p)} for both.`;
  return `It cannot be told from this drawing: what leads has ${inHundred(p)}.`;
}

/** What the mark that was gone by shows, what it was worth, and how often it misleads between the two. */
function sayGoneBy(
  compiled: CompiledGuide,
  item: Item,
  { why, mark }: ToldAnswer,
  { character, says }: WentBy,
  group: (id: string) => string,
): string {
  const { guide } = compiled;
  const read =
    mark?.shown === undefined
      ? `${labelOf(guide, character)} is not to be seen in it.`
      : mark.right === false
        ? `You went by ${labelOf(guide, character)} and read ${saySeen(guide, character, says)}: it is ${saySeen(guide, character, mark.shown)}.`
        : `You went by ${labelOf(guide, character)}: ${saySeen(guide, character, mark.shown)}.`;
  if (!why || mark?.shown === undefined) return read;
  const bits = why.readings.find(({ reading }) => reading.character === character)?.bits ?? 0;
  const often = misleads(compiled, item, character, why.other.id) ?? 0;
  const worth =
    Math.abs(bits) < 0.05
      ? 'It told nothing'
      : `It was worth ${Math.abs(bits).toFixed(1)} bits ${bits > 0 ? 'for the truth' : `for ${group(why.other.id)}`}`;
  return `${read} ${worth}, and misleads between the two in ${inHundred(often)}.`;
}
