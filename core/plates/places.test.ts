import { demoGuides } from '../../demo';
import { type Character } from '../guide';
import { traitOf } from '.';
import { planOf } from './plans';

const drawn = demoGuides.filter(({ plan }) => plan).map((guide) => ({ guide, plan: planOf(guide)! }));

describe('where traits show', () => {
  it.each(drawn.map((one) => [one.guide.plan, one] as const))(
    'on the plan of a %s: each has its view and its part',
    (_, { guide, plan }) => {
      expect(Object.keys(plan.places).sort()).toEqual(Object.keys(plan.vocabulary).sort());
      for (const { view } of Object.values(plan.places)) expect(plan.views).toContain(view);
      // A guide that says it itself says the same.
      const own = guide.characters.flatMap(({ id, plate }) => {
        const trait = traitOf(guide, plan.vocabulary, id);
        return trait && plate ? [[trait, plate]] : [];
      });
      expect(own.length).toBeGreaterThan(10);
      for (const [trait, plate] of own as [string, NonNullable<Character['plate']>][])
        expect([trait, plan.places[trait]]).toEqual([trait, plate]);
    },
  );

  it.each(drawn.map((one) => [one.guide.plan, one] as const))(
    'the words of most traits of a %s have tiles there',
    (_, { guide, plan }) => {
      const bare = planOf({ plan: guide.plan, characters: [], views: [] })!;
      const worded = Object.entries(plan.vocabulary).filter((entry): entry is [string, readonly string[]] =>
        Array.isArray(entry[1]),
      );
      const tiled = worded.filter(([trait, words]) =>
        words.every((word) => bare.tile({ ...guide.characters[0], id: trait, plate: plan.places[trait] }, word)),
      );
      expect(tiled.length / worded.length).toBeGreaterThan(0.9);
    },
  );
});
