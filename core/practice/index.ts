export { individualsOf } from './individual';
export { groupsAt, practiceItem, practiceViews } from './item';
export type { Asked, Best, Item, PracticeAnswer, PracticeLevel } from './schema';
export { type Scored, scoreAnswer } from './score';
export type { CertaintyWord } from './vocabulary';
export { type ReadingWorth, type Why, whyNot, whyOf } from './why';
