import type { Count } from '@plesion/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { ChartFrame } from '../../ui/ChartFrame';
import { chartLook } from '../../ui/chartLook';
import { numberOfCount, sayCount } from './countWords';

/** Counts shown: of more, the last. */
const MOST = 12;

/** One thing over time; where a count leaves a range open, its least and its most. */
export function CountsChart({ counts }: { counts: readonly Count[] }) {
  const [width, setWidth] = useState(320);
  const points = [...counts]
    .sort((a, b) => a.at.localeCompare(b.at))
    .flatMap((count) => {
      const found = numberOfCount(count);
      return found ? [{ ...found, count }] : [];
    })
    .slice(-MOST);
  if (points.length < 2) return null;
  const ranged = points.some(({ low, high }) => low !== high);
  const digits = points.every(({ low }) => Number.isInteger(low)) ? 0 : 1;
  const [{ unit }] = points;
  return (
    <ChartFrame
      says={`Over time: ${points.map(({ count }) => `${sayDate(count.at)} ${sayCount(count)}`).join('; ')}`}
      axes={`${unit[0].toUpperCase()}${unit.slice(1)}, count by count${ranged ? '; dashed: the most there can have been' : ''}`}
      n={points.length}
      columns={['Day', 'Count', 'Notation']}
      rows={points.map(({ low, high, count }) => [
        sayDate(count.at)!,
        low === high ? low.toFixed(digits) : `${low}–${high}`,
        sayCount(count),
      ])}
    >
      <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
        <LineChart
          data={{
            labels: points.map(({ count }) => count.at.slice(5, 10).replace('-', '/')),
            datasets: [
              { data: points.map(({ low }) => low), color: () => colour.kelp },
              ...(ranged
                ? [
                    {
                      data: points.map(({ high }) => high),
                      color: () => colour.unknown,
                      strokeDashArray: [6, 4],
                      withDots: false,
                    },
                  ]
                : []),
            ],
          }}
          width={Math.min(width, 700)}
          height={170}
          fromZero
          withInnerLines
          withShadow={false}
          chartConfig={chartLook(digits)}
        />
      </View>
    </ChartFrame>
  );
}
