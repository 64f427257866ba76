import fc from 'fast-check';
import { normal, seeded } from '../probability';
import type { Quantity } from '../guide';
import { measure, type PixelPoint, type PointSet, type Scale } from '.';

const line = (...points: string[]) => ({ points });
const QUANTITIES: Quantity[] = [
  { id: 'width', kind: 'length', line: line('left', 'right') },
  { id: 'curve', kind: 'length', line: line('curve') },
  { id: 'ratio', kind: 'ratio', numerator: line('left', 'right'), denominator: line('front', 'back') },
  { id: 'shared', kind: 'ratio', numerator: line('front', 'left'), denominator: line('front', 'back') },
  { id: 'reach', kind: 'reach', tip: 'left', past: 'front', from: 'front', to: 'back', denominator: line('left', 'right') },
  { id: 'angle', kind: 'angle', points: ['left', 'front', 'right'] },
  { id: 'area', kind: 'area', outline: 'outline' },
  { id: 'roundness', kind: 'roundness', outline: 'outline' },
  { id: 'dip', kind: 'dip', path: 'dip' },
];

/** True places in mm on the specimen. */
const TRUE: PointSet = {
  left: [2, 10],
  right: [31, 12],
  front: [16, 2],
  back: [17, 27],
  curve: Array.from({ length: 9 }, (_, i): PixelPoint => [4 + 3 * i, 20 + 4 * Math.sin(i / 2)]),
  outline: Array.from({ length: 14 }, (_, i): PixelPoint => {
    const t = (2 * Math.PI * i) / 14;
    return [16 + 13 * Math.cos(t), 14 + 9 * Math.sin(t) + 2 * Math.cos(2 * t)];
  }),
  dip: [
    [5, 5],
    [9, 10],
    [14, 14],
    [20, 15],
    [26, 11],
    [30, 5],
  ],
};

type Camera = (mm: PixelPoint) => PixelPoint;

const each = (set: PointSet, to: Camera): PointSet =>
  Object.fromEntries(
    Object.entries(set).map(([id, place]) => [
      id,
      typeof place[0] === 'number' ? to(place as PixelPoint) : (place as PixelPoint[]).map(to),
    ]),
  );

/** A camera straight above, of so many pixels to a mm; or tilted, by a plane projection. */
const straight =
  (k: number): Camera =>
  ([x, y]) => [40 + k * x, 60 + k * y];
const tilted =
  (k: number, degrees: number): Camera =>
  ([x, y]) => {
    const a = (degrees * Math.PI) / 180;
    const far = 150 + y * Math.sin(a);
    return [400 + (k * 150 * (x - 16)) / far, 300 + (k * 150 * (y - 15) * Math.cos(a)) / far];
  };

const exactly = (camera: Camera, scale?: Scale) =>
  new Map(
    measure({ points: each(TRUE, camera), quantities: QUANTITIES, scale, pointingSd: 1e-6 }).values.map(({ quantity, value }) => [
      quantity,
      value,
    ]),
  );
const bar = (camera: Camera, mm = 20): Scale => ({
  kind: 'lengths',
  references: [{ ends: [camera([0, 30]), camera([mm, 30])], mm }],
});
const grid = (camera: Camera): Scale => ({
  kind: 'grid',
  points: [0, 10, 20, 30].flatMap((x) => [0, 15, 30].map((y) => ({ at: camera([x, y]), mm: [x, y] as [number, number] }))),
});

