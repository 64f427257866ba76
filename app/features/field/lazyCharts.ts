import { lazyPart } from '../../ui/lazyPart';

/** What draws charts is large: it is fetched with the first chart. */
export const WeightsChart = lazyPart(
  () => import('./WeightsChart'),
  (chart) => chart.WeightsChart,
);
export const CountsChart = lazyPart(
  () => import('./CountsChart'),
  (chart) => chart.CountsChart,
);
