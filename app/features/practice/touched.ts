import { type Character, type Guide, shownAt } from '@plesion/core/guide';
import type { Plate } from '@plesion/core/plates';

/** Farther from a part than this share of the drawing is a touch of nothing. */
const NEAR = 0.06;

/**
 * The characters of the part that was touched: of the smallest that holds the place, else of the nearest.
 *
 * @param x share of the drawing's width, from its left.
 * @param y share of its height, from its top.
 */
export function touched(
  guide: Pick<Guide, 'plan'>,
  plate: Plate,
  view: string,
  characters: readonly Character[],
  [x, y]: readonly [x: number, y: number],
): Character[] {
  const { box, parts } = plate;
  const [px, py] = [box.x + x * box.width, box.y + y * box.height];
  const placed = characters.flatMap((character) => {
    const shown = shownAt(guide, character, view);
    const part = shown && parts[shown.part];
    if (!part) return [];
    const away = Math.hypot(
      Math.max(part.x - px, 0, px - part.x - part.width),
      Math.max(part.y - py, 0, py - part.y - part.height),
    );
    return [{ character, part: shown.part, away, area: part.width * part.height }];
  });
  const [best] = placed.filter(({ away }) => away <= NEAR * box.width).sort((a, b) => a.away - b.away || a.area - b.area);
  return placed.filter(({ part }) => part === best?.part).map(({ character }) => character);
}
