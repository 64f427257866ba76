import { normal, seeded } from '../probability';
import {
  agreementOf,
  beyond,
  crossing,
  darkShare,
  dipOf,
  edgesFrom,
  findSpots,
  fourierOf,
  type Grey,
  onSide,
  outlineDistance,
  type PixelPoint,
  reliabilityOf,
  stripesAlong,
  tempoOf,
  toneOf,
} from '.';

/** A made-up photo: a shade for each place, softened over a pixel by looking at it nine times. */
function photo(width: number, height: number, shade: (x: number, y: number) => number, noise = 0, seed = 'photo'): Grey {
  const random = seeded(seed);
  const data = Float32Array.from({ length: width * height }, (_, i) => {
    let sum = 0;
    for (const dx of [1 / 6, 0.5, 5 / 6])
      for (const dy of [1 / 6, 0.5, 5 / 6]) sum += shade((i % width) + dx, Math.floor(i / width) + dy) / 9;
    return sum + noise * normal(random);
  });
  return { width, height, data };
}

const around = (n: number, radius: (t: number) => number, middle: PixelPoint = [100, 100]): PixelPoint[] =>
  Array.from({ length: n }, (_, i) => {
    const t = (2 * Math.PI * i) / n;
    return [middle[0] + radius(t) * Math.cos(t), middle[1] + radius(t) * Math.sin(t)];
  });

describe('an outline', () => {
  it('that crosses itself is found by the sides that meet, and no other', () => {
    expect(
      crossing([
        [0, 0],
        [10, 10],
        [10, 0],
        [0, 10],
      ]),
    ).toEqual([0, 2]);
    expect(crossing(around(40, (t) => 30 + 10 * Math.cos(5 * t)))).toBeUndefined();
    // Beside a naive look at all pairs.
    const random = seeded('crossings');
    for (let k = 0; k < 200; k++) {
      const points = Array.from({ length: 7 }, (): PixelPoint => [100 * random(), 100 * random()]);
      const turn = (a: PixelPoint, b: PixelPoint, c: PixelPoint) =>
        Math.sign((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]));
      const naive = points.some((a, i) =>
        points.some((c, j) => {
          if (j <= i + 1 || (i === 0 && j === 6)) return false;
          const [b, d] = [points[i + 1], points[(j + 1) % 7]];
          return turn(a, b, c) !== turn(a, b, d) && turn(c, d, a) !== turn(c, d, b);
        }),
      );
      expect(crossing(points) !== undefined).toBe(naive);
    }
  });

  it('is described alike wherever, however large, however turned, and wherever it is begun', () => {
    const form = (t: number) => 40 + 9 * Math.cos(2 * t) + 5 * Math.sin(3 * t);
    const usual = fourierOf(around(160, form))!;
    const turned = around(160, form).map(([x, y]): PixelPoint => [900 - 2.5 * y, 30 + 2.5 * x]);
    const begun = [...turned.slice(57), ...turned.slice(0, 57)].reverse();
    expect(outlineDistance(fourierOf(begun)!, usual)).toBeLessThan(1e-9);
    const other = fourierOf(around(160, (t) => 40 + 9 * Math.cos(2 * t) + 2 * Math.sin(3 * t)))!;
    expect(outlineDistance(other, usual)).toBeGreaterThan(0.03);
    const mirror = fourierOf(around(160, form).map(([x, y]): PixelPoint => [-x, y]))!;
    expect(outlineDistance(mirror, usual, true)).toBeLessThan(1e-6);
    expect(
      fourierOf([
        [1, 1],
        [2, 2],
        [3, 3],
      ]),
    ).toBeUndefined();
  });

  it('of a dip is sharp, V, U or flat', () => {
    const half = Array.from({ length: 41 }, (_, i): PixelPoint => [
      -100 * Math.cos((Math.PI * i) / 40),
      100 * Math.sin((Math.PI * i) / 40),
    ]);
    expect(dipOf(half)).toMatchObject({ form: 'U', halfWidth: expect.closeTo(0.866, 2), depth: expect.closeTo(0.5, 2) });
    expect(
      dipOf([
        [0, 0],
        [20, 60],
        [40, 0],
      ]),
    ).toMatchObject({ halfWidth: expect.closeTo(0.5, 6) });
    expect(
      dipOf([
        [0, 0],
        [50, 3],
        [100, 0],
      ]),
    ).toMatchObject({ form: 'flat' });
    const blunt = Array.from({ length: 81 }, (_, i): PixelPoint => [i, 60 - Math.hypot(1.5 * (i - 40), 8)]);
    expect(dipOf(blunt)!.form).toBe('V');
  });
});

