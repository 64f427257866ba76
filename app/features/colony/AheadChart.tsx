import type { BookAhead } from '@plesion/contract/colony';
import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { colour } from '../../theme';
import { ChartFrame } from '../../ui/ChartFrame';
import { chartLook } from '../../ui/chartLook';

type Spread = BookAhead['generations'][number]['inbreeding'];

interface Props {
  /** What is drawn, such as `inbreeding F`. */
  what: string;
  of: (generation: BookAhead['generations'][number]) => Spread;
  generations: BookAhead['generations'];
  runs: number;
  digits: number;
}

/** One thing over the generations: its mean, and between what nine runs in ten lie. */
export function AheadChart({ what, of, generations, runs, digits }: Props) {
  const [width, setWidth] = useState(320);
  const all = generations.filter((one) => one.runs > 0).map((one) => ({ ...of(one), runs: one.runs }));
  if (all.length < 2) return null;
  const say = (value: number) => value.toFixed(digits);
  const line = (values: number[], color: string, dashed: boolean) => ({
    data: values,
    color: () => color,
    ...(dashed ? { strokeDashArray: [6, 4], withDots: false } : {}),
  });
  return (
    <ChartFrame
      says={`${what} over the generations: ${all.map(({ mean, low, high }, i) => `${i + 1}: ${say(mean)}, ${say(low)} to ${say(high)}`).join('; ')}`}
      axes={`${what[0].toUpperCase()}${what.slice(1)}, generation by generation; dashed: between these lie nine runs in ten`}
      n={runs}
      columns={['Generation', 'Mean', 'From', 'To', 'Runs']}
      rows={all.map(({ mean, low, high, runs: n }, i) => [String(i + 1), say(mean), say(low), say(high), String(n)])}
    >
      <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
        <LineChart
          data={{
            labels: all.map((_, i) => String(i + 1)),
            datasets: [
              line(
                all.map(({ mean }) => mean),
                colour.kelp,
                false,
              ),
              line(
                all.map(({ low }) => low),
                colour.unknown,
                true,
              ),
              line(
                all.map(({ high }) => high),
                colour.unknown,
                true,
              ),
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
