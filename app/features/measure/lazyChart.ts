import { lazy } from 'react';

/** What draws charts is large: it is fetched with the first chart. */
export const RepeatsChart = lazy(async () => ({ default: (await import('./RepeatsChart')).RepeatsChart }));
