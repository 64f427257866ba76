export { type ComparedCharacter, compareForms, type Comparison, type Scored, scoredOf } from './compare';
export { type Lookalike, lookalikesOf } from './lookalikes';
export { apartFrom } from './apart';
export { namesOf, sayScored } from './paragraph';
export { seriesOf } from './series';
