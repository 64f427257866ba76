import type { KeyMade, KeyMake, LearnAnswer, LearnRequest } from '@plesion/contract';
import type { Em } from '../database/orm';
import type { Writer } from '../records/write';

/** Stores what was worked out, in one transaction with the job's end: both or neither. */
export type Store<Result> = (tx: Em) => Promise<Result>;

/** One kind of long work. */
export interface JobKind<Asked, Result> {
  /** The long part, which stores nothing: it may be done again from its beginning by another process. */
  work(
    em: Em,
    writer: Writer,
    asked: Asked,
    signal: AbortSignal,
    /** Share done, 0..1. */
    onProgress: (share: number) => void,
  ): Promise<Store<Result>>;
}

/** All long work there is, by its name in the database. */
export interface JobKinds {
  learn: JobKind<LearnRequest, LearnAnswer>;
  makeKey: JobKind<{ guideId: string; asked: KeyMake }, KeyMade>;
}

export type JobName = keyof JobKinds;
export type Asked<N extends JobName> = Parameters<JobKinds[N]['work']>[2];
export type Given<N extends JobName> = JobKinds[N] extends JobKind<never, infer Result> ? Result : never;
