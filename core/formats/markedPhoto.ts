import { drawnOf, type PixelPoint, type PointSet } from '../measure';
import { escapeXml } from '../plates';
import type { Quantity } from '../guide/working';

/** A photo with what is to be shown on it. */
export interface MarkedPhoto {
  /** Address of the picture, or its bytes as a data address. */
  href: string;
  width: number;
  height: number;
  title: string;
  /** Who made it. */
  credit?: string;
  /** Characters that were pointed at: where, as shares of width and height, and what was read. */
  pins: readonly { at: { x: number; y: number }; says: string }[];
  /** What was measured on it: points in the pixels of a picture of this size. */
  measured: readonly { quantity: Quantity; set: PointSet; size: { width: number; height: number }; says: string }[];
}

const KELP = '#0E4F4A';
const PAPER = '#FBFAF6';

/**
 * The photo as SVG 1.1, with numbered pins, the lines that were measured, and below it a legend
 * that says what each is. Lines are drawn dark under pale, so that they show on any ground.
 */
export function markedPhotoSvg({ href, width, height, title, credit, pins, measured }: MarkedPhoto): string {
  const unit = Math.max(width, height) / 100;
  const number = (value: number) => String(Number(value.toFixed(1)));
  const pathOf = (points: readonly PixelPoint[], closed: boolean) =>
    points.map(([x, y], i) => `${i ? 'L' : 'M'}${number(x)} ${number(y)}`).join('') + (closed ? 'Z' : '');
  const stroke = (d: string) =>
    `<path d="${d}" fill="none" stroke="#08110f" stroke-opacity=".7" stroke-width="${number(unit * 0.55)}"/>` +
    `<path d="${d}" fill="none" stroke="#fff" stroke-width="${number(unit * 0.25)}"/>`;
  const badge = (n: number, [x, y]: PixelPoint, dashed: boolean) =>
    `<circle cx="${number(x)}" cy="${number(y)}" r="${number(unit * 1.5)}" fill="${PAPER}" stroke="${KELP}" stroke-width="${number(unit * 0.25)}"${
      dashed ? ` stroke-dasharray="${number(unit * 0.5)}"` : ''
    }/><text x="${number(x)}" y="${number(y + unit * 0.65)}" font-size="${number(unit * 1.9)}" text-anchor="middle" fill="${KELP}" font-family="sans-serif" font-weight="bold">${n}</text>`;
  const legend: string[] = [];
  const drawn: string[] = [];
  pins.forEach(({ at, says }) => {
    legend.push(says);
    drawn.push(badge(legend.length, [at.x * width, at.y * height], false));
  });
  for (const { quantity, set, size, says } of measured) {
    const { lines, places } = drawnOf(quantity, set);
    const to = ([x, y]: PixelPoint): PixelPoint => [(x * width) / size.width, (y * height) / size.height];
    legend.push(says);
    for (const { points, closed } of lines) drawn.push(stroke(pathOf(points.map(to), closed)));
    for (const place of places) {
      const [x, y] = to(place);
      drawn.push(
        `<circle cx="${number(x)}" cy="${number(y)}" r="${number(unit * 0.8)}" fill="none" stroke="#08110f" stroke-width="${number(unit * 0.4)}"/><circle cx="${number(x)}" cy="${number(y)}" r="${number(unit * 0.8)}" fill="none" stroke="#fff" stroke-width="${number(unit * 0.2)}"/>`,
      );
    }
    const first = lines[0]?.points ?? places;
    const middle = first[Math.floor(first.length / 2)];
    if (middle) drawn.push(badge(legend.length, to(first.length === 2 ? between(first[0], first[1]) : middle), true));
  }
  const line = unit * 3.2;
  const words = [...legend.map((says, i) => `${i + 1}  ${says}`), ...(credit ? [`Photo: ${credit}`] : [])];
  const foot = words.length ? line * (words.length + 0.8) : 0;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 ${width} ${number(height + foot)}" width="${width}" height="${number(height + foot)}" role="img">`,
    `<title>${escapeXml(title)}</title>`,
    `<rect width="100%" height="100%" fill="${PAPER}"/>`,
    `<image width="${width}" height="${height}" href="${escapeXml(href)}" xlink:href="${escapeXml(href)}"/>`,
    ...drawn,
    ...words.map(
      (says, i) =>
        `<text x="${number(unit * 2)}" y="${number(height + line * (i + 1))}" font-size="${number(unit * 2.1)}" fill="#10211F" font-family="sans-serif">${escapeXml(says)}</text>`,
    ),
    '</svg>',
    '',
  ].join('\n');
}

const between = (a: PixelPoint, b: PixelPoint): PixelPoint => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
