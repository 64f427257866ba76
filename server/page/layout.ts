import type { PageContent, PagePlate } from '@plesion/core/page';
import { type Face, widthOf, wrapped } from './fonts';
import type { Box, Item, Page } from './items';

/** A4, in points. */
const WIDTH = 595;
const HEIGHT = 842;
const EDGE = 40;
const INNER = WIDTH - 2 * EDGE;

const INK = '#10211F';
const QUIET = '#4C5F5C';
const KELP = '#0E4F4A';
const HAIR = '#C8D2D0';
const HAZARD = '#A80F3F';
const PAPER = '#FBFAF6';

/** The photo of the specimen, with its size in pixels. */
export interface Photo {
  jpeg: Buffer;
  width: number;
  height: number;
}

/** Lay a page out: title, plates with their marks pointed at, the words, the caution. All of it on one sheet. */
export function layOut(content: PageContent, photo?: Photo): Page {
  const items: Item[] = [];
  const words = (text: string, face: Face, size: number, x: number, y: number, width: number, colour = INK): number => {
    const lines = wrapped(text, face, size, width);
    lines.forEach((line, i) => items.push({ kind: 'text', text: line, face, size, x, y: y + size + i * size * 1.36, colour }));
    return y + lines.length * size * 1.36;
  };
  let y = placeTitle(items, content.title);
  y = words(content.subtitle, 'text', 10, EDGE, y + 2, INNER, QUIET) + 8;
  const row = photo ? photoRow(photo) : 0;
  y = placePlates(items, content.plates, y, INNER - row, photo ? 190 : content.plates.length > 2 ? 168 : 236);
  if (photo) placePhoto(items, photo, photoBox(photo, y, row), content.marks);
  y = words(content.lead, 'text', 10, EDGE, y + 8, INNER) + 8;
  for (const mark of content.marks) {
    items.push({ kind: 'disc', at: [EDGE + 8, y + 9], radius: 8, fill: KELP });
    items.push({
      kind: 'text',
      text: String(mark.number),
      face: 'strong',
      size: 9.5,
      x: EDGE + 8,
      y: y + 12.4,
      colour: '#FFFFFF',
      middle: true,
    });
    y = words(mark.heading, 'strong', 10.5, EDGE + 26, y, INNER - 26);
    y = words(mark.text, 'text', 9.5, EDGE + 26, y + 1, INNER - 26, QUIET) + 6;
  }
  for (const note of content.notes)
    y = words(note, 'text', 9.5, EDGE, y + 2, INNER, note.startsWith('Danger') ? HAZARD : INK) + 2;
  const caution = wrapped(content.caution, 'text', 8.5, INNER - 20);
  const box: Box = {
    x: EDGE,
    y: Math.max(y + 8, HEIGHT - EDGE - caution.length * 11.6 - 26),
    width: INNER,
    height: caution.length * 11.6 + 26,
  };
  items.push({ kind: 'panel', box, fill: '#FBE9EE', stroke: HAZARD, radius: 6 });
  words('Take care', 'strong', 9.5, EDGE + 10, box.y + 4, INNER - 20, HAZARD);
  words(content.caution, 'text', 8.5, EDGE + 10, box.y + 18, INNER - 20);
  return {
    width: WIDTH,
    height: Math.max(HEIGHT, box.y + box.height + EDGE / 2),
    title: content.title.map(({ text }) => text).join(''),
    items,
  };
}

/** A name as it is typeset, made smaller until it fits; returns where it ends. */
function placeTitle(items: Item[], parts: PageContent['title']): number {
  const faceOf = ({ italic }: { italic: boolean }): Face => (italic ? 'name' : 'upright');
  const whole = parts.reduce((sum, part) => sum + widthOf(part.text, faceOf(part), 1), 0);
  const size = Math.min(24, INNER / whole);
  let x = EDGE;
  for (const part of parts) {
    items.push({ kind: 'text', text: part.text, face: faceOf(part), size, x, y: EDGE + 18, colour: INK });
    x += widthOf(part.text, faceOf(part), size);
  }
  return EDGE + 26;
}

const photoRow = ({ width, height }: Photo) => Math.min(210, (190 * width) / height) + 10;

/** The number of a mark, where it is pointed at. */
function badge(items: Item[], number: number, at: [number, number]): void {
  items.push({ kind: 'disc', at, radius: 8, fill: '#FFFFFF', stroke: KELP, width: 1.4 });
  const [x, y] = [at[0], at[1] + 3.4];
  items.push({ kind: 'text', text: String(number), face: 'strong', size: 9.5, x, y, colour: KELP, middle: true });
}

