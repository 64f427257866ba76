import Papa from 'papaparse';
import type { PixelPoint } from '../measure';
import { type Outcome, done, failed } from '../problem';

/** The landmarks of one specimen on one photo, as they were set once. */
export interface LandmarkRecord {
  id: string;
  /** What it is, where that is known: the label that a guide is learned by. */
  kind?: string;
  /** The photo's name. */
  image?: string;
  /** Its height in pixels: y runs down here, and up in TPS. */
  height?: number;
  /** Millimetres per pixel, where it is known. */
  scale?: number;
  landmarks: { name: string; at: PixelPoint }[];
  /** Curves and outlines. */
  curves: { name: string; points: PixelPoint[] }[];
}

/** Documented JSON: pixels from the upper left corner, y down. */
export const landmarksJson = (records: readonly LandmarkRecord[]): string =>
  JSON.stringify({ format: 'plesion-landmarks', formatVersion: 1, unit: 'px', origin: 'upper left, y down', records }, null, 1);

/** One line a point: the specimen, the photo, whether a landmark or which point of a curve, x and y in pixels, y down. */
export function landmarksCsv(records: readonly LandmarkRecord[]): string {
  const lines = records.flatMap(({ id, image = '', scale, landmarks, curves }) => [
    ...landmarks.map(({ name, at: [x, y] }) => [id, image, scale ?? '', name, '', x, y]),
    ...curves.flatMap(({ name, points }) => points.map(([x, y], i) => [id, image, scale ?? '', name, i + 1, x, y])),
  ]);
  return Papa.unparse([['id', 'image', 'mm_per_px', 'landmark', 'point_of_curve', 'x', 'y'], ...lines], {
    escapeFormulae: true,
    newline: '\r\n',
  });
}

const oneLine = (text: string) => text.replace(/[\r\n]+/g, ' ').trim();

/**
 * The open text format of morphometrics (TPS: Rohlf 2015): `LM=` and the landmarks, `CURVES=` and `POINTS=`,
 * then `IMAGE=`, `ID=`, `SCALE=`. Its y runs up from the lower edge, so a record needs the height of its
 * photo; without one y is written as it is.
 */
export function writeTps(records: readonly LandmarkRecord[]): string {
  return records
    .map(({ id, image, height, scale, landmarks, curves }) => {
      const point = ([x, y]: PixelPoint) => `${x} ${height === undefined ? y : height - y}`;
      return [
        `LM=${landmarks.length}`,
        ...landmarks.map(({ at }) => point(at)),
        ...(curves.length ? [`CURVES=${curves.length}`] : []),
        ...curves.flatMap(({ points }) => [`POINTS=${points.length}`, ...points.map(point)]),
        ...(image ? [`IMAGE=${oneLine(image)}`] : []),
        `ID=${oneLine(id)}`,
        ...(scale === undefined ? [] : [`SCALE=${scale}`]),
      ].join('\n');
    })
    .join('\n')
    .concat('\n');
}

/**
 * TPS text read: landmarks are called by their number, from 1. Two dimensions, in any case of letters; unknown
 * keywords are passed over. y is left running up, unless the height of the photos is given.
 */
