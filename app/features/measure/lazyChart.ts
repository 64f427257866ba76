import { lazyPart } from '../../ui/lazyPart';

/** What draws charts is large: it is fetched with the first chart. */
export const RepeatsChart = lazyPart(
  () => import('./RepeatsChart'),
  (chart) => chart.RepeatsChart,
);
