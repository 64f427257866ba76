import fc from 'fast-check';
import { ledgeCrabs } from '../../../demo/ledgeCrabs';
import { tentCones } from '../../../demo/tentCones';
import { seeded } from '../../probability';
import { compileGuide } from '../../guide';
import { commandCount, plateSvg, traitsOf } from '..';
import { planOf } from '../plans';
import { boxOf, sample } from '../geometry';
import { angleOf, lengthOf } from '../measure';
import { coneModel, coneOutline, drawCone } from '.';
import { coneMeasures } from './measures';
import { coneTile } from './tiles';

const compiled = compileGuide(tentCones, { circumstances: ['crawling'] });
const plan = planOf(tentCones)!;
const forms = compiled.forms.filter(({ cross }) => !cross).map((form) => [form.id, compiled.forms.indexOf(form)] as const);
const ratio = (traits: Record<string, string | number>, character: string) => {
  const [over, under] = coneMeasures(traits, character).map(lengthOf);
  return over / under;
};

describe('a shell drawn from its scores', () => {
  it.each(forms)('%s measures on the plate what its scores say', (_, form) => {
    const traits = traitsOf(compiled, form);
    expect(ratio(traits, 'outline-ratio')).toBeCloseTo(traits['outline-ratio'] as number, 2);
    expect(ratio(traits, 'aperture-ratio')).toBeCloseTo(traits['aperture-ratio'] as number, 2);
    expect(lengthOf(coneMeasures(traits, 'shell-length')[0])).toBeCloseTo(traits['shell-length'] as number, 6);
    expect(angleOf(coneMeasures(traits, 'spire-angle')[0])).toBeCloseTo(traits['spire-angle'] as number, 4);
  });

  it('keeps its measures in any individual the scores allow', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: forms.length - 1 }), fc.integer(), (at, seed) => {
        const traits = traitsOf(compiled, forms[at][1], seeded(seed));
        expect(ratio(traits, 'outline-ratio')).toBeCloseTo(traits['outline-ratio'] as number, 2);
        const box = boxOf(sample(coneOutline(coneModel(traits)), 8));
        expect(box.height).toBeCloseTo(traits['shell-length'] as number, 0);
      }),
      { numRuns: 20 },
    );
  });

  it.each(forms)('%s fits the budget of a full plate, in both views', (_, form) => {
    for (const view of plan.views) {
      const plate = plan.draw(traitsOf(compiled, form), view, 'full');
      expect(plate.inks.reduce((sum, ink) => sum + ink.d.length, 0)).toBeLessThan(60_000);
      expect(plateSvg(plate, 300, 'x')).not.toMatch(/NaN|undefined|Infinity/);
    }
  });

  it('is the same each time', () => {
    const traits = traitsOf(compiled, 0);
    expect(drawCone(traits, 'back')).toEqual(drawCone(traits, 'back'));
  });

  it('stays within its outline: nothing is drawn beside the shell', () => {
    for (const [, form] of forms) {
      const traits = traitsOf(compiled, form);
      const plate = drawCone(traits, 'back');
      const half = ((traits['shell-length'] as number) * (traits['outline-ratio'] as number)) / 2;
      for (const ink of plate.inks) {
        const [, x] = /^M(-?\d+)/.exec(ink.d) ?? [];
        expect(Math.abs(Number(x ?? 0)) / 100).toBeLessThan(half * 1.06);
      }
    }
  });
});

describe('one score changed', () => {
  const base = { ...traitsOf(compiled, forms[0][1]) };
  const inksOf = (traits: typeof base, view: 'back' | 'aperture') => drawCone(traits, view).inks;

  it('the colour inside the opening changes the opening, and only where it shows', () => {
    const other = { ...base, 'aperture-colour': 'orange' };
    expect(inksOf(other, 'back')).toEqual(inksOf(base, 'back'));
    const changed = inksOf(other, 'aperture').filter(
      (ink, i) => JSON.stringify(ink) !== JSON.stringify(inksOf(base, 'aperture')[i]),
    );
    expect(changed.map(({ part }) => part)).toEqual(['aperture']);
  });

  it('the stain changes the base alone', () => {
    const none = inksOf({ ...base, 'base-stain': 'none' }, 'back');
    expect(inksOf(base, 'back').filter(({ part }) => part !== 'base')).toEqual(none.filter(({ part }) => part !== 'base'));
  });

  it('the siphon changes nothing of the shell', () => {
    expect(inksOf({ ...base, siphon: 'banded' }, 'back')).toEqual(inksOf(base, 'back'));
  });
});

describe('tiles', () => {
  const drawable = tentCones.characters.filter(({ plate, states }) => plate && states);

  it.each(drawable.map((character) => [character.id, character] as const))(
    'of %s all look different, within 150 commands',
    (_, character) => {
      const drawn = character.states!.map(({ id }) => coneTile(character, id)!);
      for (const tile of drawn) expect(commandCount(tile)).toBeLessThan(150);
      expect(new Set(drawn.map((tile) => JSON.stringify(tile.inks))).size).toBe(drawn.length);
    },
  );

  it('are square windows on a part', () => {
    const tile = coneTile(
      tentCones.characters.find(({ id }) => id === 'shoulder')!,
      'knobbed',
    )!;
    expect(tile.box.width).toBeCloseTo(tile.box.height, 6);
  });

  it('are none for what is not drawn', () => {
    expect(
      coneTile(
        tentCones.characters.find(({ id }) => id === 'lip')!,
        'thin',
      ),
    ).toBeUndefined();
    expect(coneTile({ ...tentCones.characters[0], plate: { view: 'back', part: 'wing' } }, 'x')).toBeUndefined();
  });
});

describe('plans', () => {
  it('are chosen by the guide, each with views of its own', () => {
    expect(plan.views).toEqual(['back', 'aperture']);
    expect(planOf(ledgeCrabs)!.views).toEqual(['dorsal', 'ventral']);
    expect(planOf({ characters: [], views: [] })).toBeUndefined();
  });

  it('angles are measured at the middle point', () => {
    expect(
      angleOf({
        name: 'a',
        line: [
          [1, 0],
          [0, 0],
          [0, 1],
        ],
      }),
    ).toBeCloseTo(90, 9);
    expect(
      angleOf({
        name: 'a',
        line: [
          [-1, 1],
          [0, 0],
          [-1, -1],
        ],
      }),
    ).toBeCloseTo(90, 9);
  });
});
