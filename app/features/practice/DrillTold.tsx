import type { Guide } from '@plesion/core/guide';
import { type Item, judgedSteps, type PracticeAnswer, sayChoice } from '@plesion/core/practice';
import { useEffect } from 'react';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { focusHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';

interface DrillToldProps {
  guide: Guide;
  item: Item;
  right: boolean;
  taken: NonNullable<PracticeAnswer['steps']>;
  onNext: () => void;
}

/** What came out at the end of a walk, and how each couplet went. */
export function DrillTold({ guide, item, right, taken, onNext }: DrillToldProps) {
  useEffect(() => focusHeading(), []);
  const judged = judgedSteps(item, { groups: [], sure: 'sure', steps: taken });
  const sum = judged.reduce((all, { seconds = 0 }) => all + seconds, 0);
  return (
    <Card title={right ? 'Right' : 'Not all of it'}>
      <Text size="lead" strong color={right ? colour.kelp : colour.hazard} role="status">
        {`It is the ${sayChoice(guide, item, item.truth.group)}.`}
      </Text>
      <Text>{`${judged.filter((step) => step.right).length} of ${judged.length} couplets right, in ${saySeconds(sum)}.`}</Text>
      <Table
        label="Couplet by couplet"
        columns={['Couplet', 'Right', 'Took']}
        rows={judged.map((step) => [step.number, step.right ? 'yes' : 'no', saySeconds(step.seconds ?? 0)])}
      />
      <Row justify="end">
        <Button kind="main" label="Next" onPress={onNext} />
      </Row>
    </Card>
  );
}

const saySeconds = (seconds: number): string =>
  seconds < 90 ? `${seconds < 10 ? seconds.toFixed(1) : Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`;
