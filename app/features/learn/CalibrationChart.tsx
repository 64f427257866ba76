import type { CrossValidation } from '@plesion/core/guide';
import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { colour } from '../../theme';
import { chartLook } from '../../ui/chartLook';
import { ChartFrame } from '../../ui/ChartFrame';

/** A class of fewer specimens than this says nothing yet. */
const FEWEST = 8;

/** Of what was called at a stated probability, how much was right: the two lines should lie on each other. */
export function CalibrationChart({ calibration: all }: { calibration: CrossValidation['calibration'] }) {
  const [width, setWidth] = useState(320);
  const calibration = all.filter(({ n }) => n >= FEWEST);
  if (calibration.length < 2) return null;
  const hundred = (share: number) => Math.round(share * 100);
  return (
    <ChartFrame
      says={`Calibration: ${calibration.map(({ stated, right, n }) => `said ${hundred(stated)}, right ${hundred(right)} of 100 (${n})`).join('; ')}`}
      axes="Said (dashed grey) against right (kelp), in 100, by how sure it was"
      n={calibration.reduce((sum, { n }) => sum + n, 0)}
      columns={['How sure', 'Said', 'Right', 'Of']}
      rows={calibration.map(({ from, to, stated, right, n }) => [
        `${hundred(from)}–${hundred(to)} in 100`,
        `${hundred(stated)}`,
        `${hundred(right)}`,
        `${n}`,
      ])}
    >
      <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
        <LineChart
          data={{
            labels: calibration.map(({ from, to }) => `${hundred(from)}–${hundred(to)}`),
            datasets: [
              { data: calibration.map(({ stated }) => hundred(stated)), color: () => colour.unknown, strokeDashArray: [6, 4] },
              { data: calibration.map(({ right }) => hundred(right)), color: () => colour.kelp },
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
