import type { Quantity } from '../keys';
import { unitFactor } from '../keys/units';
import type { Measure } from './measures';

/** From where to where a number may lie, in the character's unit; an end that is not said is left open. */
export interface Bounds {
  low?: number;
  high?: number;
  lowOpen: boolean;
  highOpen: boolean;
}

export function boundsOf({ low, high, lowOpen = false, highOpen = false, unit }: Quantity, measure: Measure): Bounds {
  const factor = measure.kind === 'measurement' ? (unitFactor(unit, measure.unit) ?? 1) : 1;
  const scaled = (value: number) => Number((value * factor).toPrecision(12));
  return {
    ...(low === undefined ? {} : { low: scaled(low) }),
    ...(high === undefined ? {} : { high: scaled(high) }),
    lowOpen,
    highOpen,
  };
}

export const isClosed = ({ low, high }: Bounds): boolean => low !== undefined && high !== undefined;

/** Stretches of a number line that a key parts it into, each with what it is called. */
export interface Classes {
  labels: string[];
  /** The places of the stretches that lie within bounds. */
  within: (bounds: Bounds) => number[];
}

interface Cut {
  at: number;
  /** The value itself belongs to what lies above: "under 5", "5 or more". */
  above: boolean;
}

/**
 * A number of which a key says only from where on, or up to where, told by stretches: whatever is claimed of it is
 * claimed as the key does, and no far end is made up. Of counts the ends are whole numbers.
 */
export function classesOf(all: readonly Bounds[], { kind, unit }: Measure): Classes {
  const whole = kind === 'count';
  // Fewer than none are never counted.
  const cutBelow = ({ low, lowOpen }: Bounds): Cut[] =>
    low === undefined || (whole && low <= 0 && !lowOpen)
      ? []
      : [whole ? { at: lowOpen ? Math.floor(low) + 1 : Math.ceil(low), above: true } : { at: low, above: !lowOpen }];
  const cutAbove = ({ high, highOpen }: Bounds): Cut[] =>
    high === undefined
      ? []
      : [whole ? { at: highOpen ? Math.ceil(high) : Math.floor(high) + 1, above: true } : { at: high, above: highOpen }];
  const cuts = new Map<number, Cut>();
  for (const cut of all.flatMap((bounds) => [...cutBelow(bounds), ...cutAbove(bounds)])) {
    const known = cuts.get(cut.at);
    // Said both ways, the value goes with those above: of measurements nothing lies on the very line.
    cuts.set(cut.at, known && known.above !== cut.above ? { at: cut.at, above: true } : cut);
  }
  const sorted = [...cuts.values()].sort((a, b) => a.at - b.at);
  const labels = Array.from({ length: sorted.length + 1 }, (_, i) => labelOf(sorted[i - 1], sorted[i], whole, unit));
  return {
    labels,
    within(bounds) {
      const from = cutBelow(bounds)[0]?.at ?? Number.NEGATIVE_INFINITY;
      const to = cutAbove(bounds)[0]?.at ?? Number.POSITIVE_INFINITY;
      return labels.flatMap((_, i) => {
        const [low, high] = [sorted[i - 1]?.at ?? Number.NEGATIVE_INFINITY, sorted[i]?.at ?? Number.POSITIVE_INFINITY];
        return low >= from && high <= to ? [i] : [];
      });
    },
  };
}

function labelOf(below: Cut | undefined, above: Cut | undefined, whole: boolean, unit: string | undefined): string {
  if (!whole) {
    const low = below && { low: below.at };
    const high = above && { high: above.at };
    return sayBounds(
      { ...low, ...high, lowOpen: below !== undefined && !below.above, highOpen: above?.above ?? false },
      { unit },
    );
  }
  if (!below) return above!.at === 1 ? '0' : `${above!.at - 1} or fewer`;
  if (!above) return `${below.at} or more`;
  return below.at === above.at - 1 ? `${below.at}` : `${below.at}–${above.at - 1}`;
}

/** Bounds in words: "3–5 mm", "over 8 mm". */
export function sayBounds({ low, high, lowOpen, highOpen }: Bounds, { unit }: Pick<Measure, 'unit'>): string {
  const said = (value: number) => `${value}${unit ? ` ${unit}` : ''}`;
  if (low === undefined) return high === undefined ? 'any' : `${highOpen ? 'under' : 'up to'} ${said(high)}`;
  if (high === undefined) return lowOpen ? `over ${said(low)}` : `${said(low)} or more`;
  return low === high ? said(low) : `${low}–${said(high)}`;
}
