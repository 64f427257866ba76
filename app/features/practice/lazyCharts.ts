import { lazy } from 'react';

/** What draws charts is large: it is fetched with the first chart. */
export const WeeksChart = lazy(async () => ({ default: (await import('./WeeksChart')).WeeksChart }));
