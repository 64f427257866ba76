import type { Character } from '@plesion/core/guide';
import type { Plate } from '@plesion/core/plates';

/** Farther from a part than this share of the drawing is a touch of nothing. */
const NEAR = 0.06;

/**
 * The characters of the part that was touched: of the smallest that holds the place, else of the nearest.
 *
 * @param x share of the drawing's width, from its left.
 * @param y share of its height, from its top.
 */
export function touched(plate: Plate, view: string, characters: readonly Character[], x: number, y: number): Character[] {
  const { box, parts } = plate;
  const [px, py] = [box.x + x * box.width, box.y + y * box.height];
  const placed = characters.flatMap((character) => {
    const part = character.plate?.view === view ? parts[character.plate.part] : undefined;
    if (!part) return [];
    const away = Math.hypot(
      Math.max(part.x - px, 0, px - part.x - part.width),
      Math.max(part.y - py, 0, py - part.y - part.height),
    );
    return [{ character, part: character.plate!.part, away, area: part.width * part.height }];
  });
  const [best] = placed.filter(({ away }) => away <= NEAR * box.width).sort((a, b) => a.away - b.away || a.area - b.area);
  return placed.filter(({ part }) => part === best?.part).map(({ character }) => character);
}
