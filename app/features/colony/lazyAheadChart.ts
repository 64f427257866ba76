import { lazyPart } from '../../ui/lazyPart';

/** The chart's library is fetched where a chart is shown. */
export const AheadChart = lazyPart(
  () => import('./AheadChart'),
  (chart) => chart.AheadChart,
);
