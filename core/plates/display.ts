import { type Box, type Curve, grow, handles, type Point } from './geometry';

/** One path of a plate. Coordinates in `d` are hundredths of a millimetre: whole ones, but where a small thing is drawn large. */
export interface Ink {
  d: string;
  /** Which part of the body it draws, e.g. `carapace`, `claw-right`. */
  part: string;
  fill?: string;
  stroke?: string;
  /** Hundredths of a millimetre. */
  strokeWidth?: number;
  opacity?: number;
}

/** A drawing as plain data: paths in order of painting, and where its parts lie. Millimetres. */
export interface Plate {
  box: Box;
  inks: Ink[];
  /** Where each named part lies, for crops and leader lines. */
  parts: Record<string, Box>;
  /** How far out of focus it is seen: standard deviation in millimetres. */
  blur?: number;
  /** Its millimetres are not those of what it shows: no length stands beside it. */
  unscaled?: true;
}

export const INK = '#16211F';
export const PAPER = '#FBFAF6';

/** Hundredths of a millimetre. */
const units = (mm: number) => Math.round(mm * 100);

/** Joins numbers with the fewest characters: a minus sign needs no space before it. */
const packed = (numbers: readonly number[]) => numbers.reduce((text, n, i) => text + (i > 0 && n >= 0 ? ' ' : '') + n, '');

/**
 * A smooth curve as an SVG path of relative cubic segments. Where it runs on smoothly, the handle
 * into a knot mirrors the one out of it, and need not be written.
 */
export function curvePath(c: Curve): string {
  const segments = c.closed ? c.points.length : c.points.length - 1;
  let [x, y] = [units(c.points[0][0]), units(c.points[0][1])];
  let d = `M${packed([x, y])}`;
  let last = '';
  for (let i = 0; i < segments; i++) {
    const bends = handles(c, i)
      .slice(1)
      .map(([px, py]) => [units(px), units(py)]);
    const command = i > 0 && !c.sharp.has(i) ? 's' : 'c';
    const numbers = (command === 's' ? bends.slice(1) : bends).flatMap(([px, py]) => [px - x, py - y]);
    // A command that is repeated need not be named again.
    d += command === last ? (numbers[0] < 0 ? '' : ' ') : command;
    d += packed(numbers);
    last = command;
    [x, y] = bends[2];
  }
  return c.closed ? `${d}z` : d;
}

/** Straight lines through points. */
export function linePath(points: readonly Point[], closed = true): string {
  let [x, y] = [units(points[0][0]), units(points[0][1])];
  let d = `M${packed([x, y])}l`;
  const steps: number[] = [];
  for (const [px, py] of points.slice(1)) {
    const [nx, ny] = [units(px), units(py)];
    if (nx === x && ny === y) continue;
    steps.push(nx - x, ny - y);
    [x, y] = [nx, ny];
  }
  d += packed(steps);
  return closed ? `${d}z` : d;
}

/** Dots as strokes of no length; drawn with round caps of the stroke's width. */
export function dotPath(points: readonly Point[]): string {
  let [x, y] = [0, 0];
  return points
    .map(([px, py], i) => {
      const [nx, ny] = [units(px), units(py)];
      const move = i === 0 ? `M${packed([nx, ny])}h0` : `m${packed([nx - x, ny - y])}h0`;
      [x, y] = [nx, ny];
      return move;
    })
    .join('');
}

/** A disc, or several, as one path. */
export function discPath(discs: readonly { at: Point; radius: number }[]): string {
  return discs
    .map(({ at, radius }) => {
      const r = units(radius);
      return `M${packed([units(at[0]) - r, units(at[1])])}a${packed([r, r, 0, 1, 0, 2 * r, 0])}a${packed([r, r, 0, 1, 0, -2 * r, 0])}z`;
    })
    .join('');
}

/** Numbers that one command of each letter takes; `l` followed by four numbers is two commands. */
const TAKES: Record<string, number> = { c: 6, s: 4, l: 2, a: 7, m: 2, h: 1, z: 0 };

/** How many drawing commands a plate has, repeated ones counted each time. */
export const commandCount = (plate: Pick<Plate, 'inks'>): number =>
  plate.inks.reduce((sum, ink) => {
    const runs = ink.d.match(/[a-zA-Z][^a-zA-Z]*/g) ?? [];
    return (
      sum +
      runs.reduce((count, run) => {
        const numbers = run.slice(1).match(/-?[\d.]+/g)?.length ?? 0;
        return count + Math.max(1, numbers / (TAKES[run[0].toLowerCase()] || 1));
      }, 0)
    );
  }, 0);

/** Text as it may stand in an SVG or an attribute of it. */
export const escapeXml = (text: string): string => text.replace(/[<>&"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** The plate as a standalone SVG document, `width` pixels wide. */
export function plateSvg(plate: Plate, width: number, title: string): string {
  const { x, y, width: w, height: h } = plate.box;
  const paths = plate.inks.map((ink) => {
    const stroke = ink.stroke
      ? ` stroke="${ink.stroke}" stroke-width="${ink.strokeWidth ?? 1}" stroke-linecap="round" stroke-linejoin="round"`
      : '';
    const opacity = ink.opacity === undefined ? '' : ` opacity="${ink.opacity}"`;
    return `<path d="${ink.d}" fill="${ink.fill ?? 'none'}" fill-rule="evenodd"${stroke}${opacity}/>`;
  });
  const name = escapeXml(title);
  const drawn = plate.blur
    ? `<filter id="blur"><feGaussianBlur stdDeviation="${units(plate.blur)}"/></filter><g filter="url(#blur)">${paths.join('')}</g>`
    : paths.join('');
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${Math.round((width * h) / w)}" ` +
    `viewBox="${[x, y, w, h].map(units).join(' ')}" role="img"><title>${name}</title>${drawn}</svg>`
  );
}

/** The same plate seen through a window on some of its parts. */
export function cropPlate(plate: Plate, window: Box, parts?: ReadonlySet<string>): Plate {
  return { ...plate, box: window, inks: parts ? plate.inks.filter((ink) => parts.has(ink.part)) : plate.inks };
}

/** A square window round a box. */
export function squareRound(box: Box, margin: number): Box {
  const side = Math.max(box.width, box.height) * (1 + 2 * margin);
  return grow({ x: box.x + box.width / 2, y: box.y + box.height / 2, width: 0, height: 0 }, side / 2);
}
