import { terns } from '@plesion/demo';
import fc from 'fast-check';
import { AGE_FAMILIES } from '../fieldwork';
import { dayIn, instantIn, numberIn, orderOf, timeIn } from './cells';
import { gather, type ImportHow, readLines, readTable, settle, type Station, textOf } from '.';
import { lettersApart } from './guideNames';

const TODAY = '2026-11-27';
const GUIDE = '0192f3a0-0000-7001-8000-000000000001';
const station = (more: Partial<Station> = {}): Station => ({
  guide: terns,
  family: AGE_FAMILIES[0],
  today: TODAY,
  families: AGE_FAMILIES,
  sites: [],
  rings: new Set(),
  met: new Set(),
  known: new Set(),
  by: 'Mira',
  at: `${TODAY}T10:00:00Z`,
  file: 'old.csv',
  idOf: (name) => name,
  ...more,
});

function take(csv: string, how: ImportHow = {}, more: Partial<Station> = {}) {
  const table = readTable(csv);
  if (!table.ok) throw new Error(table.problems[0].message);
  const at = station(more);
  const settled = settle(table.value, how, at);
  const { lines, problems } = readLines(table.value, how, settled, at);
  const gathered = gather(lines, how, at);
  return { settled, ...gathered, problems: [...problems, ...gathered.problems] };
}

describe('text', () => {
  it.each([
    ['utf-8', new Uint8Array([0xc3, 0xa9]), undefined],
    ['utf-8', new Uint8Array([0xef, 0xbb, 0xbf, 0xc3, 0xa9]), undefined],
    ['utf-16le', new Uint8Array([0xff, 0xfe, 0xe9, 0x00]), undefined],
    ['utf-16be', new Uint8Array([0xfe, 0xff, 0x00, 0xe9]), undefined],
    ['windows-1252', new Uint8Array([0xe9]), undefined],
    ['windows-1252', new Uint8Array([0xe9]), 'ISO-8859-1'],
    ['windows-1252', new Uint8Array([0xe9]), 'no such thing'],
  ])('%s %# is read as é', (encoding, bytes, declared) => {
    expect(textOf(bytes, declared)).toEqual({ text: 'é', encoding });
  });
});

describe('a table', () => {
  it('tells each row by the line it begins on, line breaks within quotes and blank lines counted', () => {
    const table = readTable('ring;note\r\nH 1;"two\r\nlines"\r\n\r\nH 2;x\rH 3;y');
    expect(table).toEqual({
      ok: true,
      value: {
        columns: ['ring', 'note'],
        rows: [
          { line: 2, cells: ['H 1', 'two\r\nlines'] },
          { line: 5, cells: ['H 2', 'x\rH 3', 'y'] },
        ],
      },
    });
  });
  it.each([
    ['', 'no-columns'],
    ['a\n1', 'no-columns'],
    ['a,b', 'no-rows'],
    ['a,a\n1,2', 'column-twice'],
    [`a,b\n${'1,2\n'.repeat(50_001)}`, 'too-many-rows'],
  ])('%# is refused by name', (csv, code) => {
    expect(readTable(csv)).toMatchObject({ ok: false, problems: [{ code, field: 'file' }] });
  });
});

