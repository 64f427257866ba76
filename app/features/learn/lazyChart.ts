import { lazy } from 'react';

/** The chart, fetched with the first guide that was learned and not with the first screen. */
export const CalibrationChart = lazy(() => import('../../ui/CalibrationChart').then((chart) => ({ default: chart.CalibrationChart })));
