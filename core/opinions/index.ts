export { cohenKappa, fleissKappa, type Kappa } from './agreement';
export type { Opinion, Pooled } from './schema';
export { type Rightness, sharedErrors } from './shared';
