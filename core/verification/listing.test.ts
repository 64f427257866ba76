import { tinyGuide } from '../test/tinyGuide';
import { listedInstead } from '.';

const guide = tinyGuide();

it.each([
  ['another', { taxon: 'a' }, 'b', 'b'],
  ['the same', { taxon: 'a' }, 'a', undefined],
  ['further than the name went', { taxon: 'genus' }, 'b', 'b'],
  ['not as far as the name', { taxon: 'a' }, 'genus', undefined],
  ['one of the two it was called', { taxon: 'a', other: 'b' }, 'a', 'a'],
  ['one, and it was not named, or doubted', undefined, 'b', 'b'],
  ['of no taxon of the guide', { taxon: 'a' }, 'c', undefined],
])('a record turned out %s', (_, name, taxon, listed) => {
  expect(listedInstead(guide, name, { taxon })).toBe(listed);
});
