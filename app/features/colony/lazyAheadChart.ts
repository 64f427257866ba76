import { lazy } from 'react';

/** The chart's library is fetched where a chart is shown. */
export const AheadChart = lazy(async () => ({ default: (await import('./AheadChart')).AheadChart }));
