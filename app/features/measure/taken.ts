import { type Character, isStates, type Protocol } from '@plesion/core/guide';
import { type Measured, measureSets, type PixelPoint, placesOf, type PointSet, type Scale } from '@plesion/core/measure';
import type { Reading } from '@plesion/core/observation';

/** What the points come to at this moment: a value in the character's unit, or why there is none yet. */
export interface Taken {
  value?: Measured;
  /** The same in the core's own unit, millimetres. */
  raw: number;
  /** The states that the value allows, for a character told by states. */
  states?: string[];
  problems: string[];
}

/** Millimetres to a unit that guides use. */
const UNITS: Record<string, number> = { mm: 1, cm: 10, m: 1000, µm: 0.001 };

/**
 * Work the quantity of a protocol out of what was set: the first set, and one for each repeat.
 *
 * @param size of the photo, in its own pixels; @param own how well the person points, where that is known.
 */
export function takenBy(
  character: Character,
  { quantity, states }: Protocol,
  sets: readonly PointSet[],
  scale: Scale | undefined,
  size: { width: number; height: number },
  own?: { sd: number; df?: number },
): Taken {
  const { values, warnings } = measureSets({ sets, quantity, scale, photo: size, own });
  const problems = warnings.map(({ message }) => message);
  const found = values[0];
  if (!found) return { raw: NaN, problems };
  const value = inUnit(found, character.unit);
  if (!states || !isStates(character)) return { value, raw: found.value, problems };
  const [low, high] = value.interval;
  const fitting = states.filter(({ from = -Infinity, to = Infinity }) => high >= from && low <= to).map(({ state }) => state);
  return { value, raw: found.value, states: fitting, problems };
}

function inUnit(found: Measured, unit: string | undefined): Measured {
  const power = found.unit === 'mm' ? 1 : found.unit === 'mm²' ? 2 : 0;
  const by = power && unit ? (UNITS[unit.replace('²', '')] ?? 1) ** power : 1;
  const [low, high] = found.interval;
  return {
    ...found,
    value: found.value / by,
    sd: found.sd / by,
    interval: [low / by, high / by],
    unit: power ? (unit ?? found.unit) : found.unit,
  };
}

/** The reading that a measurement makes; undefined where it comes to nothing that can be read. */
export function readingOf(
  character: Character,
  id: string,
  { value, states }: Taken,
  measurement: string,
  at?: PixelPoint,
  size?: { width: number; height: number },
  /** The photo it lies on, where that is not the one on top. */
  photo?: string,
): Reading | undefined {
  if (!value || value.unit === 'px' || value.unit === 'px²') return undefined;
  const share = (one: number, whole: number) => Math.round((one / whole) * 1000) / 1000;
  const pin =
    at && size ? { at: { x: share(at[0], size.width), y: share(at[1], size.height), ...(photo ? { photo } : {}) } } : {};
  const own = { id, character: character.id, measurement, ...pin };
  if (isStates(character)) return states?.length ? { ...own, states } : undefined;
  if (character.kind === 'count') return { ...own, value: Math.round(value.value) };
  return { ...own, value: rounded(value.value, value.sd), error: rounded(value.sd, value.sd) };
}

/** As many digits as the error leaves: two of the error. */
function rounded(value: number, sd: number): number {
  if (!(sd > 0)) return value;
  const digits = Math.max(0, 1 - Math.floor(Math.log10(sd)));
  return Number(value.toFixed(Math.min(8, digits)));
}

/** The middle of what was set: where it shows on the photo. */
export function middleOf(set: PointSet): PixelPoint | undefined {
  const all = Object.values(set).flatMap(placesOf);
  if (all.length === 0) return undefined;
  return [0, 1].map((c) => all.reduce((sum, p) => sum + p[c], 0) / all.length) as PixelPoint;
}
