export { type Analysis, analyse, keyedBy, type Walked } from './analyse';
export { type MoreRepeats, moreRepeats, sayMoreRepeats } from './moreRepeats';
export type { Reply, Request } from './ask';
export { type QuestionName, type Questions, reply } from './questions';
