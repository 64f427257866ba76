import type { Repeated } from '@plesion/core/measure';
import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { colour } from '../../theme';
import { chartLook } from '../../ui/chartLook';
import { ChartFrame } from '../../ui/ChartFrame';

/** Things shown: of more, the last. */
const MOST = 12;

/** How far the repeats of each thing lie from its mean, beside what the technical error says. */
export function RepeatsChart({ groups, tem, unit }: { groups: readonly Repeated[]; tem: number; unit: string }) {
  const [width, setWidth] = useState(320);
  const things = groups
    .filter(({ values }) => values.length > 1)
    .slice(-MOST)
    .map(({ values }) => {
      const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
      return { n: values.length, mean, low: Math.min(...values) - mean, high: Math.max(...values) - mean };
    });
  if (things.length < 2) return null;
  const dashed = { strokeDashArray: [6, 4], withDots: false, color: () => colour.unknown };
  const digits = Math.max(0, Math.min(6, 1 - Math.floor(Math.log10(tem || 1))));
  const say = (value: number) => value.toFixed(digits);
  return (
    <ChartFrame
      says={`Repeats about their mean: ${things.map(({ low, high, n }) => `${say(low)} to ${say(high)} (${n})`).join('; ')}`}
      axes={`Highest and lowest repeat less the mean${unit ? `, in ${unit}` : ''}, thing by thing; dashed: twice the technical error`}
      n={things.length}
      columns={['Thing', 'Mean', 'Lowest', 'Highest', 'Times']}
      rows={things.map(({ mean, low, high, n }, i) => [`${i + 1}`, say(mean), say(low), say(high), `${n}`])}
    >
      <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
        <LineChart
          data={{
            labels: things.map((_, i) => String(i + 1)),
            datasets: [
              { data: things.map(({ high }) => high), color: () => colour.kelp },
              { data: things.map(({ low }) => low), color: () => colour.kelp },
              { ...dashed, data: things.map(() => 2 * tem) },
              { ...dashed, data: things.map(() => -2 * tem) },
            ],
          }}
          width={Math.min(width, 560)}
          height={170}
          withInnerLines
          withShadow={false}
          chartConfig={chartLook(digits)}
        />
      </View>
    </ChartFrame>
  );
}
