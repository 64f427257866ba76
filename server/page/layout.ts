import type { PageContent, PagePlate } from '@plesion/core/page';
import { type ScaleBar, scaleBar } from '@plesion/core/plates';
import { type Face, widthOf, wrapped } from '../print/fonts';
import type { Box, Item, Page } from '../print/items';
import { BLUSH, HAIR, HAZARD, INK, KELP, PAPER, QUIET } from '../print/palette';

/** A sheet of paper, in points as it is laid out; `shrink` brings that to the size it is printed at. */
interface Paper {
  width: number;
  height: number;
  edge: number;
  shrink: number;
}

/** A5 is laid out a little larger than it is, so that its letters come out smaller than on A4, and still readable. */
export const PAPERS = {
  a4: { width: 595, height: 842, edge: 40, shrink: 1 },
  a5: { width: 500, height: 709, edge: 28, shrink: 0.84 },
} satisfies Record<string, Paper>;
export type PaperName = keyof typeof PAPERS;

/** The photo of the specimen, with its size in pixels. */
export interface Photo {
  jpeg: Buffer;
  width: number;
  height: number;
  /** What was measured on it: points as shares of its width and height. */
  lines?: [number, number][][];
}

/** Lay a page out: title, plates with their characters pointed at, the words, the caution. All of it on one sheet. */
export function layOut(content: PageContent, photo?: Photo, paper: PaperName = 'a4'): Page {
  const { width: sheetWidth, height: sheetHeight, edge, shrink } = PAPERS[paper];
  const inner = sheetWidth - 2 * edge;
  const items: Item[] = [];
  const words = (text: string, face: Face, size: number, x: number, y: number, width: number, colour = INK): number => {
    const lines = wrapped(text, face, size, width);
    lines.forEach((line, i) => items.push({ kind: 'text', text: line, face, size, x, y: y + size + i * size * 1.36, colour }));
    return y + lines.length * size * 1.36;
  };
  let y = placeTitle(items, content.title, edge, inner);
  y = words(content.subtitle, 'text', 10, edge, y + 2, inner, QUIET) + 8;
  const row = photo ? photoRow(photo) : 0;
  y = placePlates(items, content.plates, [edge, y], inner - row, photo ? 190 : content.plates.length > 2 ? 168 : 236);
  if (photo) placePhoto(items, photo, photoBox(photo, y, row, sheetWidth - edge), content.characters);
  y = placeRuns(items, content.lead, [edge, y + 8], inner) + 8;
  for (const character of content.characters) {
    items.push({ kind: 'disc', at: [edge + 8, y + 9], radius: 8, fill: KELP });
    items.push({
      kind: 'text',
      text: String(character.number),
      face: 'strong',
      size: 9.5,
      x: edge + 8,
      y: y + 12.4,
      colour: '#FFFFFF',
      middle: true,
    });
    y = words(character.heading, 'strong', 10.5, edge + 26, y, inner - 26);
    y = words(character.text, 'text', 9.5, edge + 26, y + 1, inner - 26, QUIET) + 6;
  }
  for (const note of content.notes)
    y = words(note, 'text', 9.5, edge, y + 2, inner, note.startsWith('Danger') ? HAZARD : INK) + 2;
  const caution = wrapped(content.caution, 'text', 8.5, inner - 20);
  const box: Box = {
    x: edge,
    y: Math.max(y + 8, sheetHeight - edge - caution.length * 11.6 - 26),
    width: inner,
    height: caution.length * 11.6 + 26,
  };
  items.push({ kind: 'panel', box, fill: BLUSH, stroke: HAZARD, radius: 6 });
  words('Take care', 'strong', 9.5, edge + 10, box.y + 4, inner - 20, HAZARD);
  words(content.caution, 'text', 8.5, edge + 10, box.y + 18, inner - 20);
  return shrunk(shrink, {
    width: sheetWidth,
    height: Math.max(sheetHeight, box.y + box.height + edge / 2),
    title: content.title.map(({ text }) => text).join(''),
    items,
  });
}

/** A name as it is typeset, made smaller until it fits; returns where it ends. */
function placeTitle(items: Item[], parts: PageContent['title'], edge: number, inner: number): number {
  const faceOf = ({ italic }: { italic: boolean }): Face => (italic ? 'name' : 'upright');
  const whole = parts.reduce((sum, part) => sum + widthOf(part.text, faceOf(part), 1), 0);
  const size = Math.min(24, inner / whole);
  let x = edge;
  for (const part of parts) {
    items.push({ kind: 'text', text: part.text, face: faceOf(part), size, x, y: edge + 18, colour: INK });
    x += widthOf(part.text, faceOf(part), size);
  }
  return edge + 26;
}

/** Running text with names in it, set in lines; returns where it ends. */
function placeRuns(items: Item[], parts: PageContent['lead'], [left, top]: [number, number], inner: number): number {
  const size = 10;
  let x = left;
  let y = top + size;
  for (const { text, italic } of parts) {
    const face: Face = italic ? 'name' : 'text';
    for (const word of text.split(/(?<= )/)) {
      const width = widthOf(word.trimEnd(), face, size);
      if (x > left && x + width > left + inner) {
        x = left;
        y += size * 1.36;
      }
      if (word.trim()) items.push({ kind: 'text', text: word.trimEnd(), face, size, x, y, colour: INK });
      x += widthOf(word, face, size);
    }
  }
  return y + size * 0.36;
}

