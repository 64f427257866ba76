import fc from 'fast-check';
import type { Tile } from '../guide/working';
import { Tile as TileShape } from '../guide/tileSchema';
import { tileFromWords } from './tileWords';

describe('a tile from the words of a state', () => {
  it.each<[string, string, Partial<Tile> & Record<string, unknown>]>([
    ['heart-shaped, toothed', 'Leaf', { draw: 'blade', outline: 'ovate', base: 'cordate', margin: 'dentate' }],
    ['rounded', 'Tip of the leaf', { draw: 'blade', tip: 'rounded' }],
    ['rounded', 'Base of the blade', { draw: 'blade', base: 'rounded' }],
    ['smooth', 'Margin', { draw: 'blade', margin: 'entire' }],
    ['smooth', 'Upper side', { draw: 'blade', surface: 'smooth' }],
    ['yellow with black spots', 'Wing cases', { draw: 'blade', pattern: 'spotted', colour: '#e3c13c', second: '#2a2624' }],
    ['forked', 'Tail', { draw: 'fin', end: 'forked' }],
    ['convex, scaly', 'Cap', { draw: 'cap', profile: 'convex', surface: 'scaly' }],
    ['twice as long as wide', 'Leaf', { draw: 'blade', ratio: 2 }],
    ['wider than long', 'Pronotum', { draw: 'blade', ratio: 0.71 }],
    ['half as long as the spur', 'Lip', { draw: 'bars', lengths: [0.5, 1] }],
    ['longer than the bill', 'Head', { draw: 'bars', lengths: [1.4, 1] }],
    ['dark brown', 'Hairs', { draw: 'swatch', colours: ['#553f29'] }],
    ['blue-grey', 'Thallus', { draw: 'swatch', colours: ['#6d8096'] }],
    ['under dense down', 'Wing cases', { draw: 'blade', surface: 'downy' }],
    ['pointed tip and rounded base', 'Leaf', { draw: 'blade', tip: 'acute', base: 'rounded' }],
    ['dark-brown', 'Hairs', { draw: 'swatch', colours: ['#553f29'] }],
  ])('%s (%s)', (text, of, tile) => {
    expect(tileFromWords(text, of)).toMatchObject(tile);
  });

  it.each([
    ['not hairy', 'Surface'],
    ['never spotted', 'Wing'],
    ['without any bands', 'Wing'],
    ['without a row of spines', 'Shin'],
    ['no spots and bands', 'Wing'],
    ['hardly hairy', 'Surface'],
    ["isn't hairy", 'Surface'],
    ['spots absent', 'Wing'],
    ['anything but spotted', 'Wing'],
    ['free of hairs', 'Surface'],
    ['straight', 'Front edge of the head'],
    ['not twice as long as wide', 'Leaf'],
    ['more than twice as long as wide', 'Leaf'],
    ['absent', 'Crest'],
    ['', ''],
    ['constructor', 'toString'],
    ['__proto__', 'hasOwnProperty'],
  ])('draws nothing of “%s” (%s)', (text, of) => {
    expect(tileFromWords(text, of)).toBeUndefined();
  });

  it('what is denied is left out, and the rest is drawn', () => {
    expect(tileFromWords('black, never spotted', 'Body')).toEqual({ draw: 'swatch', colours: ['#2a2624'] });
    expect(tileFromWords('brown rather than black', 'Body')).toEqual({ draw: 'swatch', colours: ['#7a5a3a'] });
    expect(tileFromWords('without teeth, entire', 'Edge')).toMatchObject({ margin: 'entire' });
  });

  it('whatever is written, what is proposed is a tile', () => {
    const word = fc.constantFrom(
      'red',
      'dark',
      'ovate',
      'not',
      'spotted',
      'twice as long as',
      'wide',
      '3 times as long as',
      'the',
      'tip',
      'cap',
      'tail',
      '99',
      ',',
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.array(word).map((words) => words.join(' ')),
        ),
        fc.constantFrom('Leaf', 'Cap', 'Tail', 'Tip'),
        (text, of) => {
          const tile = tileFromWords(text, of);
          expect(tile === undefined || TileShape.safeParse(tile).success).toBe(true);
        },
      ),
      { numRuns: 400 },
    );
  });
});
