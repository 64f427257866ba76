import fc from 'fast-check';
import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { seeded } from '../probability';
import { compileGuide, formsOf } from '../guide';
import { commandCount, cropPlate, curvePath, discPath, dotPath, linePath, type Plate, squareRound } from './display';
import {
  add,
  boxOf,
  curve,
  distance,
  distanceTo,
  flat,
  grow,
  handles,
  mirrored,
  mix,
  type Point,
  polar,
  rotate,
  runsClockwise,
  sample,
} from './geometry';
import { finish, grains, newPen, note, roundTone, shape, stroke, wash } from './pen';
import { reduced } from './reduced';
import { traitsOf, traitsRead } from '.';

const square: Point[] = [
  [0, 0],
  [10, 0],
  [10, 10],
  [0, 10],
];

describe('curves', () => {
  it('pass through their points', () => {
    const c = curve(square);
    expect(sample(c, 4).filter((_, i) => i % 4 === 0)).toEqual(square);
  });

  it('turn a corner at sharp points and nowhere else', () => {
    const round = handles(curve(square), 0);
    const cornered = handles(curve(square, [0, 1]), 0);
    // Between two sharp points the line is straight: its handles lie on it.
    expect(cornered[1][1]).toBe(0);
    expect(cornered[2][1]).toBe(0);
    expect(round[1][1]).not.toBe(0);
  });

  it('mirrored twice are themselves', () => {
    const c = curve(square, [2]);
    const twice = mirrored(mirrored(c));
    expect(twice.points).toEqual(c.points);
    expect([...twice.sharp]).toEqual([2]);
    expect([...mirrored(c).sharp]).toEqual([1]);
  });

  it('mirrored run the other way round, which the order of points puts right', () => {
    expect(runsClockwise(square)).toBe(true);
    expect(runsClockwise(mirrored(curve(square)).points)).toBe(true);
    expect(runsClockwise([...square].reverse())).toBe(false);
  });
});

describe('points', () => {
  const coordinate = fc.double({ min: -100, max: 100, noNaN: true });
  const point = fc.tuple(coordinate, coordinate);

  it('turned and turned back are where they were', () => {
    fc.assert(
      fc.property(point, point, fc.double({ min: -360, max: 360, noNaN: true }), (p, about, degrees) => {
        const back = rotate(rotate(p, about, degrees), about, -degrees);
        expect(distance(back, p)).toBeLessThan(1e-9);
        expect(distance(rotate(p, about, degrees), about)).toBeCloseTo(distance(p, about), 6);
      }),
    );
  });

  it('lie as far off as they were put', () => {
    fc.assert(
      fc.property(
        point,
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (from, degrees, length) => {
          expect(distance(from, polar(from, degrees, length))).toBeCloseTo(length, 8);
        },
      ),
    );
  });

  it('are measured to a line, not to its ends alone', () => {
    const line = flat([
      [0, 0],
      [10, 0],
    ]);
    expect(distanceTo(line, 5, 3)).toBeCloseTo(3);
    expect(distanceTo(line, 13, 4)).toBeCloseTo(5);
  });

  it('mix and add as vectors do', () => {
    expect(mix([0, 0], [10, 20], 0.25)).toEqual([2.5, 5]);
    expect(add([1, 2], [3, 4])).toEqual([4, 6]);
    expect(grow(boxOf(square), 1)).toEqual({ x: -1, y: -1, width: 12, height: 12 });
    expect(squareRound({ x: 0, y: 0, width: 10, height: 4 }, 0.1)).toEqual({ x: -1, y: -4, width: 12, height: 12 });
  });
});

describe('paths', () => {
  it('are written in hundredths of a millimetre, relative and without needless spaces', () => {
    expect(
      linePath([
        [0, 0],
        [1, -1],
        [1, -1],
        [0.5, 2],
      ]),
    ).toBe('M0 0l100-100-50 300z');
    expect(
      dotPath([
        [1, 1],
        [2, 0.5],
      ]),
    ).toBe('M100 100h0m100-50h0');
    expect(discPath([{ at: [1, 1], radius: 0.5 }])).toBe('M50 100a50 50 0 1 0 100 0a50 50 0 1 0-100 0z');
    expect(curvePath(curve(square, [0, 1, 2, 3]))).toMatch(/^M0 0c/);
  });

  it('are counted by what they draw', () => {
    const count = (d: string) => commandCount({ inks: [{ d, part: 'x' }] });
    expect(count('M0 0l1 1 2 2 3 3z')).toBe(5);
    expect(count('M0 0c1 1 2 2 3 3 1 1 2 2 3 3z')).toBe(4);
    expect(count('M0 0h0m1-1h0')).toBe(4);
  });
});

