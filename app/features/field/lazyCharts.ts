import { lazy } from 'react';

/** What draws charts is large: it is fetched with the first chart. */
export const WeightsChart = lazy(async () => ({ default: (await import('./WeightsChart')).WeightsChart }));
export const CountsChart = lazy(async () => ({ default: (await import('./CountsChart')).CountsChart }));