describe('what is worked out of points', () => {
  it('is what a ruler says of the thing itself, with a bar on a straight photo and a grid on a tilted one', () => {
    const straightOn = exactly(straight(12), bar(straight(12)));
    expect(straightOn.get('width')).toBeCloseTo(Math.hypot(29, 2), 9);
    expect(straightOn.get('ratio')).toBeCloseTo(Math.hypot(29, 2) / Math.hypot(1, 25), 9);
    const outline = TRUE.outline as PixelPoint[];
    const shoelace = outline.reduce((sum, [x, y], i) => {
      const [nx, ny] = outline[(i + 1) % outline.length];
      return sum + (x * ny - nx * y) / 2;
    }, 0);
    expect(straightOn.get('area')).toBeCloseTo(Math.abs(shoelace), 8);
    const aslant = exactly(tilted(12, 25), grid(tilted(12, 25)));
    for (const [id, value] of straightOn) expect(aslant.get(id)).toBeCloseTo(value, 6);
  });

  it('needs no scale for ratios, angles and forms: place, turn and size cancel', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 80, noNaN: true }),
        fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
        fc.boolean(),
        (k, turn, flipped) => {
          const camera: Camera = ([x, y]) => [
            500 + k * ((flipped ? -1 : 1) * x * Math.cos(turn) - y * Math.sin(turn)),
            400 + k * ((flipped ? -1 : 1) * x * Math.sin(turn) + y * Math.cos(turn)),
          ];
          const before = exactly(straight(1));
          const after = exactly(camera);
          for (const id of ['ratio', 'shared', 'reach', 'angle', 'roundness', 'dip'])
            expect(after.get(id)! / before.get(id)!).toBeCloseTo(1, 5);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('takes a densely traced edge for what it is: even it is 1, however many points', () => {
    const edge = Array.from({ length: 300 }, (_, i): PixelPoint => [100 + i, 200 + (i % 2) * 0.2]);
    const [found] = measure({ points: { edge }, quantities: [{ id: 'r', kind: 'raggedness', path: 'edge' }] }).values;
    expect(found.value).toBeGreaterThan(1);
    expect(found.value).toBeLessThan(1.03);
    const [long] = measure({ points: { edge }, quantities: [{ id: 'l', kind: 'length', line: { points: ['edge'] } }] }).values;
    expect(long.value).toBeCloseTo(299 * Math.hypot(1, 0.2), 3);
  });

  it('tells a V from a U by its width at half depth', () => {
    const dip = (path: PixelPoint[]) =>
      measure({ points: { dip: path }, quantities: [{ id: 'd', kind: 'dip', path: 'dip' }], pointingSd: 0.1 }).values[0].value;
    expect(
      dip([
        [0, 0],
        [10, 20],
        [20, 0],
      ]),
    ).toBeCloseTo(0.5, 9);
    const half = Array.from({ length: 61 }, (_, i): PixelPoint => {
      const t = (Math.PI * i) / 60;
      return [-100 * Math.cos(t), 100 * Math.sin(t)];
    });
    expect(dip(half)).toBeCloseTo(Math.sqrt(3) / 2, 2);
  });
});

/** How often 95 % intervals hold the truth, of so many photos with so much pointing noise. */
function coverage(
  photos: number,
  seed: string,
  camera: (random: () => number) => Camera,
  scaled: (camera: Camera) => Scale,
  repeats = 0,
) {
  const random = seeded(seed);
  const truth = exactly(straight(1), bar(straight(1)));
  const held = new Map<string, number>();
  for (let i = 0; i < photos; i++) {
    const see = camera(random);
    const sd = 0.5 + 3.5 * random();
    const shaken = (p: PixelPoint): PixelPoint => [p[0] + sd * normal(random), p[1] + sd * normal(random)];
    const scale = scaled(see);
    const seen: Scale =
      scale.kind === 'lengths'
        ? { ...scale, references: scale.references.map((r) => ({ ...r, ends: [shaken(r.ends[0]), shaken(r.ends[1])] })) }
        : scale.kind === 'grid'
          ? { ...scale, points: scale.points.map((p) => ({ ...p, at: shaken(p.at) })) }
          : scale;
    const set = () => each(each(TRUE, see), shaken);
    const known = repeats ? {} : { pointingSd: sd };
    const { values } = measure({
      points: set(),
      repeats: Array.from({ length: repeats }, set),
      quantities: QUANTITIES,
      scale: seen,
      ...known,
    });
    for (const { quantity, interval } of values)
      if (interval[0] <= truth.get(quantity)! && truth.get(quantity)! <= interval[1])
        held.set(quantity, (held.get(quantity) ?? 0) + 1);
  }
  return new Map(QUANTITIES.map(({ id }) => [id, (held.get(id) ?? 0) / photos]));
}

const LINEAR = ['width', 'curve', 'ratio', 'shared', 'reach', 'angle', 'area'];

