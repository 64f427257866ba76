import type { PracticeStanding } from '@plesion/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { ChartFrame } from '../../ui/ChartFrame';
import { chartLook } from '../../ui/chartLook';

/** Weeks shown: of more, the last. */
const MOST = 10;

/** Of what was answered in each week, how much was right. */
export function WeeksChart({ weeks }: Pick<PracticeStanding['guides'][number], 'weeks'>) {
  const [width, setWidth] = useState(320);
  const shown = weeks.slice(-MOST).map((week) => ({ ...week, share: Math.round((100 * week.right) / week.answers) }));
  return (
    <ChartFrame
      says={`Right, in 100: ${shown.map(({ from, share, answers }) => `week of ${sayDate(from)} ${share} of ${answers}`).join('; ')}`}
      axes="Right in 100, by week"
      n={shown.reduce((sum, { answers }) => sum + answers, 0)}
      columns={['Week of', 'Right', 'Answers']}
      rows={shown.map(({ from, right, answers }) => [sayDate(from)!, String(right), String(answers)])}
    >
      <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
        <LineChart
          data={{
            labels: shown.map(({ from }) => from.slice(5).replace('-', '/')),
            datasets: [{ data: shown.map(({ share }) => share), color: () => colour.kelp }],
          }}
          width={Math.min(width, 560)}
          height={180}
          fromZero
          withInnerLines
          withShadow={false}
          chartConfig={chartLook(0)}
        />
      </View>
    </ChartFrame>
  );
}