describe('a plate drawn larger than it is', () => {
  const plate = (d: string): Plate => ({
    box: { x: 10, y: -20, width: 100, height: 50 },
    parts: { head: { x: 10, y: 0, width: 20, height: 5 } },
    inks: [{ d, part: 'head', strokeWidth: 25 }],
  });
  const by = (d: string, k: number) => reduced(plate(d), k).inks[0].d;
  /** Where a path of relative curves comes to, knot by knot. */
  const knots = (d: string): Point[] => {
    const [, x, y] = /^M(-?[\d.]+) ?(-?[\d.]+)/.exec(d)!;
    let at: Point = [Number(x), Number(y)];
    return [...d.matchAll(/([cs])([^a-zA-Z]*)/g)].flatMap(([, letter, rest]) => {
      const numbers = rest.match(/-?(\d+\.?\d*|\.\d+)/g)!.map(Number);
      const takes = letter === 'c' ? 6 : 4;
      return Array.from(
        { length: numbers.length / takes },
        (_, i) => (at = add(at, [numbers[(i + 1) * takes - 2], numbers[(i + 1) * takes - 1]])),
      );
    });
  };

  it('has its box, its parts and its lines at its own size', () => {
    expect(reduced(plate('M0 0l1 1z'), 10)).toMatchObject({
      box: { x: 1, y: -2, width: 10, height: 5 },
      parts: { head: { x: 1, y: 0, width: 2, height: 0.5 } },
      inks: [{ strokeWidth: 2.5, part: 'head' }],
    });
  });

  it('has every knot of a curve where it was, to a thousandth of a millimetre', () => {
    const coordinate = fc.double({ min: -40, max: 40, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 12 }),
        fc.constantFrom(2, 10),
        (points, k) => {
          const drawn = curvePath(curve(points.map(([x, y]): Point => [x * k, y * k])));
          const small = by(drawn, k);
          expect(commandCount({ inks: [{ d: small, part: 'x' }] })).toBe(commandCount({ inks: [{ d: drawn, part: 'x' }] }));
          knots(small).forEach(([x, y], i) => {
            const [tx, ty] = points[(i + 1) % points.length];
            expect(Math.max(Math.abs(x / 100 - tx), Math.abs(y / 100 - ty))).toBeLessThan(0.0051 / k + 1e-9);
          });
        },
      ),
      { numRuns: 60 },
    );
  });

  it('keeps the flags of arcs, ten and a half for ten and a half, and dots and hatches at hundredths', () => {
    expect(by('M105-5a50 50 0 1 0 100 0z', 10)).toBe('M10.5-.5a5 5 0 1 0 10 0z');
    expect(by('M105 104h0m4-9h0', 10)).toBe('M11 10h0m0 0h0');
    expect(by('M14 26l14-26', 10)).toBe('M1 3l1-3');
  });
});

