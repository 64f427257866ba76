import type { z } from 'zod';
import type {
  Specimen as SpecimenSchema,
  SpecimenList as ListSchema,
  SpecimenQuery as QuerySchema,
  SpecimenRow as RowSchema,
  SpecimenSummary as SummarySchema,
  SpecimenWrite as WriteSchema,
} from './specimens';
import type { PlateQuery as PlateQuerySchema } from './book';
import type { CompareAnswer as CompareSchema } from './compare';
import type { Job as JobSchema } from './jobs';
import type {
  KeyImport as KeyImportSchema,
  KeyImported as KeyImportedSchema,
  KeyMade as KeyMadeSchema,
  KeyMake as KeyMakeSchema,
  KeyRow as KeyRowSchema,
  KeyWrite as KeyWriteSchema,
  StoredKey as StoredKeySchema,
  WalkAnswer as WalkAnswerSchema,
  WalkRequest as WalkRequestSchema,
} from './keys';
import type { Lot as LotSchema, LotWrite as LotWriteSchema } from './lots';
import type { LearnAnswer as LearnSchema, LearnRequest as LearnRequestSchema } from './learn';
import type { GuideRow as GuideRowSchema, StoredGuide as StoredGuideSchema } from './guides';
import type { StandingAnswer as AnswerSchema, StandingRequest as RequestSchema } from './evidence';
import type { Session as SessionSchema } from './session';
import type { ProblemBody as ProblemSchema } from './problem';

export * as schemas from './schemas';
export { type Answer, type Asked, createClient, RequestProblem, urlOf } from './client';
export { Conflict, type Endpoint, type EndpointName, endpoints, type Endpoints } from './endpoints';
export { openApi } from './openapi';
export { sameContent } from './sameContent';

export type PlateQuery = z.output<typeof PlateQuerySchema>;
export type Specimen = z.output<typeof SpecimenSchema>;
export type SpecimenWrite = z.output<typeof WriteSchema>;
export type SpecimenRow = z.output<typeof RowSchema>;
export type SpecimenList = z.output<typeof ListSchema>;
export type SpecimenQuery = z.output<typeof QuerySchema>;
export type SpecimenSummary = z.output<typeof SummarySchema>;
export type GuideRow = z.output<typeof GuideRowSchema>;
export type StoredGuide = z.output<typeof StoredGuideSchema>;
export type StandingAnswer = z.output<typeof AnswerSchema>;
export type StandingRequest = z.output<typeof RequestSchema>;
export type Session = z.output<typeof SessionSchema>;
export type ProblemBody = z.output<typeof ProblemSchema>;
export type CompareAnswer = z.output<typeof CompareSchema>;
export type Job = z.output<typeof JobSchema>;
export type KeyRow = z.output<typeof KeyRowSchema>;
export type StoredKey = z.output<typeof StoredKeySchema>;
export type KeyWrite = z.output<typeof KeyWriteSchema>;
export type KeyImport = z.output<typeof KeyImportSchema>;
export type KeyImported = z.output<typeof KeyImportedSchema>;
export type KeyMake = z.output<typeof KeyMakeSchema>;
export type KeyMade = z.output<typeof KeyMadeSchema>;
export type WalkRequest = z.output<typeof WalkRequestSchema>;
export type WalkAnswer = z.output<typeof WalkAnswerSchema>;
export type Lot = z.output<typeof LotSchema>;
export type LotWrite = z.output<typeof LotWriteSchema>;
export type LearnAnswer = z.output<typeof LearnSchema>;
export type LearnRequest = z.output<typeof LearnRequestSchema>;
