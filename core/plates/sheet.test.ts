import fc from 'fast-check';
import { demoGuides, terns } from '../../demo';
import { seeded } from '../probability';
import { compileGuide, frequenciesOf } from '../guide';
import { aberrantTraits, conceal, closedViews, leadersOf, plateSvg, scaleBar, traitsOf, VEILS } from '.';
import { planOf } from './plans';

const compiled = compileGuide(terns);
const plan = planOf(terns)!;
const plate = plan.draw(traitsOf(compiled, 2), 'perched', 'full');

describe('a scale bar', () => {
  it('is a round length of at most a quarter of the plate', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 5000, noNaN: true }), (width) => {
        const { mm, label } = scaleBar({ box: { width } });
        expect(mm).toBeLessThanOrEqual(width / 4 + 1e-9);
        expect(mm).toBeGreaterThan(width / 12);
        expect([1, 2, 5]).toContain(Number((mm / 10 ** Math.floor(Math.log10(mm) + 1e-9)).toFixed(6)));
        expect(label).toMatch(/^[\d.]+ (mm|cm|m)$/);
      }),
    );
    expect(scaleBar({ box: { width: 900 } }).label).toBe('20 cm');
  });
});

describe('leader lines', () => {
  const characters = ['bill', 'cap', 'legs', 'tail', 'primaries', 'underparts'].map((part) => ({ part, text: part }));

  it('go from the edges to the parts, apart from each other, without crossing', () => {
    const leaders = leadersOf(plate, characters, 20);
    expect(leaders).toHaveLength(6);
    for (const side of ['left', 'right'] as const) {
      const own = leaders.filter((leader) => leader.side === side);
      expect(own).toHaveLength(3);
      own.slice(1).forEach((leader, i) => {
        expect(leader.from[1] - own[i].from[1]).toBeGreaterThanOrEqual(20 - 1e-9);
        expect(leader.to[1]).toBeGreaterThanOrEqual(own[i].to[1]);
      });
    }
    const bill = leaders.find(({ part }) => part === 'bill')!;
    const box = plate.parts.bill;
    expect(bill.to[0]).toBeCloseTo(box.x + box.width / 2, 6);
  });

  it('leave out what is not drawn, and say two characters of one part on one line', () => {
    expect(leadersOf(plate, [{ part: 'wheel', text: 'x' }], 5)).toEqual([]);
    expect(
      leadersOf(
        plate,
        [
          { part: 'bill', text: 'red' },
          { part: 'bill', text: 'long' },
        ],
        5,
      ).map(({ text }) => text),
    ).toEqual(['red; long']);
  });
});

describe('concealment', () => {
  it.each(VEILS)('%s lies over the drawing and changes nothing of it', (veil) => {
    const seen = conceal(plate, [{ veil, amount: 0.7, seed: 'a' }]);
    expect(seen.inks.slice(0, plate.inks.length)).toEqual(plate.inks);
    expect(seen.parts).toEqual(plate.parts);
    expect(seen).not.toEqual(plate);
    expect(conceal(plate, [{ veil, amount: 0.7, seed: 'a' }])).toEqual(seen);
    expect(conceal(plate, [{ veil, amount: 0, seed: 'a' }])).toEqual(plate);
    expect(plateSvg(seen, 300, 'x')).not.toMatch(/NaN|undefined/);
  });

  it('is worse with a greater amount', () => {
    const size = (amount: number) => conceal(plate, [{ veil: 'foliage', amount, seed: 'a' }]).inks.length;
    expect(size(1)).toBeGreaterThan(size(0.3));
    expect(conceal(plate, [{ veil: 'distance', amount: 1, seed: 'a' }]).box.width).toBeCloseTo(5 * plate.box.width, 6);
    const blurred = conceal(plate, [{ veil: 'blur', amount: 1, seed: 'a' }]);
    expect(plateSvg(blurred, 300, 'x')).toContain('feGaussianBlur');
  });

  it('differs with its seed, and layers lie over each other in order', () => {
    const layer = (seed: string) => conceal(plate, [{ veil: 'dirt', amount: 0.5, seed }]);
    expect(layer('a')).not.toEqual(layer('b'));
    const both = conceal(plate, [
      { veil: 'dirt', amount: 0.5, seed: 'a' },
      { veil: 'glare', amount: 0.5, seed: 'a' },
    ]);
    expect([...new Set(both.inks.slice(plate.inks.length).map(({ part }) => part))]).toEqual(['dirt', 'glare']);
  });

  it('closed wings show another view', () => {
    expect(closedViews(terns)).toEqual({ below: 'perched', 'head-on': 'perched' });
    for (const guide of demoGuides)
      for (const [open, shut] of Object.entries(closedViews(guide)))
        expect(planOf(guide)!.views).toEqual(expect.arrayContaining([open, shut]));
  });
});

describe('an aberrant individual', () => {
  it('shows one state that its form seldom has, and the rest as scored', () => {
    fc.assert(
      fc.property(fc.integer(), fc.nat(compiled.forms.length - 1), (seed, form) => {
        const { traits, aberrant } = aberrantTraits(compiled, form, seeded(seed));
        expect(aberrant).toBeDefined();
        const table = compiled.tables.get(aberrant!)!;
        const p = table.type === 'states' ? frequenciesOf(table, form).find(({ state }) => state === traits[aberrant!])!.p : 1;
        expect(p).toBeLessThanOrEqual(0.06);
      }),
      { numRuns: 50 },
    );
  });
});