describe('cells', () => {
  it.each([
    ['2025-05-12', '2025-05-12'],
    ['12.05.2025', '2025-05-12'],
    ['5/12/2025', '2025-12-05'],
    ['12.5.25', '2025-05-12'],
    ['12.5.98', '1998-05-12'],
    ['29.2.2024', '2024-02-29'],
    ['29.2.2025', undefined],
    ['31.4.2025', undefined],
    ['May 2025', undefined],
  ])('the day %s is %s', (cell, day) => {
    expect(dayIn(cell, 'day-month-year', TODAY)).toBe(day);
  });
  it('every day is read in the order it is written in', () => {
    fc.assert(
      fc.property(fc.date({ min: new Date('1900-01-01'), max: new Date('2026-01-01'), noInvalidDate: true }), (date) => {
        const day = date.toISOString().slice(0, 10);
        const [y, m, d] = day.split('-');
        expect(dayIn(`${d}/${m}/${y}`, 'day-month-year', TODAY)).toBe(day);
        expect(dayIn(`${m}/${d}/${y}`, 'month-day-year', TODAY)).toBe(day);
        expect(dayIn(`${y}-${m}-${d}`, 'month-day-year', TODAY)).toBe(day);
      }),
    );
  });
  it('the order is told by the first day that allows one only', () => {
    expect(orderOf(['3/4/2025', '5/13/2025'])).toBe('month-day-year');
    expect(orderOf(['3/4/2025', '13/5/2025'])).toBe('day-month-year');
    expect(orderOf(['3/4/2025'])).toBe('day-month-year');
  });
  it.each([
    ['7:05', '07:05:00'],
    ['0705', '07:05:00'],
    ['07.05', '07:05:00'],
    ['7:05 pm', '19:05:00'],
    ['12 am', '00:00:00'],
    ['24:00', undefined],
    ['7', undefined],
    ['13 pm', undefined],
  ])('the time %s is %s', (cell, time) => {
    expect(timeIn(cell)).toBe(time);
  });
  it('an instant keeps its offset, or has that of the table', () => {
    expect(instantIn('2025-05-12T07:05:00+0200', '+01:00', TODAY)).toEqual({
      at: '2025-05-12T07:05:00+02:00',
      day: '2025-05-12',
    });
    expect(instantIn('2025-05-12 07:05', '+01:00', TODAY)?.at).toBe('2025-05-12T07:05:00+01:00');
  });
  it.each([
    ['12,5', 12.5],
    ['−3.5', -3.5],
    ['118 g', 118],
    ['0x10', undefined],
    ['1,234,5', undefined],
    ['12 kg', undefined],
  ])('the number %s is %s', (cell, value) => {
    expect(numberIn(cell)).toBe(value);
  });
  it('letters apart count swaps as one', () => {
    expect([lettersApart('sodalis', 'sodalsi'), lettersApart('', 'abc'), lettersApart('kitten', 'sitting')]).toEqual([1, 3, 3]);
  });
});

