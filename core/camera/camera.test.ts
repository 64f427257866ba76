import { demoGuides } from '@plesion/demo';
import { compileGuide, type Quantity } from '../guide';
import { measure, type PixelPoint, type PointSet, type Scale } from '../measure';
import { planOf } from '../plates/plans';
import { normal, seeded } from '../probability';
import { type Framed, frameShot, type Shot, STROKES } from '.';

const guides = demoGuides.map((guide) => ({ guide, compiled: compileGuide(guide), plan: planOf(guide)! }));
const of = (id: string) => guides.find(({ guide }) => guide.id === id)!;
const shoot = (id: string, shot: Shot, seed = 's') => frameShot(of(id).compiled, of(id).plan, shot, seed);

/** A measured character as landmarks: the lines that the truth tells of, each as a curve. */
function asked({ truth }: Framed, sd: number, random: () => number) {
  const shaken = ([x, y]: readonly [number, number]): PixelPoint => [x + sd * normal(random), y + sd * normal(random)];
  const points: PointSet = {};
  const quantities = truth.measures.flatMap<Quantity>(({ character, unit, lines }) => {
    lines.forEach((line, i) => (points[`${character}-${i}`] = line.map(shaken)));
    const line = (i: number) => ({ points: [`${character}-${i}`] });
    if (unit === '°') {
      lines[0].forEach((at, k) => (points[`${character}-at-${k}`] = shaken(at)));
      const ids = [0, 1, 2].map((k) => `${character}-at-${k}`) as [string, string, string];
      return [{ id: character, kind: 'angle' as const, points: ids }];
    }
    return unit === 'mm'
      ? [{ id: character, kind: 'length' as const, line: line(0) }]
      : [{ id: character, kind: 'ratio' as const, numerator: line(0), denominator: line(1) }];
  });
  const scale: Scale = { kind: 'grid', points: truth.scale.map(({ at, mm }) => ({ at: shaken(at), mm: [...mm] })) };
  return measure({ points, quantities, scale, pointingSd: sd });
}

