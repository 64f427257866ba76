import type { Plate } from '@plesion/core/plates';
import { type Face, wrapped } from '../print/fonts';
import { framedPlate } from '../print/framed';
import type { Box, Item, Page } from '../print/items';
import { BLUSH, HAZARD, INK } from '../print/palette';

/** A5 in points. */
export const WIDTH = 420;
export const HEIGHT = 595;
export const EDGE = 30;
export const INNER = WIDTH - 2 * EDGE;
const FOOT = HEIGHT - EDGE - 12;

/** Three pictures beside each other: the room between them, how high and how wide one is. */
export const ROW = { across: 3, gap: 8, tall: 92, width: (INNER - 2 * 8) / 3 } as const;

export const SIZE = 8;
export const LINE = 1.36;

interface Set {
  face?: Face;
  size?: number;
  colour?: string;
  x?: number;
  width?: number;
}

/** Pages that are written from above to below, one after the other. */
export class Sheets {
  readonly pages: Page[] = [];
  y = EDGE;

  constructor(private readonly title: string) {}

  /** A page of its own begins. */
  turn(): void {
    this.pages.push({ width: WIDTH, height: HEIGHT, title: this.title, items: [] });
    this.y = EDGE;
  }

  /** Room for something that tall; a new page where there is none. */
  need(height: number): void {
    if (this.pages.length === 0 || (this.y + height > FOOT && this.y > EDGE)) this.turn();
  }

  put(item: Item): void {
    this.pages.at(-1)!.items.push(item);
  }

  /** Words in lines, page after page where they are many. */
  words(text: string, { face = 'text', size = SIZE, colour = INK, x = EDGE, width = EDGE + INNER - x }: Set = {}): void {
    for (const line of wrapped(text, face, size, width)) {
      this.need(size * LINE);
      this.put({ kind: 'text', text: line, face, size, x, y: this.y + size, colour });
      this.y += size * LINE;
    }
  }

  /** What must not be overlooked, in a frame. */
  caution(title: string, text: string): void {
    const lines = wrapped(text, 'text', SIZE, INNER - 16);
    const height = (lines.length + 1) * SIZE * LINE + 10;
    this.need(height + 6);
    this.put({ kind: 'panel', box: { x: EDGE, y: this.y, width: INNER, height }, fill: BLUSH, stroke: HAZARD, radius: 5 });
    this.y += 4;
    this.words(title, { face: 'strong', colour: HAZARD, x: EDGE + 8, width: INNER - 16 });
    this.words(text, { x: EDGE + 8, width: INNER - 16 });
    this.y += 10;
  }

  /** A plate in its frame. */
  plate(plate: Plate, box: Box): void {
    for (const piece of framedPlate(plate, box, 4)) this.put(piece);
  }
}
