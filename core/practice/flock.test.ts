import { demoGuides } from '@plesion/demo';
import { formsIn, fromPrior, groupByRank, groupMasses, ranked } from '../evidence';
import { compileGuide } from '../guide';
import { planOf } from '../plates/plans';
import { type Asked, countsOf, type FlockTask, groupsAt, type Item, oddOf, practiceItem, scoreOf, whyOf } from '.';

const guides = demoGuides.map((guide) => ({ name: guide.id, compiled: compileGuide(guide), plan: planOf(guide)! }));
const of = (name: string) => guides.find((one) => one.name === name)!;
const SPECIES = { kind: 'rank', rank: 'species' } as const;
const SEX = { kind: 'facet', facet: 'sex' } as const;

const asked = (flock: FlockTask, more: Partial<Asked> = {}): Asked => ({ level: SPECIES, flock, ...more });
const make = ({ compiled, plan }: (typeof guides)[number], wanted: Asked, seed: string) =>
  practiceItem(compiled, plan, wanted, seed);
const answered = (item: Item, said: object, task: FlockTask) =>
  scoreOf(asked(task), item, { groups: [], sure: 'sure', ...said }).right;
const SEEDS = ['a', 'b', 'c', 'd', 'e', 'f'];

describe.each(guides)('many at once of $name', (guide) => {
  it.each(['odd', 'many', 'tally'] as const)('%s: the same from the same seed, nobody on another, all in the picture', (task) => {
    for (const seed of SEEDS.slice(0, 3)) {
      const item = make(guide, asked(task), seed)!;
      expect(make(guide, asked(task), seed)).toEqual(item);
      const { members, size, individuals, across } = item.flock!;
      expect(members.every(({ of: own }) => individuals[own])).toBe(true);
      // Its square is as wide as high.
      const inside = members.map(({ x, y }) => Math.min(x, 1 - x, y / across, (1 - y) / across));
      expect(Math.min(...inside)).toBeGreaterThanOrEqual(size / 2 - 1e-9);
      const apart = members.flatMap(({ x, y }, i) =>
        members.slice(0, i).map((other) => Math.max(Math.abs(x - other.x), Math.abs(y - other.y) / across)),
      );
      expect(Math.min(...apart)).toBeGreaterThanOrEqual(size - 1e-9);
    }
  });

  it('one of twenty is odd, and each can be told by itself', () => {
    const { compiled } = guide;
    const grouping = groupsAt(compiled, SPECIES);
    for (const seed of SEEDS.slice(0, 3)) {
      const item = make(guide, asked('odd'), seed)!;
      const { members, individuals } = item.flock!;
      expect(members).toHaveLength(20);
      expect(members.filter(({ of: own }) => individuals[own].group === item.truth.group)).toHaveLength(1);
      expect(individuals[members[oddOf(item)].of].readings).toEqual(item.truth.readings);
      // Weighed once more, between the two alone and each as likely.
      const sides = item.choices.map(({ id }) =>
        formsIn(
          grouping,
          grouping.groups.findIndex((group) => group.id === id),
        ),
      );
      const mass = sides.map((forms) => forms.reduce((sum, f) => sum + compiled.base[f], 0));
      const forms = compiled.base.map((base, f) => {
        const side = sides.findIndex((all) => all.includes(f));
        return side < 0 ? -1e4 : Math.log2(base / mass[side]);
      });
      for (const { group, readings } of individuals) {
        const masses = groupMasses(grouping, fromPrior(compiled, { forms: Float64Array.from(forms), outside: -1e4 }, readings).p);
        const [first] = ranked(masses);
        expect(grouping.groups[first].id).toBe(group);
        expect(masses[first]).toBeGreaterThanOrEqual(compiled.guide.settings.call.posterior);
      }
      expect(answered(item, { picked: oddOf(item) }, 'odd')).toBe(true);
      expect(answered(item, { picked: (oddOf(item) + 1) % 20 }, 'odd')).toBe(false);
      const why = whyOf(compiled, item, [])!;
      expect(item.choices.map(({ id }) => id)).toContain(why.other.id);
      expect(why.readings[0].bits).toBeGreaterThan(0);
    }
  });
});