describe('the simulated field camera', () => {
  it('takes the same photograph for the same seed, and another individual for another', () => {
    const [a, b, c] = ['s', 's', 't'].map((seed) => shoot('ledge-crabs', { view: 'dorsal' }, seed));
    expect(a).toEqual(b);
    expect(c.truth.traits).not.toEqual(a.truth.traits);
    expect(shoot('ledge-crabs', { view: 'dorsal', form: a.truth.form }, 'other').truth.form).toBe(a.truth.form);
  });

  it('knows where those stand that stand on something: at the feet of each, in the picture', () => {
    const at = (view: string, specimens: number) => shoot('tessary-terns', { view, specimens }).stands;
    const [alone] = at('perched', 1);
    expect(alone).toBeGreaterThan(600);
    expect(alone).toBeLessThan(1200);
    // Two in the upper row, one below them.
    const [one, beside, under] = at('perched', 3);
    expect(Math.abs(one - beside)).toBeLessThan(30);
    expect(under - one).toBeGreaterThan(120);
    expect([at('below', 1), shoot('ledge-crabs', { view: 'dorsal' }).stands]).toEqual([[], []]);
    // What the plate stands a bird on is no part of the picture.
    expect(shoot('tessary-terns', { view: 'perched' }).inks.filter(({ part }) => part === 'ground')).toEqual([]);
  });

  it('knows where each landmark is seen: set there, every character measures what it truly is', () => {
    let told = 0;
    for (const { guide, compiled, plan } of guides)
      for (const view of plan.views) {
        const framed = frameShot(compiled, plan, { view, tilt: 12, scaleBar: 'grid' }, `${guide.id} ${view}`);
        if (framed.truth.measures.length === 0) continue;
        const { values } = asked(framed, 1e-6, seeded(1));
        for (const { character, value } of framed.truth.measures) {
          const found = values.find(({ quantity }) => quantity === character)!;
          expect([character, found.value / value]).toEqual([character, expect.closeTo(1, 4)]);
          told++;
        }
      }
    expect(told).toBeGreaterThan(20);
  });

  it('lays several individuals side by side, each with its own truth, and none on another', () => {
    const framed = shoot('ledge-crabs', { view: 'dorsal', specimens: 5, scaleBar: 'grid', tilt: 8 });
    const { truth, box } = framed;
    expect(truth.others).toHaveLength(4);
    const spans = [truth, ...truth.others!].map(({ measures }) => {
      const xs = measures.find(({ character }) => character === 'carapace-width')!.lines[0];
      return { x0: Math.min(...xs.map(([x]) => x)), x1: Math.max(...xs.map(([x]) => x)), y: xs[0][1] };
    });
    for (const [i, a] of spans.entries())
      for (const b of spans.slice(i + 1)) expect(a.x1 < b.x0 || b.x1 < a.x0 || Math.abs(a.y - b.y) > 40).toBe(true);
    for (const { x0, x1 } of spans) {
      expect(x0).toBeGreaterThan(box.x);
      expect(x1).toBeLessThan(box.x + box.width);
    }
    for (const one of [truth, ...truth.others!]) {
      const { values } = asked({ ...framed, truth: { ...truth, ...one } }, 1e-6, seeded(1));
      for (const { character, value } of one.measures)
        expect([character, values.find(({ quantity }) => quantity === character)!.value / value]).toEqual([
          character,
          expect.closeTo(1, 4),
        ]);
    }
    // The first is who it would be alone.
    expect(shoot('ledge-crabs', { view: 'dorsal' }).truth.traits).toEqual(truth.traits);
    expect(shoot('ledge-crabs', { view: 'dorsal' }).truth.others).toBeUndefined();
  });

  it('has a graticule of even parts across the middle of the field', () => {
    const { truth, card } = shoot('strand-beetles', { view: 'head', scaleBar: 'graticule' });
    expect(card).toHaveLength(STROKES);
    const parts = card.slice(1).map(({ at, mm }, i) => [at[0] - card[i].at[0], mm[0] - card[i].mm[0]]);
    for (const [pixels, mm] of parts) {
      expect(mm).toBeCloseTo(parts[0][1], 9);
      expect(mm / pixels).toBeCloseTo(truth.mmPerPixel, 6);
    }
  });

  it('keeps the specimen in the picture, whatever the view, the distance and the tilt', () => {
    for (const { guide, compiled, plan } of guides)
      for (const view of plan.views)
        for (const [distance, tilt] of [
          ['hand', 0],
          ['far', 30],
        ] as const) {
          const { box, width, height, truth } = frameShot(compiled, plan, { view, distance, tilt }, guide.id);
          expect(box.x).toBeGreaterThan(0);
          expect(box.y).toBeGreaterThan(0);
          expect(box.x + box.width).toBeLessThan(width);
          expect(box.y + box.height).toBeLessThan(height);
          expect(truth.mmPerPixel).toBeGreaterThan(0);
        }
  });

  it('intervals of what is measured on its photographs hold the truth in 93 to 97 of 100', () => {
    const random = seeded('camera');
    const held: Record<string, [number, number]> = {};
    const VIEWS = [
      ['ledge-crabs', 'dorsal'],
      ['tent-cones', 'back'],
      ['lantern-moths', 'spread'],
      ['strand-beetles', 'dorsal'],
    ];
    for (let i = 0; i < 96; i++) {
      const [id, view] = VIEWS[i % VIEWS.length];
      const framed = shoot(id, { view, tilt: 5 * random(), scaleBar: 'grid' }, `held ${i}`);
      // Each photograph is measured by five people.
      for (let person = 0; person < 5; person++) {
        const { values } = asked(framed, 0.5 + 2.5 * random(), random);
        for (const { character, unit, value } of framed.truth.measures) {
          const [low, high] = values.find(({ quantity }) => quantity === character)!.interval;
          const kind = unit === '°' ? 'angle' : unit === 'mm' ? 'length' : 'ratio';
          held[kind] ??= [0, 0];
          held[kind][1]++;
          if (low <= value && value <= high) held[kind][0]++;
        }
      }
    }
    for (const [kind, [within, all]] of Object.entries(held))
      expect([kind, within / all]).toEqual([kind, expect.closeTo(0.95, 1)]);
    const [within, all] = Object.values(held).reduce(([a, b], [c, d]) => [a + c, b + d]);
    expect(all).toBeGreaterThan(1500);
    expect(within / all).toBeGreaterThan(0.93);
    expect(within / all).toBeLessThan(0.97);
  });
});
