import { dotPath, type Plate } from './display';
import type { Box, Point } from './geometry';

/** A length of a path that was drawn larger, without a needless nought. */
const share = (number: number, by: number) => String(number / by).replace(/^(-?)0\./, '$1.');

/** Dots again, each at the nearest hundredth. */
function dotsReduced(d: string, by: number): string {
  let [x, y] = [0, 0];
  const places = [...d.matchAll(/(-?\d+) ?(-?\d+)h0/g)].map(([, dx, dy]): Point => {
    x += Number(dx);
    y += Number(dy);
    return [x / by / 100, y / by / 100];
  });
  return dotPath(places);
}

/** A path at a tenth, say, of the size it was drawn at. */
function pathReduced(d: string, by: number): string {
  if (d.includes('h0')) return dotsReduced(d, by);
  // Hairs and hatches, of straight strokes only, have no facets to lose.
  const straight = !/[csa]/.test(d);
  return d.replace(/([a-zA-Z])([^a-zA-Z]*)/g, (_, letter: string, rest: string) => {
    const numbers = (rest.match(/-?\d+/g) ?? []).map(Number);
    // Of an arc, the turn and both flags are no lengths.
    const told = numbers.map((n, i) =>
      letter === 'a' && i % 7 > 1 && i % 7 < 5 ? String(n) : share(straight ? Math.round(n / by) * by : n, by),
    );
    return letter + told.reduce((text, n, i) => text + (i > 0 && !n.startsWith('-') ? ' ' : '') + n, '');
  });
}

/**
 * A plate that was drawn several times as large as it is, at its own size: its lines are then exact to less than
 * a hundredth of a millimetre, so that a head of one millimetre has no facets. Dots and straight strokes stay at hundredths.
 *
 * @param by how many times as large: a whole number that leaves no long fractions, as 2 or 10.
 */
export function reduced(plate: Plate, by: number): Plate {
  if (by === 1) return plate;
  const { box, inks, parts, ...rest } = plate;
  const small = ({ x, y, width, height }: Box): Box => ({ x: x / by, y: y / by, width: width / by, height: height / by });
  return {
    ...rest,
    box: small(box),
    parts: Object.fromEntries(Object.entries(parts).map(([part, own]) => [part, small(own)])),
    inks: inks.map((ink) => ({
      ...ink,
      d: pathReduced(ink.d, by),
      ...(ink.strokeWidth === undefined ? {} : { strokeWidth: ink.strokeWidth / by }),
    })),
  };
}