describe('a table of captures', () => {
  const [kind] = terns.taxa.filter(({ id }) => id === 'sodalis');
  const csv = [
    'Date,Time,Place,Ring no.,Species,Age,Sex,Wing chord (mm),Weight (g),Ringer',
    `12.05.2025,06:10,Long Spit,H 04001,${kind.name},AHY,F,271,118,Mira; Odo`,
    `12.05.2025,06:30,Long Spit,H 04002,${kind.vernacular ?? kind.name},SY,,269,120,Mira; Odo`,
    `13.05.2025,05:50,long spit,h4001,${kind.name.toUpperCase()},ahy,female,"271,5",117,Mira; Odo`,
    `13.05.2025,05:55,Long Spit,,${kind.name},AHY,,,,Mira; Odo`,
  ].join('\n');
  const read = take(csv, { guideId: GUIDE, stands: 'as it was written' });

  it('is guessed by its header', () => {
    expect(read.settled.columns).toEqual([
      { column: 'Date', to: 'day' },
      { column: 'Time', to: 'time' },
      { column: 'Place', to: 'site' },
      { column: 'Ring no.', to: 'ring' },
      { column: 'Species', to: 'kind' },
      { column: 'Age', to: 'age' },
      { column: 'Sex', to: 'sex' },
      { column: 'Wing chord (mm)', to: 'reading:wing-chord' },
      { column: 'Weight (g)', to: 'mass' },
      { column: 'Ringer', to: 'people' },
    ]);
  });
  it('becomes a site, a visit for each day, and captures that say what became of each', () => {
    expect(read.problems).toEqual([]);
    expect(read.sites.map(([, { name }]) => name)).toEqual(['Long Spit']);
    expect(read.visits.map(([, { startedAt, endedAt, people }]) => [startedAt, endedAt, people])).toEqual([
      ['2025-05-12T06:10:00+00:00', '2025-05-12T06:30:00+00:00', ['Mira', 'Odo']],
      ['2025-05-13T05:50:00+00:00', '2025-05-13T05:55:00+00:00', ['Mira', 'Odo']],
    ]);
    expect(read.captures.map(([, { what, mark, sex, mass, readings }]) => [what, mark, sex, mass, readings[0]?.value])).toEqual([
      ['ringed', 'H 04001', 'female', 118, 271],
      ['ringed', 'H 04002', undefined, 120, 269],
      ['ringed', 'H 4001', 'female', 117, 271.5],
      ['unringed', undefined, undefined, undefined, undefined],
    ]);
  });
  it('a ring that was met before is met again, in the table and in the station', () => {
    const one = 'day,ring,site\n2025-05-12,H 04001,Spit\n2025-05-14,H 04001,Spit';
    expect(take(one).captures.map(([, { what }]) => what)).toEqual(['ringed', 'again']);
    const known = take(one, {}, { rings: new Set(['H 04001']) });
    expect(known.captures.map(([, { what }]) => what)).toEqual(['again', 'again']);
  });
  it('what was read in before has the same ids, whatever is known meanwhile, and is not read again', () => {
    const ids = read.captures.map(([id]) => id);
    const again = take(csv, { guideId: GUIDE, stands: 'x' }, { rings: new Set(['H 04001']), known: new Set(ids) });
    expect([again.there, again.captures, again.visits]).toEqual([4, [], []]);
  });
  it('says by line and cell what is wrong, and what it may have been meant to be', () => {
    const bad = take(
      `day,site,ring,species,sex,mass\n2025-02-30,S,H 1,${kind.name},f,1\n2027-01-01,S,H 1,${kind.name},f,1\n2025-05-12,S,what,${kind.name.slice(0, -1)},x,-3\n2025-05-12,S,H 7,${kind.name},f,50,more`,
      { guideId: GUIDE },
    );
    expect(bad.problems.map(({ line, code, cell, suggest }) => [line, code, cell, suggest])).toEqual([
      [2, 'bad-day', '2025-02-30', undefined],
      [3, 'day-to-come', '2027-01-01', undefined],
      [4, 'unknown-ring', 'what', undefined],
      [4, 'unknown-kind', kind.name.slice(0, -1), kind.name],
      [4, 'unknown-sex', 'x', undefined],
      [4, 'bad-number', '-3', undefined],
      [5, 'too-many-cells', undefined, undefined],
    ]);
    expect(bad.captures).toEqual([]);
  });
  it('is mended by saying what words mean, by leaving lines out, and by saying why a rule is gone beyond', () => {
    const odd = `day,site,ring,species,sex,age,saddle\n2025-05-12,S,H 1,elsewhere finch,hen,HY,\n2025-05-12,S,H 2,${kind.name},hen,HY,\n2025-05-12,S,?!,x,x,x,`;
    const how: ImportHow = {
      guideId: GUIDE,
      words: [
        { of: 'kind', from: 'elsewhere finch', to: 'elsewhere finch' },
        { of: 'sex', from: 'hen', to: 'female' },
      ],
      leaveOut: [4],
    };
    expect(take(odd, how).problems.map(({ line, code }) => [line, code])).toEqual([
      [2, 'no-licence'],
      [2, 'check-broken'],
      [3, 'check-broken'],
    ]);
    const said = take(odd, { ...how, stands: 'told by a feather later' });
    expect(said.problems).toEqual([]);
    expect(
      said.captures.map(([, { name, taxon, sex, overrides }]) => [name, taxon, sex, overrides.map(({ what }) => what)]),
    ).toEqual([
      ['elsewhere finch', undefined, 'female', ['young-unsexed']],
      [undefined, 'sodalis', 'female', ['young-unsexed']],
    ]);
    expect(said.visits[0][1].overrides).toMatchObject([{ what: 'no-licence', reason: 'told by a feather later', by: 'Mira' }]);
  });
  it('a line that names no site goes to the one said for all, or is told', () => {
    expect(take('day,ring\n2025-05-12,H 1').problems).toMatchObject([{ code: 'no-site', line: 2 }]);
    expect(take('day,ring\n2025-05-12,H 1', { site: 'Spit', method: 'watch' }).problems).toEqual([]);
  });
});
