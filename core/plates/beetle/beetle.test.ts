import fc from 'fast-check';
import { strandBeetles } from '../../../demo/strandBeetles';
import { seeded } from '../../probability';
import { compileGuide } from '../../guide';
import { commandCount } from '../display';
import { lengthOf } from '../measure';
import { traitsOf } from '../traits';
import { BEETLE_VIEWS, type BeetleView, drawBeetle } from '.';
import { beetleMeasures } from './measures';
import { beetleTile } from './tiles';

const compiled = compileGuide(strandBeetles);
const forms = compiled.forms.flatMap(({ facets }, f) => (facets.sex === 'male' ? [f] : []));
const RATIOS = ['elytra-ratio', 'pronotum-ratio', 'antenna-reach', 'spur-ratio'];

const measured = (traits: Record<string, string | number>, character: string) => {
  const [over, under] = beetleMeasures(traits, character).map(lengthOf);
  return under === undefined ? over : over / under;
};

describe('a beetle drawn from its scores', () => {
  it('measures on the plate what its scores say, in any individual they allow', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: forms.length - 1 }), fc.integer(), (form, seed) => {
        const traits = traitsOf(compiled, forms[form], seeded(seed));
        const plain = { ...traits, 'elytra-tip': 'together', shoulder: 'rounded' };
        for (const ratio of RATIOS) expect(measured(plain, ratio)).toBeCloseTo(traits[ratio] as number, 2);
        expect(measured(traits, 'body-length')).toBeCloseTo(traits['body-length'] as number, 6);
      }),
      { numRuns: 30 },
    );
  });

  it.each(BEETLE_VIEWS)('fits the budget of a full plate: %s', (view) => {
    for (const form of forms) {
      const plate = drawBeetle(traitsOf(compiled, form), view);
      expect(plate.inks.reduce((sum, ink) => sum + ink.d.length, 0)).toBeLessThan(60_000);
      expect(plate.inks.every((ink) => !/NaN|Infinity/.test(ink.d))).toBe(true);
    }
  });

  it('is the same left and right', () => {
    const { parts } = drawBeetle(traitsOf(compiled, 0), 'dorsal');
    for (const leg of ['fore', 'mid', 'hind']) {
      const [left, right] = [parts[`${leg}-leg-left`], parts[`${leg}-leg-right`]];
      expect(left.x).toBeCloseTo(-(right.x + right.width), 1);
      expect([left.y, left.height]).toEqual([expect.closeTo(right.y, 1), expect.closeTo(right.height, 1)]);
    }
  });
});

describe('one score changed', () => {
  const base = { ...traitsOf(compiled, 0), 'elytra-hair': 'bare' };
  const changedParts = (change: Record<string, string | number>, view: BeetleView) => {
    const inks = (traits: typeof base) => {
      const parts = new Map<string, string>();
      for (const ink of drawBeetle(traits, view).inks) parts.set(ink.part, (parts.get(ink.part) ?? '') + JSON.stringify(ink));
      return parts;
    };
    const [before, after] = [inks(base), inks({ ...base, ...change })];
    return [...new Set([...before.keys(), ...after.keys()])].filter((part) => before.get(part) !== after.get(part)).sort();
  };

  it.each([
    ['pronotum-sides', 'sinuate', 'dorsal', ['pronotum']],
    ['pronotum-pits', 'two', 'dorsal', ['pronotum']],
    ['elytra-pattern', 'band', 'dorsal', ['elytra']],
    ['puncture-rows', 10, 'dorsal', ['elytra']],
    ['elytra-hair', 'dense', 'dorsal', ['elytra']],
    ['palp-tip', 'axe', 'head', ['palps']],
    ['mandible', 'sickle', 'head', ['mandibles']],
    ['clypeus', 'lobed', 'head', ['clypeus']],
    ['claws', 'split', 'hind-leg', ['foot']],
    ['hind-shin', 'bowed', 'hind-leg', ['shin']],
    ['spur-ratio', 0.9, 'hind-leg', ['spur']],
  ] as const)('%s to %s changes only its part', (character, state, view, parts) => {
    expect(changedParts({ [character]: state }, view)).toEqual(parts);
  });
});

describe('state tiles', () => {
  const drawn = strandBeetles.characters
    .filter(({ states, counts }) => states ?? counts)
    .map((character) => [character.id, character] as const);

  it.each(drawn)('%s: every state is drawn, differently, within 150 commands', (_, character) => {
    const states = character.states?.map(({ id }) => id) ?? [
      character.counts!.from,
      character.counts!.from + 1,
      character.counts!.to,
    ];
    const tiles = states.map((state) => beetleTile(character, state)!);
    for (const tile of tiles) expect(commandCount(tile)).toBeLessThan(150);
    expect(new Set(tiles.map((tile) => JSON.stringify([tile.inks, tile.box]))).size).toBe(states.length);
  });
});
