import { wilson } from '@plesion/core/probability';
import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { Line } from 'react-native-svg';
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

/** Half of the width of the ends of an interval, in px. */
const CAP = 5;

/** Of what was called at a stated probability, how much was right, and within what it likely lies: what was said should be within. */
export function CalibrationChart({ bins: all }: { bins: readonly CalibrationBin[] }) {
  const [width, setWidth] = useState(320);
  const bins = all.filter(({ n }) => n > 0).map((bin) => ({ ...bin, ...wilson(bin.right, bin.n) }));
  if (bins.length === 0) return null;
  const hundred = (share: number) => Math.round(share * 100);
  const likely = ({ low, high }: { low: number; high: number }) => `${hundred(low)} to ${hundred(high)}`;
  const ends = { color: () => 'transparent' };
  return (
    <ChartFrame
      says={`Calibration: ${bins.map((bin) => `said ${hundred(bin.stated)}, right ${hundred(bin.right)} of 100, likely ${likely(bin)} (${bin.n})`).join('; ')}`}
      axes="Said (dashed grey) against right (kelp, with where it likely lies), in 100, by how sure it was"
      n={bins.reduce((sum, { n }) => sum + n, 0)}
      columns={['How sure', 'Said', 'Right', 'Likely', 'Of']}
      rows={bins.map((bin) => [bin.label, `${hundred(bin.stated)}`, `${hundred(bin.right)}`, likely(bin), `${bin.n}`])}
    >
      <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
        <LineChart
          data={{
            labels: bins.map(({ label }) => label),
            datasets: [
              { ...ends, data: bins.map(({ high }) => hundred(high)) },
              { ...ends, data: bins.map(({ low }) => hundred(low)) },
              { data: bins.map(({ right }) => hundred(right)), color: () => colour.kelp },
              {
                data: bins.map(({ stated }) => hundred(stated)),
                color: () => colour.unknown,
                strokeDashArray: [6, 4],
                withDots: false,
              },
              // All of the scale, whatever is shown.
              { ...ends, data: [0, 100], withDots: false },
            ],
          }}
          width={Math.min(width, 560)}
          height={220}
          fromZero
          yAxisInterval={1}
          withInnerLines
          withVerticalLines={false}
          withShadow={false}
          renderDotContent={intervals(bins.length)}
          chartConfig={chartLook(0)}
        />
      </View>
    </ChartFrame>
  );
}

/** Draws where each share likely lies, from where the chart puts the ends: it goes through the highs, the lows, and the shares. */
function intervals(classes: number) {
  let dot = 0;
  const tops: number[] = [];
  return function Interval({ x, y, index }: { x: number; y: number; index: number }) {
    const set = Math.floor(dot++ / classes) % 3;
    if (set === 0) tops[index] = y;
    if (set !== 1) return null;
    const look = { stroke: colour.kelp, strokeWidth: 1.5 };
    return (
      <>
        <Line {...look} x1={x} x2={x} y1={tops[index]} y2={y} />
        <Line {...look} x1={x - CAP} x2={x + CAP} y1={tops[index]} y2={tops[index]} />
        <Line {...look} x1={x - CAP} x2={x + CAP} y1={y} y2={y} />
      </>
    );
  };
}
