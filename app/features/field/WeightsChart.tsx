import { calendarDays, weightFall } from '@plesion/core/fieldwork';
import { useState } from 'react';
import { View } from 'react-native';
import { LineChart } from 'react-native-chart-kit';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { ChartFrame } from '../../ui/ChartFrame';
import { chartLook } from '../../ui/chartLook';
import { Text } from '../../ui/Text';

/** Points shown: of more, the last. */
const MOST = 14;

/** Weights of an individual over time, and whether the last has fallen against its own line. */
export function WeightsChart({ points }: { points: readonly { day: string; mass: number }[] }) {
  const [width, setWidth] = useState(320);
  const shown = points.slice(-MOST);
  const fall = weightFall(points.map(({ day, mass }) => ({ day: calendarDays(points[0].day, day), mass })));
  return (
    <>
      <ChartFrame
        says={`Weight in g: ${shown.map(({ day, mass }) => `${sayDate(day)} ${mass}`).join('; ')}`}
        axes="Weight in g at each capture"
        n={shown.length}
        columns={['Day', 'Weight, g']}
        rows={shown.map(({ day, mass }) => [sayDate(day)!, String(mass)])}
      >
        <View onLayout={(event) => setWidth(event.nativeEvent.layout.width)}>
          <LineChart
            data={{
              labels: shown.map(({ day }) => day.slice(2, 7).replace('-', '/')),
              datasets: [{ data: shown.map(({ mass }) => mass), color: () => colour.kelp }],
            }}
            width={Math.min(width, 560)}
            height={180}
            withInnerLines
            withShadow={false}
            chartConfig={chartLook(0)}
          />
        </View>
      </ChartFrame>
      {fall && (
        <Text size="small" color={fall.flagged ? colour.hazard : undefined} quiet={!fall.flagged}>
          {fall.flagged
            ? `The last weight lies ${Math.abs(fall.residual).toFixed(1)} residual standard deviations below its own line: look at it again.`
            : `The last weight lies ${Math.abs(fall.residual).toFixed(1)} residual standard deviations ${fall.residual < 0 ? 'below' : 'above'} its own line.`}
        </Text>
      )}
    </>
  );
}
