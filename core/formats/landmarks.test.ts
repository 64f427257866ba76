import Papa from 'papaparse';
import fc from 'fast-check';
import { landmarksCsv, landmarksJson, type LandmarkRecord, landmarkTable, measurementsCsv, readTps, tpsTable, writeTps } from '.';

const point = fc.tuple(fc.integer({ min: 0, max: 4000 }), fc.integer({ min: 0, max: 3000 }));
const record = fc.record({
  id: fc.stringMatching(/^[\w-]{1,12}$/),
  image: fc.stringMatching(/^[\w-]{1,12}\.jpg$/),
  height: fc.constant(3000),
  scale: fc.double({ min: 0.001, max: 2, noNaN: true }),
  landmarks: fc.array(point, { minLength: 1, maxLength: 6 }).map((all) => all.map((at, i) => ({ name: String(i + 1), at }))),
  curves: fc
    .array(fc.array(point, { minLength: 2, maxLength: 5 }), { maxLength: 2 })
    .map((all) => all.map((points, i) => ({ name: `curve ${i + 1}`, points }))),
});

describe('landmarks as TPS text', () => {
  it('come back as they went', () => {
    fc.assert(
      fc.property(fc.array(record, { minLength: 1, maxLength: 4 }), (records) => {
        expect(readTps(writeTps(records), 3000)).toEqual({ ok: true, value: records });
      }),
      { numRuns: 60 },
    );
  });

  it('have y run up, as others write it', () => {
    const text = 'lm=2\r\n10 20\r\n30 40.5\r\nIMAGE=a b.jpg\r\nCOMMENT=left\r\nid=7\r\nScale=0.05\r\n';
    expect(readTps(text, 100)).toMatchObject({
      ok: true,
      value: [{ id: '7', image: 'a b.jpg', scale: 0.05, landmarks: [{ at: [10, 80] }, { at: [30, 59.5] }] }],
    });
    expect(readTps(text)).toMatchObject({ value: [{ landmarks: [{ at: [10, 20] }, { at: [30, 40.5] }] }] });
  });

  it('with nothing in it are refused', () =>
    expect(readTps('\n')).toMatchObject({ ok: false, problems: [{ code: 'tps-empty' }] }));

  it.each([
    ['ID=3\n', 'tps-without-landmarks', 1],
    ['LM=2\n1 2\n', 'tps-bad-point', 3],
    ['LM=1\n1 2 3\n', 'tps-bad-point', 2],
    ['LM=1\n1 x\n', 'tps-bad-point', 2],
    ['LM=-1\n', 'tps-bad-number', 1],
    ['LM=1\n1 2\nhello\n', 'tps-unreadable', 3],
  ])('%j is refused by its line', (text, code, line) => {
    expect(readTps(text)).toMatchObject({ ok: false, problems: [{ code, field: `line ${line}` }] });
  });
});

const RECORDS: LandmarkRecord[] = [
  {
    id: 'a',
    scale: 0.5,
    landmarks: [
      { name: 'p', at: [0, 0] },
      { name: 'q', at: [30, 40] },
      { name: 'r', at: [30, 0] },
    ],
    curves: [
      {
        name: 'edge',
        points: [
          [1, 2],
          [3, 4],
        ],
      },
    ],
  },
  {
    id: '=b',
    scale: 0.5,
    landmarks: [
      { name: 'p', at: [0, 0] },
      { name: 'q', at: [3, 4] },
      { name: 'r', at: [3, 0] },
    ],
    curves: [],
  },
];

describe('a table to learn from, out of TPS', () => {
  const specimen = (id: string, points: string[]) => [`LM=${points.length}`, ...points, `ID=${id}`].join('\n');
  const text = [
    specimen('slender 01', ['0 0', '10 0', '0 20']),
    specimen('slender_2', ['0 0', '20 0', '0 40']),
    specimen('broad-3', ['0 0', '20 0', '0 20']),
  ].join('\n');

  it('takes what each is from its ID, and the distances between its landmarks', () => {
    const table = tpsTable(text);
    if (!table.ok) throw new Error(table.problems[0].message);
    const [header, ...rows] = Papa.parse<string[]>(table.value).data;
    expect(header).toEqual(['id', 'kind', '1–2', '1–3', '2–3']);
    expect(rows.map(([, kind]) => kind)).toEqual(['slender', 'slender', 'broad']);
    // Without a scale nearness cancels: one twice as large has the same row.
    expect(rows[0].slice(2)).toEqual(rows[1].slice(2));
    expect(Number(rows[2][2])).toBeCloseTo(Number(rows[2][3]), 6);
  });

  it('of specimens with other numbers of landmarks, or of none, is refused by name', () => {
    expect(tpsTable(`${text}\n${specimen('odd 4', ['0 0', '1 1'])}`)).toMatchObject({
      ok: false,
      problems: [{ code: 'tps-unequal', message: expect.stringContaining('“odd 4” has 2 landmarks') }],
    });
    expect(tpsTable(specimen('one', ['0 0']))).toMatchObject({ ok: false, problems: [{ code: 'tps-few-landmarks' }] });
    expect(tpsTable('LM=2\n0 0\nx y')).toMatchObject({ ok: false, problems: [{ code: 'tps-bad-point' }] });
  });
});

describe('landmarks as tables', () => {
  it('are a line a point, and made harmless for a spreadsheet', () => {
    const lines = landmarksCsv(RECORDS).split('\r\n');
    expect(lines[0]).toBe('id,image,mm_per_px,landmark,point_of_curve,x,y');
    expect(lines).toHaveLength(1 + 3 + 2 + 3);
    expect(lines[5]).toBe('a,,0.5,edge,2,3,4');
    expect(lines[6]).toMatch(/^"?'=b/);
    expect(JSON.parse(landmarksJson(RECORDS))).toMatchObject({ format: 'plesion-landmarks', records: RECORDS });
  });

  it('of many specimens are distances to learn from: in mm with a scale, in their own size without', () => {
    const rows = (text: string) => text.split('\r\n').map((line) => line.split(','));
    expect(rows(landmarkTable(RECORDS)).slice(0, 2)).toEqual([
      ['id', 'p–q (mm)', 'p–r (mm)', 'q–r (mm)'],
      ['a', '25', '15', '20'],
    ]);
    const bare = rows(landmarkTable(RECORDS.map(({ id, landmarks, curves }) => ({ id, landmarks, curves }))));
    expect(bare[0][1]).toBe('p–q');
    // The second is the first, ten times as far away.
    expect(bare[2].slice(1)).toEqual(bare[1].slice(1));
  });
});

it('measurements are Darwin Core’s measurement-or-fact', () => {
  const text = measurementsCsv([
    {
      id: 'm',
      occurrence: 's',
      type: 'Carapace width',
      value: { value: 32.61, unit: 'mm', sd: 0.21, interval: [32.2, 33.02], n: 2 },
      method: 'on a photo',
      by: 'ann',
      at: '2026-05-12T10:00:00Z',
    },
  ]);
  expect(text.split('\r\n')[1]).toBe(
    'urn:uuid:m,urn:uuid:s,Carapace width,32.61,0.21,mm,on a photo; measured 2 times,ann,2026-05-12T10:00:00Z,',
  );
});
