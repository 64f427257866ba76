import type { Guide } from '@plesion/core/guide';
import { countsOf, type Item, oddOf, type PracticeAnswer, sayChoice } from '@plesion/core/practice';
import { useEffect } from 'react';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { focusHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { sayReading } from './sayReading';
import type { ToldAnswer } from './usePractice';

interface FlockToldProps {
  guide: Guide;
  item: Item;
  told: ToldAnswer;
  given: Pick<PracticeAnswer, 'picked' | 'number' | 'counts'>;
  onNext: () => void;
}

/** The truth of many at once. */
export function FlockTold({ guide, item, told: { right, why }, given, onNext }: FlockToldProps) {
  useEffect(() => focusHeading(), []);
  const { task, members } = item.flock!;
  const name = (id: string) => sayChoice(guide, item, id);
  const counts = countsOf(item.flock!);
  return (
    <Card title={right ? 'Right' : 'Not that'}>
      <Text size="lead" strong color={right ? colour.kelp : colour.hazard} role="status">
        {task === 'odd'
          ? `Number ${oddOf(item) + 1} is the odd one: the ${name(item.truth.group)}.`
          : task === 'many'
            ? `There were ${members.length}.`
            : [...counts].map(([group, n]) => `${n} ${name(group)}`).join(', ')}
      </Text>
      {task === 'many' && given.number !== undefined && <Text>{sayOff(given.number, members.length)}</Text>}
      {task === 'odd' && why && (
        <>
          {why.remember && <Text strong>{why.remember}</Text>}
          {why.readings
            .filter(({ bits }) => bits > TELLS)
            .slice(0, MOST)
            .map(({ reading, bits }) => (
              <Text key={reading.character} size="small">
                {`${sayReading(guide, reading)}: ${bits.toFixed(1)} bits against the ${name(why.other.id)}`}
              </Text>
            ))}
        </>
      )}
      {task === 'tally' && (
        <Table
          label="What was counted"
          columns={['Kind', 'There were', 'You counted']}
          rows={item.choices.map(({ id }) => [name(id), String(counts.get(id) ?? 0), String(given.counts?.[id] ?? 0)])}
        />
      )}
      <Row justify="end">
        <Button kind="main" label="Next" onPress={onNext} />
      </Row>
    </Card>
  );
}

/** Readings shown, and what each tells at least, in bits. */
const MOST = 3;
const TELLS = 0.5;

/** How far a number said was off. */
function sayOff(said: number, were: number): string {
  if (said === were) return 'You said just that.';
  return `You said ${said}: ${Math.round((100 * Math.abs(said - were)) / were)} in a hundred too ${said < were ? 'few' : 'many'}.`;
}
