import { seeded } from '../probability';
import { CELL, type Chart, type ChartKin, chartOf, HALF } from './chart';

const one = (id: string, fathers: string[] = [], mothers: string[] = []): ChartKin => ({ id, fathers, mothers });
const at = (chart: Chart, id: string) => chart.symbols.find((symbol) => symbol.id === id)!;
const ends = ({ lines }: Chart) => lines.flatMap(({ points }) => [points[0], points[points.length - 1]]).map(String);

/** A colony whose mates are drawn, some of them kin, over generations, some parents in doubt. */
function drawnColony(seed: number, size: number): ChartKin[] {
  const random = seeded(seed);
  const kin: ChartKin[] = [one('f0'), one('m0')];
  const [males, females] = [['f0'], ['m0']];
  const pick = (ids: string[]) => ids[Math.floor(random() * ids.length)];
  while (kin.length < size) {
    const fathers = random() < 0.1 ? [...new Set([pick(males), pick(males)])] : [pick(males)];
    const mothers = [pick(females)];
    if (random() < 0.15) {
      kin.push(one(`k${kin.length}`));
      (random() < 0.5 ? males : females).push(`k${kin.length - 1}`);
      continue;
    }
    for (let i = 0; i < 3 && kin.length < size; i++) {
      kin.push(one(`k${kin.length}`, fathers, random() < 0.1 ? [] : mothers));
      (random() < 0.5 ? males : females).push(`k${kin.length - 1}`);
    }
  }
  return kin;
}

it('has mates beside one another, their young beneath the middle of them', () => {
  const chart = chartOf([one('f'), one('m'), one('a', ['f'], ['m']), one('b', ['f'], ['m']), one('c', ['f'], ['m'])]);
  const [f, m] = [at(chart, 'f'), at(chart, 'm')];
  expect(f.y).toBe(m.y);
  expect(Math.abs(f.x - m.x)).toBeCloseTo(CELL, 6);
  expect(at(chart, 'b').x).toBeCloseTo((f.x + m.x) / 2, 6);
  expect(['a', 'b', 'c'].map((id) => at(chart, id).generation)).toEqual([1, 1, 1]);
  const mates = chart.lines[0];
  expect(mates).toMatchObject({ doubtful: false, kin: false });
  expect(mates.points.map(([, y]) => y)).toEqual([f.y, f.y]);
});

it('draws mates that are kin twice, and parents in doubt dashed', () => {
  const chart = chartOf([
    ...[one('f'), one('m'), one('x'), one('s', ['f'], ['m']), one('d', ['f'], ['m'])],
    ...[one('loop', ['s'], ['d']), one('doubt', ['s', 'x'], ['d']), one('back', ['s'], ['m'])],
  ]);
  const twice = chart.lines.filter(({ kin }) => kin);
  // Brother and sister, either of two with her of whom one is her brother, and a son with his mother.
  expect(twice).toHaveLength(3);
  const dashed = chart.lines.filter(({ doubtful }) => doubtful);
  const from = dashed.map(({ points }) => String(points[0]));
  for (const id of ['s', 'x']) expect(from).toContain(String([at(chart, id).x, at(chart, id).y + HALF]));
  expect(at(chart, 'back').generation).toBe(2);
});

it('puts somebody without parents in the row of its mate, also of a late one', () => {
  const chart = chartOf([
    ...[one('f'), one('m'), one('new'), one('a', ['f'], ['m']), one('b', ['a'], ['other']), one('other')],
    one('c', ['new'], ['b']),
  ]);
  expect(at(chart, 'new').y).toBe(at(chart, 'b').y);
  expect(at(chart, 'other').y).toBe(at(chart, 'a').y);
});

it.each([1, 2, 3, 4, 5, 6])('of a drawn colony (%i) leaves room for everybody, and joins each with its parents', (seed) => {
  const kin = drawnColony(seed, seed === 6 ? 200 : 60);
  const chart = chartOf(kin);
  expect(new Set(chart.symbols.map(({ id }) => id)).size).toBe(kin.length);
  const heights = [...new Set(chart.symbols.map(({ y }) => y))];
  for (const height of heights) {
    const row = chart.symbols.filter(({ y }) => y === height).map(({ x }) => x);
    for (let i = 1; i < row.length; i++) expect(row[i] - row[i - 1]).toBeGreaterThan(CELL - 1e-6);
  }
  const reached = ends(chart);
  for (const { id, fathers, mothers } of kin) {
    const own = at(chart, id);
    for (const parent of [...fathers, ...mothers]) expect(at(chart, parent).y).toBeLessThan(own.y);
    expect(reached.includes(String([own.x, own.y - HALF]))).toBe(fathers.length + mothers.length > 0);
  }
  for (const [x, y] of chart.lines.flatMap(({ points }) => points)) {
    expect(x).toBeGreaterThan(0);
    expect(x).toBeLessThan(chart.width);
    expect(y).toBeLessThan(chart.height);
  }
  // Lines across a gap that are at one height do not run over one another.
  const across = chart.lines.map(({ points }) => points).filter(([a, b]) => a[1] === b[1] && !heights.includes(a[1]));
  across.forEach(([a, b], i) =>
    across.slice(i + 1).forEach(([c, d]) => {
      if (a[1] !== c[1]) return;
      expect(Math.max(a[0], c[0])).toBeGreaterThan(Math.min(b[0], d[0]));
    }),
  );
});