const photoRow = ({ width, height }: Photo) => Math.min(210, (190 * width) / height) + 10;

/** The number of a character, where it is pointed at. */
function badge(items: Item[], number: number, at: [number, number]): void {
  items.push({ kind: 'disc', at, radius: 8, fill: '#FFFFFF', stroke: KELP, width: 1.4 });
  const [x, y] = [at[0], at[1] + 3.4];
  items.push({ kind: 'text', text: String(number), face: 'strong', size: 9.5, x, y, colour: KELP, middle: true });
}

/** The photo, with the characters that were pointed at on it. */
function placePhoto(items: Item[], photo: Photo, box: Box, characters: PageContent['characters']): void {
  items.push({ kind: 'photo', jpeg: photo.jpeg, box });
  // Dark under pale, so that they show on any ground.
  for (const [stroke, width] of [
    ['#08110F', 2],
    ['#FFFFFF', 0.9],
  ] as const)
    for (const line of photo.lines ?? [])
      line.slice(1).forEach(([x, y], i) => {
        const at = (sx: number, sy: number): [number, number] => [box.x + sx * box.width, box.y + sy * box.height];
        items.push({ kind: 'line', from: at(...line[i]), to: at(x, y), stroke, width });
      });
  for (const { number, at } of characters) {
    if (!at) continue;
    const own: [number, number] = [box.x + at.x * box.width, box.y + at.y * box.height];
    badge(items, number, own);
  }
}

function photoBox(photo: Photo, bottom: number, row: number, right: number): Box {
  const width = row - 10;
  const height = (width * photo.height) / photo.width;
  return { x: right - width, y: bottom - 24 - height, width, height };
}

/** Plates side by side, all at one scale, in rows of up to four; returns where the last row ends. */
function placePlates(
  items: Item[],
  plates: readonly PagePlate[],
  [left, top]: [number, number],
  room: number,
  tall: number,
): number {
  if (plates.length === 0) return top;
  const perRow = Math.min(plates.length, plates.length > 4 ? Math.ceil(plates.length / 2) : 4);
  const width = room / perRow;
  const widest = Math.max(...plates.map(({ plate }) => plate.box.width));
  const tallest = Math.max(...plates.map(({ plate }) => plate.box.height));
  const scale = Math.min((width - 56) / widest, tall / tallest);
  const height = tallest * scale + 34;
  // One scale for all, and one bar to say it.
  const bar = scaleBar(plates.reduce((a, b) => (b.plate.box.width > a.plate.box.width ? b : a)).plate);
  plates.forEach((one, i) => {
    const box: Box = { x: left + (i % perRow) * width, y: top + Math.floor(i / perRow) * (height + 6), width: width - 6, height };
    placePlate(items, one, box, scale, bar);
  });
  return top + Math.ceil(plates.length / perRow) * (height + 6);
}

function placePlate(
  items: Item[],
  { plate, caption, pointers }: PagePlate,
  box: Box,
  scale: number,
  bar: ScaleBar | undefined,
): void {
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
  for (const [side, characters] of Object.entries(sides)) {
    let least = box.y + 14;
    characters
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
  if (!bar) return;
  const { mm, label } = bar;
  const right = box.x + box.width - 10;
  items.push({
    kind: 'line',
    from: [right - mm * scale, box.y + box.height - 8],
    to: [right, box.y + box.height - 8],
    stroke: INK,
    width: 1.4,
  });
  const [x0, y0] = [right - (mm * scale) / 2, box.y + box.height - 11];
  items.push({ kind: 'text', text: label, face: 'text', size: 7, x: x0, y: y0, colour: QUIET, middle: true });
}

/** A page with everything on it brought to another size. */
function shrunk(k: number, page: Page): Page {
  if (k === 1) return page;
  const point = ([x, y]: [number, number]): [number, number] => [x * k, y * k];
  const box = (b: Box): Box => ({ x: b.x * k, y: b.y * k, width: b.width * k, height: b.height * k });
  const items = page.items.map((item): Item => {
    switch (item.kind) {
      case 'path':
        return { ...item, scale: item.scale * k, dx: item.dx * k, dy: item.dy * k };
      case 'line':
        return { ...item, from: point(item.from), to: point(item.to), width: item.width * k };
      case 'disc':
        return { ...item, at: point(item.at), radius: item.radius * k, ...(item.width ? { width: item.width * k } : {}) };
      case 'panel':
        return { ...item, box: box(item.box), radius: item.radius * k };
      case 'photo':
        return { ...item, box: box(item.box) };
      case 'text':
        return { ...item, x: item.x * k, y: item.y * k, size: item.size * k };
    }
  });
  return { ...page, width: page.width * k, height: page.height * k, items };
}
