import type { Protocol } from '@plesion/core/guide';
import { type PixelPoint, placesOf, type PointSet, type Scale } from '@plesion/core/measure';

/** What tells how large a pixel is: nothing, a known length, the corners of a known rectangle, or nine crossings of a grid. */
export const SCALE_KINDS = ['none', 'length', 'rectangle', 'grid'] as const;
export type ScaleKind = (typeof SCALE_KINDS)[number];

/** The scale as it is entered: its kind, and what is known, in millimetres. */
export interface ScaleEntry {
  kind: ScaleKind;
  mm: string;
  width: string;
  height: string;
}

export const NO_SCALE: ScaleEntry = { kind: 'none', mm: '', width: '', height: '' };

type LandmarkKind = Protocol['landmarks'][number]['kind'];

/** One thing to be set on the photo. */
export interface Step {
  id: string;
  label: string;
  kind: LandmarkKind;
  /** Spots, that the machine may look for. */
  spots?: boolean;
  /** Belongs to the scale, and is set once for all repeats. */
  scale?: boolean;
}

const LENGTH_ENDS = ['scale from', 'scale to'];
const CORNERS = ['corner 1', 'corner 2', 'corner 3', 'corner 4'];
/** Crossings of a grid, three rows of three; more of them say how even it lies. */
const CROSSINGS = [0, 1, 2].flatMap((row) =>
  [0, 1, 2].map((column) => ({ id: `crossing ${3 * row + column + 1}`, row, column })),
);
const ROWS = ['upper', 'middle', 'lower'];
const COLUMNS = ['left', 'middle', 'right'];

const CORNER_WORDS = ['upper left', 'upper right', 'lower right', 'lower left'];

/** Needs a value a scale, because it is told in millimetres? */
export const needsScale = ({ quantity }: Protocol): boolean =>
  quantity.kind === 'length' || quantity.kind === 'area' || (quantity.kind === 'reach' && !quantity.denominator);

/** All that is to be set, in its order: the scale first, since nothing can be told without it. */
export function stepsOf({ landmarks }: Pick<Protocol, 'landmarks'>, scale: ScaleKind): Step[] {
  const own = landmarks.map(({ id, label, kind, spots }): Step => ({ id, label, kind, spots }));
  if (scale === 'length') {
    const words = ['one end of the known length', 'its other end'];
    return [...LENGTH_ENDS.map((id, i) => ({ id, label: words[i], kind: 'point' as const, scale: true })), ...own];
  }
  if (scale === 'grid')
    return [
      ...CROSSINGS.map(({ id, row, column }) => ({
        id,
        label: `crossing of the grid: ${ROWS[row]} row, ${COLUMNS[column]}`,
        kind: 'point' as const,
        scale: true,
      })),
      ...own,
    ];
  if (scale === 'rectangle')
    return [
      ...CORNERS.map((id, i) => ({
        id,
        label: `${CORNER_WORDS[i]} corner of the rectangle`,
        kind: 'point' as const,
        scale: true,
      })),
      ...own,
    ];
  return own;
}

/** Is a step done with? Curves and markers go on until the person says so. */
export const isWhole = (set: PointSet, { id, kind }: Step): boolean => pointsOf(set, id).length >= LEAST[kind];
const LEAST: Record<LandmarkKind, number> = { point: 1, path: 2, outline: 3, markers: 1 };

export const pointsOf = (set: PointSet, id: string): PixelPoint[] => {
  const place = set[id];
  return place ? placesOf(place) : [];
};

/** A length above 0 as it is typed, with a comma or a point; undefined where it is none. */
export const lengthTyped = (text: string): number | undefined => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() && Number.isFinite(value) && value > 0 ? value : undefined;
};

/** The scale for the measuring core; undefined while something of it is missing. */
export function scaleOf({ kind, mm, width, height }: ScaleEntry, set: PointSet): Scale | undefined {
  if (kind === 'length') {
    const [a, b] = LENGTH_ENDS.map((id) => pointsOf(set, id)[0]);
    const long = lengthTyped(mm);
    return a && b && long ? { kind: 'lengths', references: [{ ends: [a, b], mm: long }] } : undefined;
  }
  if (kind === 'grid') {
    const side = lengthTyped(mm);
    const points = CROSSINGS.flatMap(({ id, row, column }) => {
      const at = pointsOf(set, id)[0];
      return at && side ? [{ at, mm: [column * side, row * side] as PixelPoint }] : [];
    });
    return points.length === CROSSINGS.length ? { kind: 'grid', points } : undefined;
  }
  if (kind === 'rectangle') {
    const at = CORNERS.map((id) => pointsOf(set, id)[0]);
    const [w, h] = [lengthTyped(width), lengthTyped(height)];
    if (!w || !h || at.some((corner) => !corner)) return undefined;
    const mms: PixelPoint[] = [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ];
    return { kind: 'grid', points: at.map((corner, i) => ({ at: corner, mm: mms[i] })) };
  }
  return undefined;
}

const OF_SCALE = new Set([...LENGTH_ENDS, ...CORNERS, ...CROSSINGS.map(({ id }) => id)]);

/** The points that belong to the thing measured, without those of the scale. */
export const withoutScale = (set: PointSet): PointSet =>
  Object.fromEntries(Object.entries(set).filter(([id]) => !OF_SCALE.has(id)));

/** The points of the scale alone. */
export const onlyScale = (set: PointSet): PointSet => Object.fromEntries(Object.entries(set).filter(([id]) => OF_SCALE.has(id)));
