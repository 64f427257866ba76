/** A weight to hang on the beam. */
export interface Hung {
  /** Place in the readings; -1 for what stood before looking. */
  reading: number;
  bits: number;
}

export interface Placed extends Hung {
  /** Position on the axis, -1 (all for the left) … 1 (all for the right). */
  at: number;
  /** Side of the square or diameter of the disc, in pixels. */
  size: number;
  /** Which of the strings' lengths, 0 the shortest. */
  row: number;
}

export interface BeamLayout {
  /** Bits at either end of the axis. */
  reach: number;
  weights: Placed[];
  pointer: number;
  /** Is the sum beyond the end of the axis? */
  beyond: boolean;
  notches: [number, number];
}

/** Weights lighter than this only clutter the beam. */
const LEAST = 0.05;
const MOST_REACH = 10;

/**
 * Where everything hangs. The left candidate's evidence lies to the left, so
 * bits for it are drawn at negative positions; weights that would touch hang on
 * longer strings.
 */
export function layOutBeam(hung: readonly Hung[], sum: number, enough: number, width: number): BeamLayout {
  const largest = hung.reduce((most, { bits }) => Math.max(most, Math.abs(bits)), 0);
  const reach = Math.min(MOST_REACH, Math.max(enough + 1, largest + 0.5));
  const place = (bits: number) => Math.max(-1, Math.min(1, -bits / reach));
  const ends: number[] = [];
  const weights = hung
    .filter(({ bits }) => Math.abs(bits) >= LEAST)
    .map((item) => ({ ...item, at: place(item.bits), size: Math.min(30, 10 + 8 * Math.sqrt(Math.abs(item.bits))) }))
    .sort((a, b) => a.at - b.at)
    .map((item): Placed => {
      const left = (item.at * width) / 2 - item.size / 2;
      const row = ends.findIndex((end) => end + 4 <= left);
      const free = row >= 0 ? row : ends.length;
      ends[free] = left + item.size;
      return { ...item, row: free };
    });
  return { reach, weights, pointer: place(sum), beyond: Math.abs(sum) > reach, notches: [-enough / reach, enough / reach] };
}
