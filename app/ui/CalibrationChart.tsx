import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { colour } from '../theme';
import { ChartFrame } from './ChartFrame';
import { chartLook } from './chartLook';

/** What was said with some certainty, and how much of it was right; shares, 0..1. */
export interface CalibrationBin {
  label: string;
  stated: number;
  right: number;
  n: number;
}

/** A class of fewer than this says nothing yet. */
const FEWEST = 8;

/** Of what was called at a stated probability, how much was right: the two lines should lie on each other. */
export function CalibrationChart({ bins: all }: { bins: readonly CalibrationBin[] }) {
  const [width, setWidth] = useState(320);
  const bins = all.filter(({ n }) => n >= FEWEST);
  if (bins.length < 2) return null;
  const hundred = (share: number) => Math.round(share * 100);
  return (
    <ChartFrame
      says={`Calibration: ${bins.map(({ stated, right, n }) => `said ${hundred(stated)}, right ${hundred(right)} of 100 (${n})`).join('; ')}`}
      axes="Said (dashed grey) against right (kelp), in 100, by how sure it was"
      n={bins.reduce((sum, { n }) => sum + n, 0)}
      columns={['How sure', 'Said', 'Right', 'Of']}
      rows={bins.map(({ label, stated, right, n }) => [label, `${hundred(stated)}`, `${hundred(right)}`, `${n}`])}
    >
      <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
        <LineChart
          data={{
            labels: bins.map(({ label }) => label),
            datasets: [
              { data: bins.map(({ stated }) => hundred(stated)), color: () => colour.unknown, strokeDashArray: [6, 4] },
              { data: bins.map(({ right }) => hundred(right)), color: () => colour.kelp },
            ],
          }}
          width={Math.min(width, 560)}
          height={190}
          fromZero
          yAxisInterval={1}
          withInnerLines
          withShadow={false}
          chartConfig={chartLook(0)}
        />
      </View>
    </ChartFrame>
  );
}