/** The photo, with the marks that were pointed at on it. */
function placePhoto(items: Item[], photo: Photo, box: Box, marks: PageContent['marks']): void {
  items.push({ kind: 'photo', jpeg: photo.jpeg, box });
  for (const { number, at } of marks) {
    if (!at) continue;
    const own: [number, number] = [box.x + at.x * box.width, box.y + at.y * box.height];
    badge(items, number, own);
  }
}

function photoBox(photo: Photo, bottom: number, row: number): Box {
  const width = row - 10;
  const height = (width * photo.height) / photo.width;
  return { x: WIDTH - EDGE - width, y: bottom - 24 - height, width, height };
}

/** Plates side by side, all at one scale, in rows of up to four; returns where the last row ends. */
function placePlates(items: Item[], plates: readonly PagePlate[], top: number, room: number, tall: number): number {
  if (plates.length === 0) return top;
  const perRow = Math.min(plates.length, plates.length > 4 ? Math.ceil(plates.length / 2) : 4);
  const width = room / perRow;
  const widest = Math.max(...plates.map(({ plate }) => plate.box.width));
  const tallest = Math.max(...plates.map(({ plate }) => plate.box.height));
  const scale = Math.min((width - 56) / widest, tall / tallest);
  const height = tallest * scale + 34;
  plates.forEach((one, i) => {
    const box: Box = { x: EDGE + (i % perRow) * width, y: top + Math.floor(i / perRow) * (height + 6), width: width - 6, height };
    placePlate(items, one, box, scale);
  });
  return top + Math.ceil(plates.length / perRow) * (height + 6);
}

function placePlate(items: Item[], { plate, caption, pointers }: PagePlate, box: Box, scale: number): void {
  items.push({ kind: 'panel', box, fill: PAPER, stroke: HAIR, radius: 6 });
  const x = box.x + (box.width - plate.box.width * scale) / 2;
  const y = box.y + 8 + (box.height - 34 - plate.box.height * scale) / 2;
  // Paths are in hundredths of a millimetre.
  const place = { scale: scale / 100, dx: x - plate.box.x * scale, dy: y - plate.box.y * scale };
  for (const ink of plate.inks) {
    items.push({
      kind: 'path',
      d: ink.d,
      ...place,
      fill: ink.fill,
      stroke: ink.stroke,
      width: ink.strokeWidth ?? 1,
      opacity: ink.opacity,
    });
  }
  const middle = box.x + box.width / 2;
  const sides: Record<'left' | 'right', { number: number; at: [number, number] }[]> = { left: [], right: [] };
  for (const { number, part } of pointers) {
    const own = plate.parts[part];
    if (!own) continue;
    const at: [number, number] = [place.dx + (own.x + own.width / 2) * scale, place.dy + (own.y + own.height / 2) * scale];
    const side =
      Math.abs(at[0] - middle) < 4
        ? sides.left.length <= sides.right.length
          ? 'left'
          : 'right'
        : at[0] < middle
          ? 'left'
          : 'right';
    sides[side].push({ number, at });
  }
  for (const [side, marks] of Object.entries(sides)) {
    let least = box.y + 14;
    marks
      .sort((a, b) => a.at[1] - b.at[1])
      .forEach(({ number, at }) => {
        const own: [number, number] = [side === 'left' ? box.x + 13 : box.x + box.width - 13, Math.max(least, at[1])];
        least = own[1] + 19;
        items.push({ kind: 'line', from: own, to: at, stroke: KELP, width: 0.9 });
        items.push({ kind: 'disc', at, radius: 1.8, fill: KELP });
        badge(items, number, own);
      });
  }
  items.push({ kind: 'text', text: caption, face: 'text', size: 9, x: box.x + 8, y: box.y + box.height - 9, colour: QUIET });
  items.push({
    kind: 'line',
    from: [box.x + box.width - 10 - 10 * scale, box.y + box.height - 8],
    to: [box.x + box.width - 10, box.y + box.height - 8],
    stroke: INK,
    width: 1.4,
  });
  items.push({
    kind: 'text',
    text: '10 mm',
    face: 'text',
    size: 7,
    x: box.x + box.width - 10 - 5 * scale,
    y: box.y + box.height - 11,
    colour: QUIET,
    middle: true,
  });
}