describe('the pen', () => {
  const outline = curve(square);
  const layers = (detail: 'full' | 'tile') => {
    const pen = newPen(10, detail);
    shape(pen, { outline, part: 'shell', tint: '#abc', tone: () => 0.3 }, () => wash(pen, 'shell', square, '#def'));
    return pen.inks;
  };

  it('lays tint, pattern, stipple, hatching and contour, in this order', () => {
    const inks = layers('full');
    expect(inks[0].fill).toBe('#abc');
    expect(inks[1].fill).toBe('#def');
    expect(inks.slice(2, -2).every((ink) => ink.stroke && ink.d.includes('h0'))).toBe(true);
    expect(inks.at(-2)).toMatchObject({ stroke: expect.any(String), d: expect.stringMatching(/^M[-\d ]+l/) });
    expect(inks.at(-1)!.stroke).toBeUndefined();
  });

  it('draws tiles with few commands and no stipple', () => {
    expect(layers('tile')).toHaveLength(2);
    expect(commandCount({ inks: layers('tile') })).toBeLessThan(commandCount({ inks: layers('full') }) / 5);
  });

  it('hatches only the shaded edge, and never beyond it', () => {
    const hatch = layers('full').at(-2)!;
    const points = hatch.d
      .split('M')
      .filter(Boolean)
      .flatMap((line) => pointsOf(`M${line}`));
    const box = boxOf(points);
    const whole = boxOf(sample(outline, 8).map(([x, y]): Point => [x * 100, y * 100]));
    expect(box.x).toBeGreaterThanOrEqual(whole.x - 1);
    expect(box.x + box.width).toBeLessThanOrEqual(whole.x + whole.width + 1);
    expect(box.y + box.height).toBeLessThanOrEqual(whole.y + whole.height + 1);
    expect(points.length).toBeGreaterThan(8);
  });

  it('makes the contour thicker away from the light', () => {
    const ribbon = layers('full').at(-1)!.d.split('M').filter(Boolean);
    const corners = (ring: string) => boxOf(pointsOf(`M${ring}`));
    const [outer, inner] = ribbon.map(corners);
    const lit = inner.x - outer.x;
    const shaded = outer.x + outer.width - (inner.x + inner.width);
    expect(shaded).toBeGreaterThan(lit * 1.5);
  });

  it('tapers open lines and rings grains', () => {
    const pen = newPen(10, 'full');
    stroke(
      pen,
      'groove',
      curve(
        [
          [0, 0],
          [5, 1],
          [10, 0],
        ],
        [],
        false,
      ),
      0.02,
    );
    grains(
      pen,
      'shell',
      [
        [1, 1],
        [2, 2],
      ],
      0.1,
      '#fff',
      0.4,
    );
    expect(pen.inks).toHaveLength(3);
    expect(pen.inks[1].strokeWidth).toBeGreaterThan(pen.inks[2].strokeWidth!);
  });

  it('remembers where parts lie and frames them all', () => {
    const pen = newPen(10, 'tile');
    note(pen, 'eye', [
      [2, 2],
      [3, 3],
    ]);
    note(pen, 'eye', [[5, 1]]);
    note(pen, 'leg', [[-4, 0]]);
    const plate = finish(pen, 0.1);
    expect(plate.parts.eye).toEqual({ x: 2, y: 1, width: 3, height: 2 });
    expect(plate.box).toEqual({ x: -5, y: -1, width: 11, height: 5 });
    expect(cropPlate(plate, plate.parts.eye, new Set(['eye'])).box).toEqual(plate.parts.eye);
  });

  it('shades a round part at its far edge and leaves the near one bare', () => {
    const tone = roundTone(sample(curve(square), 6), 3, 0.05, 0.8);
    expect(tone(9.4, 9.4, 0)).toBeGreaterThan(0.3);
    expect(tone(0.6, 0.6, 0)).toBeCloseTo(0.05);
    expect(tone(5, 5, 0)).toBeLessThan(0.2);
  });
});

/** The points of a path of one move and relative lines. */
function pointsOf(d: string): Point[] {
  const numbers = d.match(/-?\d+/g)!.map(Number);
  let [x, y] = numbers;
  const points: Point[] = [[x, y]];
  for (let i = 2; i < numbers.length; i += 2) {
    x += numbers[i];
    y += numbers[i + 1];
    points.push([x, y]);
  }
  return points;
}

describe('traits', () => {
  const compiled = compileGuide(ledgeCrabs);
  const murica = formsOf(ledgeCrabs).findIndex((form) => form.id === 'murica/adult.male.plain');

  it('of a form are its usual states and the middle of its ranges', () => {
    const traits = traitsOf(compiled, murica);
    expect(traits).toMatchObject({ 'front-edge': 'three-teeth', 'side-teeth': 4, 'ground-colour': 'rust', abdomen: 'narrow' });
    expect(traits['width-ratio']).toBeCloseTo(1.16, 10);
  });

  it('of individuals vary as the scores allow', () => {
    const random = seeded('vary');
    const drawn = Array.from({ length: 400 }, () => traitsOf(compiled, murica, random));
    const share = drawn.filter((traits) => traits['front-edge'] === 'three-teeth').length / drawn.length;
    expect(share).toBeCloseTo(0.85, 1);
    const ratios = drawn.map((traits) => traits['width-ratio'] as number);
    expect(ratios.reduce((a, b) => a + b, 0) / ratios.length).toBeCloseTo(1.16, 2);
    expect(new Set(ratios).size).toBeGreaterThan(300);
  });

  it('read of a specimen leave out what was not seen', () => {
    expect(
      traitsRead(ledgeCrabs, [
        { character: 'front-edge', states: ['one-arch', 'two-lobes'] },
        { character: 'side-teeth', value: 5 },
        { character: 'width-ratio', parts: { numerator: 24, denominator: 20 } },
        { character: 'granules', status: 'not-visible' },
        { character: 'gone', states: ['x'] },
      ]),
    ).toEqual({ 'front-edge': 'one-arch', 'side-teeth': 5, 'width-ratio': 1.2 });
  });
});
