import { lazy } from 'react';

/** The chart, fetched with the first page that shows one and not with the first screen. */
export const CalibrationChart = lazy(() => import('./CalibrationChart').then((chart) => ({ default: chart.CalibrationChart })));