it('a number is anything from a dozen to some hundreds, low ones as often as high ones for their size', () => {
  const crabs = of('ledge-crabs');
  const items = Array.from({ length: 120 }, (_, i) => make(crabs, asked('many'), `n${i}`)!);
  const numbers = items.map(({ flock }) => flock!.members.length);
  expect(Math.min(...numbers)).toBeGreaterThanOrEqual(12);
  expect(Math.max(...numbers)).toBeLessThanOrEqual(240);
  // The middle of equal ratios is the geometric one.
  const below = numbers.filter((n) => n < Math.sqrt(12 * 240)).length / numbers.length;
  expect(Math.abs(below - 0.5)).toBeLessThan(0.14);
  for (const item of items.slice(0, 5)) {
    const n = item.flock!.members.length;
    expect(new Set(item.flock!.individuals.map(({ group }) => group)).size).toBe(1);
    expect(whyOf(crabs.compiled, item, [])).toBeUndefined();
    for (const [number, right] of [
      [n, true],
      [Math.floor(n * 1.2), true],
      [Math.ceil(n / 1.2), true],
      [Math.ceil(n * 1.2) + 1, false],
      [Math.floor(n / 1.2) - 1, false],
      [0, false],
    ] as const)
      expect([number, answered(item, { number }, 'many')]).toEqual([number, right]);
    expect(answered(item, {}, 'many')).toBe(false);
  }
});

it('a colony that is sexed is of one species, and its counts are right but for one, or one in twenty', () => {
  const sexed = guides.flatMap((guide) => {
    const item = make(guide, asked('tally', { level: SEX }), 'a');
    return item ? [{ guide, item }] : [];
  });
  expect(sexed.length).toBeGreaterThan(0);
  for (const { guide } of sexed)
    for (const seed of SEEDS) {
      const item = make(guide, asked('tally', { level: SEX }), seed)!;
      const { individuals, members } = item.flock!;
      const species = groupByRank(guide.compiled, 'species');
      const grouping = groupsAt(guide.compiled, SEX);
      const counts = countsOf(item.flock!);
      expect([...counts.values()].reduce((sum, n) => sum + n, 0)).toBe(members.length);
      expect(item.choices).toHaveLength(2);
      const form = guide.compiled.forms.findIndex(({ id }) => id === item.truth.form);
      const own = species.groups.findIndex((_, s) => formsIn(species, s).includes(form));
      // Both sexes are of that species: it has forms of each.
      for (const { id } of item.choices) {
        const g = grouping.groups.findIndex((group) => group.id === id);
        expect(formsIn(grouping, g).some((f) => species.of[f] === own)).toBe(true);
      }
      expect(individuals.every(({ group }) => item.choices.some(({ id }) => id === group))).toBe(true);
      const right = Object.fromEntries(item.choices.map(({ id }) => [id, counts.get(id) ?? 0]));
      const [first, second] = item.choices.map(({ id }) => id);
      const off = (a: number, b: number) =>
        answered(item, { counts: { ...right, [first]: right[first] + a, [second]: right[second] + b } }, 'tally');
      expect([off(0, 0), off(1, 0), off(1, 1), off(-2, 2)]).toEqual([true, true, false, false]);
      expect(answered(item, {}, 'tally')).toBe(false);
    }
});

it('of one group alone nothing is to be told: no item, and no flock with an odd one', () => {
  for (const guide of guides) {
    const [own] = groupsAt(guide.compiled, SPECIES).groups;
    const groups = [own.id, 'no-such'];
    expect(make(guide, { level: SPECIES, groups }, 'a')).toBeUndefined();
    expect(make(guide, asked('odd', { groups }), 'a')).toBeUndefined();
    for (const seed of SEEDS) expect(make(guide, { level: SPECIES }, seed)!.choices.length).toBeGreaterThan(1);
  }
});

it('two that cannot be told in a drawing make no flock with an odd one', () => {
  const guide = of('ledge-crabs');
  const blind = { ...guide.plan, views: [] };
  expect(practiceItem(guide.compiled, blind, asked('odd'), 'a')).toBeUndefined();
  expect(make(guide, asked('odd', { groups: ['murica', 'no-such'] }), 'a')).toBeUndefined();
});
