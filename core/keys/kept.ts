import type { CoupletAnswer } from './walk/answers';

/** A walk as it is kept with a specimen or a lot: the key at its version, and what was answered. */
export interface KeptWalk {
  keyId: string;
  keyVersion: number;
  /** Couplet it began at, where not at the start. */
  start?: string;
  answers: CoupletAnswer[];
}
