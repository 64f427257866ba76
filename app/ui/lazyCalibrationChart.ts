import { lazyPart } from './lazyPart';

/** The chart, fetched with the first page that shows one and not with the first screen. */
export const CalibrationChart = lazyPart(
  () => import('./CalibrationChart'),
  (chart) => chart.CalibrationChart,
);
