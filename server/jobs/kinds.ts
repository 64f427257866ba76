import type {
  ArchiveMade,
  ArchiveRead,
  BookletMade,
  Checklist,
  ImportMade,
  ImportTried,
  KeyMade,
  KeyMake,
  LearnAnswer,
  LearnRequest,
} from '@plesion/contract';
import type { MatrixTaken, MatrixWrite } from '@plesion/contract/authoring';
import type { ImportHow } from '@plesion/core/import';
import type { Em } from '../database/orm';
import type { Writer } from '../records/write';

/** Stores what was worked out, in one transaction with the job's end: both or neither. */
export type Store<Result> = (tx: Em) => Promise<Result>;

/** What long work is given to work with. */
export interface JobTools {
  /** Of the job. */
  id: string;
  signal: AbortSignal;
  /** Share done, 0..1. */
  onProgress: (share: number) => void;
  /** A folder of this machine that is there until the job has ended. */
  folder: () => Promise<string>;
}

/** One kind of long work. */
export interface JobKind<Asked, Result> {
  /** The long part, which stores nothing: it may be done again from its beginning by another process. */
  work(em: Em, writer: Writer, asked: Asked, tools: JobTools): Promise<Store<Result>>;
  /** Called when it has ended, however: what lies beside the database for it is taken away. */
  ended?(place: JobPlace, done: boolean): Promise<void>;
}

/** Which job, and whose. */
export interface JobPlace {
  stationId: string;
  id: string;
}

/** A file that lies among the station's, and how it is to be read. */
export interface ImportAsked {
  id: string;
  file: string;
  how: ImportHow;
}

/** All long work there is, by its name in the database. */
export interface JobKinds {
  learn: JobKind<LearnRequest, LearnAnswer>;
  makeKey: JobKind<{ guideId: string; asked: KeyMake }, KeyMade>;
  makeDraftKey: JobKind<{ draftId: string; asked: KeyMake }, KeyMade>;
  takeMatrix: JobKind<MatrixWrite & { draftId: string }, MatrixTaken>;
  printGuide: JobKind<{ guideId: string }, BookletMade>;
  exportStation: JobKind<object, ArchiveMade>;
  importStation: JobKind<object, ArchiveRead>;
  tryImport: JobKind<ImportAsked, ImportTried>;
  readChecklist: JobKind<Pick<ImportAsked, 'id' | 'file'>, Checklist>;
  importRecords: JobKind<ImportAsked, ImportMade>;
}

export type JobName = keyof JobKinds;
export type Asked<N extends JobName> = Parameters<JobKinds[N]['work']>[2];
export type Given<N extends JobName> = JobKinds[N] extends JobKind<never, infer Result> ? Result : never;