describe('shades', () => {
  it('part into dark and light where the gap is, and the share is that of the pattern', () => {
    const disc = photo(200, 200, (x, y) => (Math.hypot(x - 100, y - 100) < 80 ? (x < 76 ? 60 : 190) : 230), 6);
    const found = darkShare(
      disc,
      around(120, () => 79),
    )!;
    // The part of a circle left of a chord 24 from its middle.
    const [r, d] = [79, 24];
    const segment = (r * r * Math.acos(d / r) - d * Math.sqrt(r * r - d * d)) / (Math.PI * r * r);
    expect(found.share).toBeCloseTo(segment, 2);
    expect(found.threshold).toBeGreaterThan(80);
    expect(found.threshold).toBeLessThan(170);
    expect(Math.abs(found.shaky)).toBeLessThan(0.01);
    expect(
      darkShare(
        disc,
        around(120, () => 79),
        20,
      )!.share,
    ).toBe(0);
    expect(
      darkShare(disc, [
        [1, 1],
        [2, 1],
        [1, 2],
      ]),
    ).toBeUndefined();
  });

  it('of a surface beside a grey card are CIE L*, and refused without a card that can be used', () => {
    const card = { reflectance: 0.18, error: 0.005 };
    // As light as the card: L* of 18 in 100 is 49.5.
    expect(toneOf({ mean: 118, error: 0 }, { mean: 118, error: 0 }, card)).toMatchObject({
      lightness: expect.closeTo(49.5, 1),
      sd: expect.closeTo(0.61, 2),
    });
    expect(toneOf({ mean: 0, error: 1 }, { mean: 118, error: 1 }, card)!.lightness).toBe(0);
    for (const mean of [0, 255]) expect(toneOf({ mean: 100, error: 1 }, { mean, error: 1 }, card)).toBeUndefined();
  });

  it('along a line tell how far stripes are apart', () => {
    for (const [period, turn] of [
      [14, 0],
      [9.3, 0.4],
      [23.7, 1.1],
    ] as const) {
      const [c, s] = [Math.cos(turn), Math.sin(turn)];
      const striped = photo(
        240,
        240,
        (x, y) => ((((x * c + y * s) % period) + period) % period < period * 0.4 ? 80 : 180) + x / 8,
        8,
      );
      const found = stripesAlong(striped, [120 - 100 * c, 120 - 100 * s], [120 + 100 * c, 120 + 100 * s])!;
      expect(Math.abs(found.spacing - period)).toBeLessThan(0.25);
      expect(Math.abs(found.crossed - 200 / period)).toBeLessThan(1.5);
    }
    expect(
      stripesAlong(
        photo(100, 100, () => 120, 3),
        [5, 50],
        [95, 50],
      ),
    ).toBeUndefined();
  });
});

describe('spots', () => {
  it('are found in light that falls off, with their place and size; edges and blotches are none', () => {
    const random = seeded('spots');
    let [hit, there, said] = [0, 0, 0];
    for (let k = 0; k < 3; k++) {
      const spots: { at: PixelPoint; r: number }[] = [];
      while (spots.length < 14) {
        const [at, r]: [PixelPoint, number] = [[20 + 200 * random(), 20 + 160 * random()], 3 + 4 * random()];
        if (spots.every((other) => Math.hypot(other.at[0] - at[0], other.at[1] - at[1]) > other.r + r + 4)) spots.push({ at, r });
      }
      const wing = photo(
        240,
        200,
        (x, y) => (spots.some(({ at, r }) => Math.hypot(x - at[0], y - at[1]) < r) ? 70 : 150) + x / 6 - (y > 190 ? 60 : 0),
        5,
        `wing ${k}`,
      );
      const found = findSpots(wing, { radius: [2.5, 9] });
      said += found.length;
      there += spots.length;
      for (const spot of spots) {
        const own = found.find(({ at }) => Math.hypot(at[0] - spot.at[0], at[1] - spot.at[1]) < 1);
        if (!own) continue;
        hit++;
        expect(own.radius / spot.r).toBeGreaterThan(0.75);
        expect(own.radius / spot.r).toBeLessThan(1.3);
      }
    }
    expect(hit / there).toBeGreaterThan(0.97);
    expect(hit / said).toBeGreaterThan(0.97);
  });

  it('are looked for within an outline, dark or light, down to the contrast that is asked', () => {
    const two = photo(120, 80, (x, y) => (Math.hypot(x - 30, y - 40) < 6 ? 60 : Math.hypot(x - 90, y - 40) < 6 ? 160 : 130));
    expect(findSpots(two, { radius: [3, 10] }).map(({ at }) => at.map(Math.round))).toEqual([[30, 40]]);
    expect(findSpots(two, { radius: [3, 10], lighter: true }).map(({ at }) => at.map(Math.round))).toEqual([[90, 40]]);
    expect(findSpots(two, { radius: [3, 10], contrast: 90 })).toEqual([]);
    expect(findSpots(two, { radius: [3, 10], outline: around(20, () => 12, [90, 40]) })).toEqual([]);
  });

  it('are to the left and the right of an axis as one sees them who looks along it', () => {
    const markers: PixelPoint[] = [
      [10, 5],
      [12, 50],
      [90, 40],
    ];
    expect(onSide(markers, [50, 100], [50, 0], 'left')).toEqual([
      [10, 5],
      [12, 50],
    ]);
    expect(onSide(markers, [50, 100], [50, 0], 'right')).toEqual([[90, 40]]);
    expect(onSide(markers, [50, 0], [50, 100], 'right')).toHaveLength(2);
  });
});