describe('the 95 % intervals hold the truth in 93 to 97 of 100, each kind by itself', () => {
  const expectHeld = (shares: Map<string, number>) => {
    for (const id of LINEAR) {
      expect([id, shares.get(id)! >= 0.93 && shares.get(id)! <= 0.97, shares.get(id)]).toEqual([id, true, shares.get(id)]);
    }
  };

  it('with a bar', () =>
    expectHeld(
      coverage(
        2000,
        'bar',
        (r) => straight(12 + 10 * r()),
        (c) => bar(c),
      ),
    ));

  it('tilted up to 5°, with a grid', () => expectHeld(coverage(2000, 'grid', (r) => tilted(12 + 10 * r(), 5 * r()), grid)));

  it('from two repeats, where nothing is known of the person', () =>
    expectHeld(
      coverage(
        800,
        'twice',
        (r) => straight(12 + 10 * r()),
        (c) => bar(c),
        2,
      ),
    ));

  it('from five repeats', () =>
    expectHeld(
      coverage(
        800,
        'five',
        (r) => straight(12 + 10 * r()),
        (c) => bar(c),
        4,
      ),
    ));

  it('are never nothing: who sets the very same pixels again errs by a pixel all the same', () => {
    const points: PointSet = {
      from: [100, 100],
      to: [300, 100],
      rim: [
        [0, 0],
        [40, 0],
        [40, 30],
        [0, 30],
      ],
    };
    const quantities: Quantity[] = [
      { id: 'long', kind: 'length', line: line('from', 'to') },
      { id: 'large', kind: 'area', outline: 'rim' },
    ];
    for (const times of [2, 3, 4, 8]) {
      const { values, pointing } = measure({ points, repeats: Array.from({ length: times - 1 }, () => points), quantities });
      // Twice is too little to know the person by: the usual 2 px. From then on a pixel's own 1/√12, at both ends.
      const each = times === 2 ? 2 : 1 / Math.sqrt(12);
      expect(pointing.sd).toBeCloseTo(each, 9);
      expect(values[0].sd).toBeCloseTo((Math.SQRT2 * each) / Math.sqrt(times), 9);
      expect(values[1].sd).toBeGreaterThan(0.5);
      for (const { interval, value } of values) expect(interval[1] - interval[0]).toBeGreaterThan(value / 1000);
    }
  });
});

describe('at the edges', () => {
  const one = (points: PointSet, quantity: Quantity, scale?: Scale) => measure({ points, quantities: [quantity], scale });
  const length: Quantity = { id: 'l', kind: 'length', line: line('a', 'b') };
  const bar = (px: number): Extract<Scale, { kind: 'lengths' }>['references'][number] => ({
    ends: [
      [0, 0],
      [px, 0],
    ],
    mm: 10,
  });

  it('a length of nothing errs as a short one does', () => {
    const [nothing] = one({ a: [5, 5], b: [5, 5] }, length).values;
    const [short] = one({ a: [5, 5], b: [5.001, 5] }, length).values;
    expect(nothing).toMatchObject({ value: 0, sd: short.sd });
    expect(nothing.interval[1]).toBeCloseTo(short.interval[1], 1);
  });

  it('no interval holds what cannot be', () => {
    const points: PointSet = {
      a: [5, 5],
      b: [7, 5],
      c: [6, 90],
      flat: [
        [0, 0],
        [10, 10],
        [20, 20],
      ],
    };
    const at = (quantity: Quantity) => one(points, quantity).values[0].interval;
    expect(at(length)[0]).toBe(0);
    expect(at({ id: 'area', kind: 'area', outline: 'flat' })[0]).toBe(0);
    expect(at({ id: 'angle', kind: 'angle', points: ['a', 'c', 'b'] })[0]).toBe(0);
    expect(at({ id: 'r', kind: 'ratio', numerator: line('a', 'b'), denominator: line('a', 'c') })[0]).toBe(0);
  });

  it('bars that disagree make the error as large as they differ', () => {
    const points: PointSet = { a: [0, 5], b: [100, 5] };
    const of = (...px: number[]) => one(points, length, { kind: 'lengths', references: px.map(bar) });
    const [agreed, apart] = [of(100, 100), of(100, 50)];
    expect(agreed.warnings).toEqual([]);
    expect(agreed.values[0].sd).toBeLessThan(of(100).values[0].sd);
    expect(apart.warnings).toMatchObject([{ code: 'scales-disagree' }]);
    const [low, high] = apart.values[0].interval;
    expect([low < 10, high > 20]).toEqual([true, true]);
  });

  it('what lies beyond the vanishing line of a grid is not measured by it', () => {
    // Sides that meet 250 px down: nothing of the plane is seen further on.
    const scale: Scale = {
      kind: 'grid',
      points: [
        { at: [0, 0], mm: [0, 0] },
        { at: [100, 0], mm: [10, 0] },
        { at: [90, 50], mm: [10, 10] },
        { at: [10, 50], mm: [0, 10] },
      ],
    };
    expect(one({ a: [50, 0], b: [50, 240] }, length, scale)).toMatchObject({ values: [{ unit: 'mm' }], warnings: [] });
    expect(one({ a: [50, 0], b: [50, 260] }, length, scale)).toMatchObject({
      values: [],
      warnings: [{ code: 'beyond-plane', field: 'points.b' }, { code: 'landmark-missing' }],
    });
  });
});

