export { beatsOf } from './beat';
export { practiceViews, readableIn } from './drawn';
export { groupsAt } from './groups';
export { individualsOf } from './individual';
export { practiceItem } from './item';
export { dueOf, type Memories, memoryKey, remember, retained, type Seen } from './memory';
export { type Course, hardnessAfter, nextPair, type NextPair, type NextWhy } from './next';
export { type Pair, pairsOf } from './pairs';
export { photoItem } from './photo';
export type {
  Asked,
  Best,
  DrillStep,
  Flock,
  Item,
  JudgedStep,
  Memory,
  PracticeAnswer,
  PracticeLevel,
  VerifiedPhoto,
} from './schema';
export { eyeOf, type Rho, rhoOf } from './rho';
export { sayChoice, sayGroup } from './sayGroup';
export { countsOf, judgedSteps, oddOf, type Scored, scoreAnswer, scoreOf, scoreSpot } from './score';
export { markSeen, type MarkSeen, misleads } from './seen';
export type { CertaintyWord, FlockTask, MemoryKind } from './vocabulary';
export { type Why, whyNot, whyOf } from './why';
