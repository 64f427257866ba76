import fc from 'fast-check';
import { demoGuides } from '../../demo';
import { seeded } from '../probability';
import { drawnGuide } from '../test/plans';
import { commandCount, plateSvg, traitsOf } from '.';
import { lengthOf } from './measure';

/** What every body plan must keep, whichever animal or plant it draws. */
describe.each(demoGuides.map((guide) => [guide.title, guide] as const))('%s', (_, guide) => {
  const { compiled, plan, usual } = drawnGuide(guide);
  const forms = compiled.forms.flatMap(({ cross }, f) => (cross ? [] : [f]));
  const states = guide.characters.filter(({ plate, states: listed }) => plate && listed);

  it('fits the budget of a full plate in every view, for every form', () => {
    for (const view of plan.views)
      for (const form of forms) {
        const plate = plan.draw(usual(form), view, 'full');
        const size = plate.inks.reduce((sum, ink) => sum + ink.d.length, 0);
        expect([compiled.forms[form].id, view, size < 60_000]).toEqual([compiled.forms[form].id, view, true]);
      }
  });

  it('draws any individual the scores allow, with no broken number', () => {
    fc.assert(
      fc.property(fc.nat(forms.length - 1), fc.integer(), fc.constantFrom(...plan.views), (at, seed, view) => {
        const plate = plan.draw(traitsOf(compiled, forms[at], seeded(seed)), view, 'thumb');
        expect(plateSvg(plate, 200, 'x')).not.toMatch(/NaN|undefined|Infinity/);
      }),
      { numRuns: 15 },
    );
  });

  it('draws the same thing twice alike', () => {
    for (const view of plan.views) expect(plan.draw(usual(0), view, 'thumb')).toEqual(plan.draw(usual(0), view, 'thumb'));
  });

  it.each(states.map((character) => [character.id, character] as const))(
    'draws each state of %s as a tile of its own, within 150 commands',
    (__, character) => {
      const tiles = character.states!.flatMap(({ id }) => plan.tile(character, id) ?? []);
      for (const tile of tiles) expect(commandCount(tile)).toBeLessThan(150);
      const looks = new Set(tiles.map(({ inks, box }) => JSON.stringify([inks, box])));
      expect(looks.size).toBe(tiles.length);
      expect([0, character.states!.length]).toContain(tiles.length);
    },
  );

  it('measures on the drawing what is scored, as a ratio of two lengths', () => {
    const ratios = guide.characters.filter(({ kind, id }) => kind === 'ratio' && plan.measures(usual(forms[0]), id).length === 2);
    expect(ratios.length).toBeGreaterThan(0);
    for (const form of forms)
      for (const { id } of ratios) {
        const traits = usual(form);
        // Not every form has what is measured.
        if (!(id in traits)) continue;
        const [over, under] = plan.measures(traits, id).map(lengthOf);
        expect([id, over / under]).toEqual([id, expect.closeTo(traits[id] as number, 1)]);
      }
  });
});