describe('an edge', () => {
  it('is followed within one and a half pixels of where it is', () => {
    const edge = (x: number) => 90 + 30 * Math.sin(x / 30) + 8 * Math.sin(x / 9);
    const seen = photo(300, 200, (x, y) => (y < edge(x) ? 190 : 80), 8);
    const path = edgesFrom(seen, [40, edge(40)], 260).to([250, edge(250)]);
    const far = path.map(([x, y]) => {
      let least = Number.POSITIVE_INFINITY;
      for (let u = x - 12; u <= x + 12; u += 0.1) least = Math.min(least, Math.hypot(u - x, edge(u) - y));
      return least;
    });
    expect(path.length).toBeGreaterThan(180);
    expect(far.reduce((sum, d) => sum + d, 0) / far.length).toBeLessThan(1);
    expect(Math.max(...far)).toBeLessThan(4);
  });

  it('out of reach is a straight line', () => {
    const blank = photo(60, 60, () => 100);
    expect(edgesFrom(blank, [10, 10], 20).to([55, 55])).toEqual([
      [10, 10],
      [55, 55],
    ]);
  });
});

describe('beats', () => {
  it('have a rate with its error, and missed or doubled taps are named and left out', () => {
    const random = seeded('beats');
    let held = 0;
    for (let k = 0; k < 1000; k++) {
      const times = [0];
      for (let i = 0; i < 14; i++) times.push(times[i] + 0.31 + 0.02 * normal(random));
      const { rate, interval } = tempoOf(times)!;
      expect(rate).toBeGreaterThan(2.8);
      if (interval[0] <= 1 / 0.31 && 1 / 0.31 <= interval[1]) held++;
    }
    expect(held / 1000).toBeGreaterThan(0.93);
    expect(held / 1000).toBeLessThan(0.97);
    const even = Array.from({ length: 12 }, (_, i) => i * 0.5);
    expect(tempoOf(even)!.rate).toBeCloseTo(2, 9);
    // As even as they are, they are known no better than the times of a film's pictures.
    const film = tempoOf(even, 1 / 25)!;
    expect(film.sd).toBeCloseTo((4 * (1 / 25 / Math.sqrt(6))) / film.gaps, 9);
    expect(tempoOf(even)!.sd).toBeGreaterThan(0);
    expect(tempoOf(even.filter((_, i) => i !== 5))).toMatchObject({
      rate: expect.closeTo(2, 9),
      odd: [{ gap: 4, looks: 'a beat was missed' }],
    });
    expect(tempoOf([...even, 2.62])!.odd.map(({ looks }) => looks)).toContain('a beat too many');
    expect(tempoOf([1, 2])).toBeUndefined();
    expect(tempoOf([1, 1, 1, 1])).toBeUndefined();
  });
});

describe('how well it is measured again', () => {
  it('is the technical error and the repeatability that simulated people have', () => {
    const random = seeded('people');
    let held = 0;
    const tems: number[] = [];
    for (let k = 0; k < 400; k++) {
      const groups = Array.from({ length: 12 }, () => {
        const thing = 20 + 2 * normal(random);
        return Array.from({ length: 3 }, () => thing + 0.8 * normal(random));
      });
      const { tem, icc } = reliabilityOf(groups)!;
      tems.push(tem);
      const truth = 4 / (4 + 0.64);
      if (icc!.interval[0] <= truth && truth <= icc!.interval[1]) held++;
    }
    expect(tems.reduce((sum, t) => sum + t, 0) / 400).toBeCloseTo(0.8, 1);
    expect(held / 400).toBeGreaterThan(0.93);
    expect(held / 400).toBeLessThan(0.975);
    expect(reliabilityOf([[1, 2], [3]])).toBeUndefined();
    expect(
      reliabilityOf([
        [1, 1],
        [1, 1],
      ])!.icc,
    ).toBeUndefined();
  });

  it('by two people agrees within limits', () => {
    // Worked by hand: differences 1, 3, 2: mean 2, standard deviation 1.
    const found = agreementOf([
      [5, 4],
      [9, 6],
      [7, 5],
    ])!;
    expect(found).toMatchObject({ n: 3, bias: 2, limits: [expect.closeTo(0.04, 9), expect.closeTo(3.96, 9)] });
    expect(found.biasInterval[0]).toBeCloseTo(2 - 4.30265273 / Math.sqrt(3), 6);
    expect(
      agreementOf([
        [1, 2],
        [2, 3],
      ]),
    ).toBeUndefined();
  });

  it('a value beyond what is known says how far, and from one in a thousand on it is asked for again', () => {
    expect(beyond(30, 0.5, 28, 2)).toBeUndefined();
    expect(beyond(34, 0, 28, 2)).toMatchObject({ side: 'above', z: 3, again: false, oneIn: expect.closeTo(740.8, 0) });
    expect(beyond(20, 0, 28, 2)).toMatchObject({ side: 'below', again: true });
  });
});
