import { seeded } from '../probability';
import { type PairingRow, readPairingsCsv, writePairingsCsv } from '.';

const ID = (n: number) => `0192f3a0-0000-7009-8000-${String(n).padStart(12, '0')}`;
const HEAD = 'pairing,fathers,mothers,pen,from,until,why mixed,note,clutch,laid,eggs,hatched,young,lost,clutch note';
const rows: PairingRow[] = [
  {
    ...{ id: ID(1), fathers: ['3', 'Old, “Grey”'], mothers: ['4'], pen: 'cage 1', from: '2026-05-01', until: '2026-06-01' },
    ...{ override: 'a line\nof its own', note: 'calm' },
    clutches: [
      { id: ID(11), laid: '2026-05-03', eggs: 6, hatched: '2026-05-14', young: 4, lost: 2, note: 'two were thin' },
      { id: ID(12), laid: '2026-05-20', eggs: 5 },
    ],
  },
  { id: ID(2), fathers: ['5'], mothers: ['6'], from: '2026-05-02', clutches: [] },
];

it('pairings and their clutches come back the same', () => {
  const text = writePairingsCsv(rows);
  expect(text.split('\r\n')[0]).toBe(HEAD);
  expect(readPairingsCsv(text)).toEqual({
    rows,
    lines: [
      { line: 2, clutches: [2, 3] },
      { line: 4, clutches: [] },
    ],
    problems: [],
  });
});

it('drawn ones too', () => {
  const random = seeded('pairings');
  const words = ['Moth 1', 'a, b', '“x”', "it's", 'ßÆ', '0'];
  const word = () => words[Math.floor(random() * words.length)];
  const some = <T>(p: number, part: T): Partial<T> => (random() < p ? part : {});
  for (let n = 0; n < 60; n++) {
    const drawn = Array.from({ length: 1 + Math.floor(random() * 4) }, (_, i): PairingRow => ({
      ...{ id: ID(n * 10 + i), fathers: [word()], mothers: random() < 0.5 ? [word()] : [word(), 'other'], from: '2026-01-02' },
      ...some(0.5, { until: '2026-03-04' }),
      ...some(0.5, { pen: word() }),
      ...some(0.3, { override: word() }),
      clutches: Array.from({ length: Math.floor(random() * 3) }, (__, k) => ({
        ...{ id: ID(1000 + n * 100 + i * 10 + k), laid: '2026-01-0' + (3 + k), eggs: 1 + Math.floor(random() * 9) },
        ...some(0.5, { hatched: '2026-02-01', young: 1, lost: 0 }),
      })),
    }));
    expect(readPairingsCsv(writePairingsCsv(drawn)).rows).toEqual(drawn);
  }
});

it('those that are called by words are new; lines of one are one pairing', () => {
  const { rows: read, problems } = readPairingsCsv(
    'mothers,fathers,from,pairing,laid,eggs\n4,3,2026-05-01,A,2026-05-03,6\n4,3,2026-05-01,A,2026-05-20,5\n6,5,2026-05-02,,,\n6,5,2026-05-02,,,\n',
  );
  expect(problems).toEqual([]);
  expect(read.map(({ clutches, id }) => [id, clutches.map(({ laid }) => laid)])).toEqual([
    [undefined, ['2026-05-03', '2026-05-20']],
    [undefined, []],
    [undefined, []],
  ]);
});

it.each([
  ['mothers,from\n4,2026-05-01', 1, 'fathers'],
  ['fathers,mothers,from,hue\n3,4,2026-05-01,red', 1, 'hue'],
  ['fathers,mothers,from\n,4,2026-05-01', 2, 'fathers'],
  ['fathers,mothers,from\n3,,2026-05-01', 2, 'mothers'],
  ['fathers,mothers,from\n3,4,2026-02-30', 2, 'from'],
  ['fathers,mothers,from\n3,4,', 2, 'from'],
  ['fathers,mothers,from,laid,eggs\n3,4,2026-05-01,2026-05-02,', 2, 'eggs'],
  ['fathers,mothers,from,laid,eggs\n3,4,2026-05-01,2026-05-02,many', 2, 'eggs'],
  ['fathers,mothers,from,eggs\n3,4,2026-05-01,4', 2, 'laid'],
  ['fathers,mothers,from,laid,eggs,young\n3,4,2026-05-01,2026-05-02,4,1.5', 2, 'young'],
  ['pairing,fathers,mothers,from\nA,3,4,2026-05-01\nA,3,5,2026-05-01', 3, 'pairing'],
  ['fathers,mothers,from\n3,4,2026-05-01,x', 2, ''],
])('%j is refused in its line and column', (text, line, column) => {
  expect(readPairingsCsv(text).problems[0]).toMatchObject({ line, column });
});