describe('counts', () => {
  const random = seeded('counts');
  /** One who misses some, and sets some markers in vain: how many markers there are. */
  const markersOf = (there: number, missed: number, extra: number): number => {
    let n = 0;
    for (let i = 0; i < there; i++) if (random() >= missed) n++;
    // A Poisson deviate by multiplying (Knuth 1969).
    for (let product = random(); product > Math.exp(-extra); product *= random()) n++;
    return n;
  };
  const markers = (n: number): PointSet => ({ each: Array.from({ length: n }, (_, i): PixelPoint => [i, i]) });
  const quantities: Quantity[] = [{ id: 'n', kind: 'count', markers: 'each' }];

  it('by a counter whose misses are known hold the truth in 93 to 97 of 100', () => {
    let held = 0;
    for (let i = 0; i < 3000; i++) {
      const there = 40 + Math.floor(160 * random());
      const [missed, extra] = [0.03 + 0.1 * random(), 1 + 4 * random()];
      const { values } = measure({ points: markers(markersOf(there, missed, extra)), quantities }, { missed, extra });
      const [low, high] = values[0].interval;
      if (low <= there && there <= high) held++;
    }
    expect(held / 3000).toBeGreaterThan(0.93);
    expect(held / 3000).toBeLessThan(0.97);
  });

  it('are what was counted where nothing is known of the counter, and spread as the repeats do', () => {
    const once = measure({ points: markers(12), quantities }).values[0];
    expect(once).toMatchObject({ value: 12, sd: 0, interval: [12, 12], n: 1 });
    const again = measure({ points: markers(12), repeats: [markers(14), markers(13)], quantities }).values[0];
    expect(again).toMatchObject({ value: 13, n: 3, df: 2, sd: expect.closeTo(1 / Math.sqrt(3), 9) });
  });
});

describe('what cannot be worked out', () => {
  it('is named, whatever is sent, and never a number that is none', () => {
    const place = fc.oneof(
      fc.tuple(fc.double(), fc.double()),
      fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })),
      fc.array(fc.tuple(fc.integer({ min: 0, max: 4 }), fc.integer({ min: 0, max: 4 })), { maxLength: 6 }),
    );
    const points = fc.record({ left: place, right: place, front: place, back: place, curve: place, outline: place, dip: place });
    const scale = fc.option(
      fc.oneof(
        fc.record({
          kind: fc.constant('lengths' as const),
          references: fc.array(
            fc.record({
              ends: fc.tuple(fc.tuple(fc.double(), fc.double()), fc.tuple(fc.double(), fc.double())),
              mm: fc.double({ min: 1e-9, max: 1e9, noNaN: true }),
            }),
            { minLength: 1, maxLength: 3 },
          ),
        }),
        fc.record({
          kind: fc.constant('grid' as const),
          points: fc.array(
            fc.record({
              at: fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 5 })),
              mm: fc.tuple(fc.integer({ min: 0, max: 2 }), fc.integer({ min: 0, max: 2 })),
            }),
            { minLength: 4, maxLength: 9 },
          ),
        }),
      ),
      { nil: undefined },
    );
    fc.assert(
      fc.property(points, scale, fc.array(points, { maxLength: 2 }), (set, of, repeats) => {
        const asked = QUANTITIES.length;
        const { values, warnings } = measure({
          points: set,
          quantities: QUANTITIES,
          scale: of,
          repeats: repeats,
        });
        for (const { value, sd, interval } of values)
          for (const number of [value, sd, ...interval]) expect(Number.isFinite(number)).toBe(true);
        // What has no value has a reason.
        if (values.length < asked) expect(warnings.length).toBeGreaterThan(0);
      }),
      { numRuns: 400 },
    );
  });
});

describe('a count on each side of an axis', () => {
  const seam = { back: [200, 300], front: [200, 100] } satisfies Record<string, PixelPoint>;
  const each = (xs: number[], repeats?: number[][]) => {
    const rows = (all: number[]): PixelPoint[] => all.map((x) => [x, 200]);
    return measure({
      points: { ...seam, rows: rows(xs) },
      ...(repeats ? { repeats: repeats.map((all) => ({ ...seam, rows: rows(all) })) } : {}),
      quantities: [{ id: 'rows', kind: 'count', markers: 'rows', axis: ['back', 'front'], side: 'each' }],
    });
  };

  it('is how many there are on one', () => {
    expect(each([120, 140, 160, 240, 260, 280])).toMatchObject({ values: [{ value: 3, sd: 0 }], warnings: [] });
  });

  it('tells by the repeat where the sides differ, and is their mean', () => {
    const uneven = each([120, 140, 160, 240, 260, 280], [[120, 140, 240, 260, 280]]);
    expect(uneven.warnings).toMatchObject([{ code: 'sides-differ', field: 'repeats[0]' }]);
    expect(uneven.warnings[0].message).toMatch(/^“rows”: 2 left of the axis and 3 right of it\./);
    expect(uneven.values[0].value).toBeCloseTo(2.75);
  });
});
