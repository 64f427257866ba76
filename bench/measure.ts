import { edgesFrom, findSpots, type Grey, measure, type PixelPoint } from '@plesion/core/measure';
import { normal, seeded } from '@plesion/core/probability';
import { medianMs } from './timing';

/** Wings with spots of known places, in uneven light and with grain. */
const WINGS = 300;
const [WIDTH, HEIGHT] = [200, 150];
const SPOTS = 12;

interface Wing {
  photo: Grey;
  spots: { at: PixelPoint; r: number }[];
}

function wing(seed: number): Wing {
  const random = seeded(seed);
  const spots: Wing['spots'] = [];
  while (spots.length < SPOTS) {
    const [at, r]: [PixelPoint, number] = [[14 + (WIDTH - 28) * random(), 14 + (HEIGHT - 28) * random()], 2.5 + 4 * random()];
    if (spots.every((other) => Math.hypot(other.at[0] - at[0], other.at[1] - at[1]) > other.r + r + 0.5)) spots.push({ at, r });
  }
  const noise = 3 + 9 * random();
  const contrast = 20 + 70 * random();
  const data = Float32Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
    const [x, y] = [(i % WIDTH) + 0.5, Math.floor(i / WIDTH) + 0.5];
    let shade = 130 + x / 5 + noise * normal(random);
    for (const { at, r } of spots) shade -= contrast / (1 + Math.exp(2.5 * (Math.hypot(x - at[0], y - at[1]) - r)));
    return shade;
  });
  return { photo: { width: WIDTH, height: HEIGHT, data }, spots };
}

/** How many spots are found, and how many of those found are spots. */
function spotShares(): { recall: number; precision: number } {
  let [hit, there, said] = [0, 0, 0];
  for (let i = 0; i < WINGS; i++) {
    const { photo, spots } = wing(i);
    const found = findSpots(photo, { radius: [2, 9] });
    said += found.length;
    there += spots.length;
    hit += spots.filter(({ at, r }) =>
      found.some((one) => Math.hypot(one.at[0] - at[0], one.at[1] - at[1]) < r / 2 + 0.5),
    ).length;
  }
  return { recall: hit / there, precision: hit / said };
}

/** A clean wavy edge, and how far the trace lies from it on the average. */
function edgeDistance(): number {
  const edge = (x: number) => 150 + 40 * Math.sin(x / 40) + 6 * Math.sin(x / 11);
  const data = Float32Array.from(
    { length: 420 * 300 },
    (_, i) => 80 + 110 / (1 + Math.exp(-1.6 * (edge((i % 420) + 0.5) - Math.floor(i / 420) - 0.5))),
  );
  const path = edgesFrom({ width: 420, height: 300, data }, [40, edge(40)], 400).to([380, edge(380)]);
  const far = path.map(([x, y]) => {
    let least = Number.POSITIVE_INFINITY;
    for (let u = x - 10; u <= x + 10; u += 0.1) least = Math.min(least, Math.hypot(u - x, edge(u) - y));
    return least;
  });
  return far.reduce((sum, d) => sum + d, 0) / far.length;
}

/** What is found on photos, and what it costs beside reading the photo once. */
export function reportMeasure(print: (line?: string) => void): void {
  const { recall, precision } = spotShares();
  print(
    `Measuring. Spots on ${WINGS} simulated wings: recall ${(100 * recall).toFixed(1)}, precision ${(100 * precision).toFixed(1)} in 100.`,
  );
  print(`Edge traced on a clean photo: ${edgeDistance().toFixed(2)} px from where it is, on the average   (aim: under 1.5)`);
  const [width, height] = [2400, 1700];
  const random = seeded('four megapixels');
  const large: Grey = { width, height, data: Float32Array.from({ length: width * height }, () => 120 + 60 * random()) };
  const once = medianMs(
    () => {
      let sum = 0;
      for (let i = 0; i < large.data.length; i++) sum += large.data[i];
      return sum;
    },
    9,
    2,
  );
  const spots = medianMs(() => findSpots(large, { radius: [2.5, 20] }), 3, 1);
  const begin = medianMs(() => edgesFrom(large, [800, 800], 220), 9, 2);
  const ways = edgesFrom(large, [800, 800], 220);
  const move = medianMs(() => ways.to([900, 880]), 21, 3);
  const points = Object.fromEntries(Array.from({ length: 8 }, (_, i) => [`p${i}`, [100 * i, 50 * i] as PixelPoint]));
  const values = medianMs(() =>
    measure({
      points,
      quantities: [{ id: 'r', kind: 'ratio', numerator: { points: ['p0', 'p3'] }, denominator: { points: ['p4', 'p7'] } }],
    }),
  );
  print(
    `spots looked for on 4 megapixels         ${spots.toFixed(0)} ms   ${(spots / once).toFixed(0)} × reading them once   (aim: 1,000 ms, in a worker)`,
  );
  print(`edge begun at a click, 220 px to all sides ${begin.toFixed(0)} ms`);
  print(`edge to where the pointer is             ${move.toFixed(1)} ms   (aim: 50)`);
  print(`a ratio with its error                   ${values.toFixed(3)} ms`);
  print();
}
