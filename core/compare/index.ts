export type { ComparedCharacter, Comparison, Scored } from './schema';
export { compareForms, scoredOf } from './compare';
export { type Lookalike, lookalikesOf } from './lookalikes';
export { apartFrom } from './apart';
export { namesOf, sayScored } from './paragraph';
export { seriesOf } from './series';
