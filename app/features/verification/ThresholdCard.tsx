import type { CalibrationView } from '@plesion/contract/calibration';
import { useState } from 'react';
import { Card } from '../../ui/Card';
import { Slider } from '../../ui/Slider';
import { Text } from '../../ui/Text';

type Props = Pick<CalibrationView, 'thresholds' | 'usual'>;

/** What would change if names were given from another certainty on than they are. */
export function ThresholdCard({ thresholds, usual }: Props) {
  const [chosen, choose] = useState(90);
  const at = (percent: number) => thresholds.find(({ threshold }) => Math.round(100 * threshold) === percent);
  const now = at(Math.round(100 * usual));
  const then = at(chosen);
  if (!now || !then) return null;
  return (
    <Card title="If names were given from another certainty on">
      <Slider label="Given from" value={chosen} from={50} to={99} onChange={choose} say={(percent) => `${percent} in 100 on`} />
      <Text role="status" strong>
        {sayMoved(Math.round(100 * usual), now, chosen, then)}
      </Text>
      <Text size="small" quiet>
        {`${sayAt(chosen, then)} ${chosen === Math.round(100 * usual) ? '' : sayAt(Math.round(100 * usual), now)}`.trim()}
      </Text>
    </Card>
  );
}

type At = Props['thresholds'][number];

/** "At 90 instead of 95: 41 more names, 3 more wrong." */
function sayMoved(usual: number, now: At, chosen: number, then: At): string {
  if (chosen === usual) return `${usual} in 100 is what they are given from.`;
  const [names, wrong] = [then.names - now.names, then.wrong - now.wrong];
  if (names === 0) return `At ${chosen} instead of ${usual}: the same names.`;
  const more = names > 0 ? 'more' : 'fewer';
  const many = Math.abs(names) === 1 ? 'name' : 'names';
  const wrongly = wrong === 0 ? 'as many wrong' : `${Math.abs(wrong)} ${more} wrong`;
  return `At ${chosen} instead of ${usual}: ${Math.abs(names)} ${more} ${many}, ${wrongly}.`;
}

const sayAt = (percent: number, { names, wrong }: At): string =>
  names === 0
    ? `From ${percent} in 100 on: no names.`
    : `From ${percent} in 100 on: ${names === 1 ? 'one name' : `${names} names`}, ${wrong || 'none'} of them wrong.`;
