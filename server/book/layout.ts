import { leadersOf, type PointedPart, type Plate, type ScaleBar, scaleBar } from '@plesion/core/plates';
import type { NamePart } from '@plesion/core/guide';
import { widthOf, wrapped } from '../print/fonts';
import type { Item, Page } from '../print/items';
import { INK, KELP, PAPER, QUIET } from '../print/palette';

/** Points. */
const EDGE = 22;
const LABEL = 150;
const LONGEST = 560;
const LINE = 13;

interface PlatePage {
  plate: Plate;
  title: readonly NamePart[];
  caption: string;
  characters: readonly PointedPart[];
}

/** A plate by itself: name above, labels on both sides with leader lines to the parts, scale bar below. */
export function layPlate({ plate, title, caption, characters }: PlatePage): Page {
  const side = characters.length ? LABEL : 0;
  const scale = LONGEST / Math.max(plate.box.width, plate.box.height);
  const [wide, high] = [plate.box.width * scale, plate.box.height * scale];
  const [left, top] = [EDGE + side, EDGE + 46];
  const width = wide + 2 * (EDGE + side);
  const height = top + high + 54;
  const at = ([x, y]: readonly [number, number]): [number, number] => [
    left + (x - plate.box.x) * scale,
    top + (y - plate.box.y) * scale,
  ];
  const items: Item[] = [{ kind: 'panel', box: { x: 0, y: 0, width, height }, fill: PAPER, radius: 0 }];
  placeName(items, title, width - 2 * EDGE);
  items.push({ kind: 'text', text: caption, face: 'text', size: 10, x: EDGE, y: EDGE + 32, colour: QUIET });
  const [dx, dy] = at([0, 0]);
  for (const { d, fill, stroke, strokeWidth, opacity } of plate.inks)
    items.push({ kind: 'path', d, scale: scale / 100, dx, dy, fill, stroke, width: strokeWidth ?? 1, opacity });
  for (const { text, side: where, from, to } of leadersOf(plate, characters, (3.4 * LINE) / scale)) {
    const lines = wrapped(text, 'text', 10, LABEL - 14);
    const edge = at(from);
    const end = at(to);
    const [start, x] =
      where === 'left'
        ? [edge[0] - 6, edge[0] - 12 - Math.max(...lines.map((l) => widthOf(l, 'text', 10)))]
        : [edge[0] + 6, edge[0] + 12];
    items.push({ kind: 'line', from: [start, edge[1]], to: end, stroke: KELP, width: 0.8 });
    items.push({ kind: 'disc', at: end, radius: 2, fill: KELP });
    lines.forEach((line, i) =>
      items.push({
        kind: 'text',
        text: line,
        face: 'text',
        size: 10,
        x,
        y: edge[1] + 3.5 + (i - (lines.length - 1) / 2) * LINE,
        colour: INK,
      }),
    );
  }
  const bar = scaleBar(plate);
  if (bar) placeScale(items, bar, scale, [width - EDGE, height - EDGE]);
  return { width, height, title: title.map(({ text }) => text).join(''), items };
}

function placeScale(items: Item[], { mm, label }: ScaleBar, scale: number, [right, foot]: [number, number]): void {
  items.push({ kind: 'line', from: [right - mm * scale, foot], to: [right, foot], stroke: INK, width: 1.6 });
  const x = right - (mm * scale) / 2;
  items.push({ kind: 'text', text: label, face: 'text', size: 9, x, y: foot - 6, colour: QUIET, middle: true });
}

function placeName(items: Item[], parts: readonly NamePart[], room: number): void {
  const faceOf = ({ italic }: NamePart) => (italic ? ('name' as const) : ('upright' as const));
  const size = Math.min(20, room / parts.reduce((sum, part) => sum + widthOf(part.text, faceOf(part), 1), 0));
  let x = EDGE;
  for (const part of parts) {
    items.push({ kind: 'text', text: part.text, face: faceOf(part), size, x, y: EDGE + 14, colour: INK });
    x += widthOf(part.text, faceOf(part), size);
  }
}