export function readTps(text: string, height?: number): Outcome<LandmarkRecord[]> {
  const lines = text.split(/\r?\n/).map((line) => line.trim());
  const records: LandmarkRecord[] = [];
  let at = 0;
  const refuse = (code: string, what: string) =>
    failed<LandmarkRecord[]>({ code, message: `Line ${at + 1}: ${what}`, field: `line ${at + 1}` });
  const read = (n: number): PixelPoint[] | undefined => {
    const points: PixelPoint[] = [];
    while (points.length < n) {
      const [x, y, ...more] = (lines[at] ?? '').split(/\s+/).map(Number);
      if (!Number.isFinite(x) || !Number.isFinite(y) || more.length || !lines[at]) return undefined;
      points.push([x, height === undefined ? y : height - y]);
      at++;
    }
    return points;
  };
  while (at < lines.length) {
    const [, word, value] = /^(\w+)\s*=\s*(.*)$/.exec(lines[at]) ?? [];
    if (!lines[at]) {
      at++;
      continue;
    }
    if (!word)
      return refuse('tps-unreadable', 'this is neither a keyword with its value, such as LM=4, nor a point where one is due.');
    const record = records.at(-1);
    const keyword = word.toUpperCase();
    if (keyword !== 'LM' && !record)
      return refuse('tps-without-landmarks', 'a record begins with LM= and the number of its landmarks.');
    if (keyword === 'LM' || keyword === 'POINTS') {
      const n = Number(value);
      if (!Number.isInteger(n) || n < 0 || n > 100_000) return refuse('tps-bad-number', `“${value}” is no number of points.`);
      at++;
      const points = read(n);
      if (!points) return refuse('tps-bad-point', `a point should be here, as two numbers: ${n} were announced.`);
      if (keyword === 'LM')
        records.push({
          id: String(records.length + 1),
          ...(height === undefined ? {} : { height }),
          landmarks: points.map((place, i) => ({ name: String(i + 1), at: place })),
          curves: [],
        });
      else record!.curves.push({ name: `curve ${record!.curves.length + 1}`, points });
      continue;
    }
    if (keyword === 'ID') record!.id = value;
    if (keyword === 'IMAGE') record!.image = value;
    if (keyword === 'SCALE' && Number(value) > 0) record!.scale = Number(value);
    at++;
  }
  return records.length ? done(records) : failed({ code: 'tps-empty', message: 'There are no landmarks in it.', field: 'text' });
}

/**
 * Landmarks of many specimens as a table to learn a guide from: a row for each, with the distances between
 * its landmarks, in millimetres where all have a scale, else in the size of each (root of the summed squares
 * about its middle, Bookstein 1991), so that nearness to the camera cancels.
 */
export function landmarkTable(records: readonly LandmarkRecord[]): string {
  const names = (records[0]?.landmarks ?? []).map(({ name }) => name);
  const alike = records.filter(({ landmarks }) => names.every((name) => landmarks.some((one) => one.name === name)));
  const scaled = alike.every(({ scale }) => scale !== undefined);
  const pairs = names.flatMap((a, i) => names.slice(i + 1).map((b) => [a, b] as const));
  const labelled = alike.some(({ kind }) => kind !== undefined);
  const rows = alike.map(({ id, kind = '', scale, landmarks }) => {
    const place = new Map(landmarks.map(({ name, at }) => [name, at]));
    const places = names.map((name) => place.get(name)!);
    const middle = [0, 1].map((c) => places.reduce((sum, p) => sum + p[c], 0) / places.length);
    const size = Math.sqrt(places.reduce((sum, p) => sum + (p[0] - middle[0]) ** 2 + (p[1] - middle[1]) ** 2, 0));
    const unit = scaled ? scale! : 1 / size;
    return [
      id,
      ...(labelled ? [kind] : []),
      ...pairs.map(([a, b]) => {
        const [p, q] = [place.get(a)!, place.get(b)!];
        return Number((Math.hypot(p[0] - q[0], p[1] - q[1]) * unit).toPrecision(7));
      }),
    ];
  });
  return Papa.unparse(
    [['id', ...(labelled ? ['kind'] : []), ...pairs.map(([a, b]) => `${a}–${b}${scaled ? ' (mm)' : ''}`)], ...rows],
    {
      escapeFormulae: true,
      newline: '\r\n',
    },
  );
}

/**
 * TPS text of many specimens as a table to learn a guide from. What each is, is taken from its ID: the words
 * before its number, as in `ID=slender 07`.
 */
export function tpsTable(text: string): Outcome<string> {
  const read = readTps(text);
  if (!read.ok) return read;
  const records = read.value.map((record) => {
    const kind = record.id.replace(/[\s_\-.#]*\d.*$/s, '').trim();
    return { ...record, ...(kind ? { kind } : {}) };
  });
  const [{ landmarks }] = records;
  if (landmarks.length < 2)
    return failed({
      code: 'tps-few-landmarks',
      message: 'Its specimens have fewer than two landmarks: there is no distance to learn from.',
      field: 'text',
    });
  const other = records.find((record) => record.landmarks.length !== landmarks.length);
  if (other)
    return failed({
      code: 'tps-unequal',
      message: `“${other.id}” has ${other.landmarks.length} landmarks and “${records[0].id}” ${landmarks.length}: all need the same.`,
      field: 'text',
    });
  return done(landmarkTable(records));
}
