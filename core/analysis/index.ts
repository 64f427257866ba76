export { type Analysis, analyse, keyedBy, type Walked } from './analyse';
export { type MoreRepeats, moreRepeats } from './moreRepeats';
export { isByError, sayMoreRepeats } from './sayMoreRepeats';
export type { Reply, Request } from './ask';
export type { NamedBy } from './namesBy';
export { type QuestionName, type Questions, reply } from './questions';
