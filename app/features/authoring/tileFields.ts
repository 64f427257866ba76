import type { DrawnTile, Tile } from '@plesion/core/guide';
import {
  BASES,
  CAPS,
  FINS,
  MARGINS,
  OUTLINES,
  STALKS,
  SURFACES,
  TILE_PATTERNS,
  TIPS,
  UNDERSIDES,
  VEINS,
} from '@plesion/core/plates/tiles';

/** What can be chosen of a tile: a field of it, what it is called, and its words. */
export interface TileField {
  field: string;
  label: string;
  words: readonly string[];
  /** It may be left to what the shape has of itself. */
  own?: true;
}

const PATTERN: TileField = { field: 'pattern', label: 'Pattern', words: TILE_PATTERNS };
const SURFACE: TileField = { field: 'surface', label: 'Surface', words: SURFACES };

/** Each kind of tile: what it is called, what it begins as, and what can be chosen of it. */
export const TILE_KINDS: readonly { draw: DrawnTile['draw']; label: string; begins: DrawnTile; fields: readonly TileField[] }[] =
  [
    {
      draw: 'blade',
      label: 'an outline',
      begins: { draw: 'blade', outline: 'elliptic' },
      fields: [
        { field: 'outline', label: 'Outline', words: OUTLINES },
        { field: 'tip', label: 'Tip', words: TIPS, own: true },
        { field: 'base', label: 'Base', words: BASES, own: true },
        { field: 'margin', label: 'Margin', words: MARGINS },
        SURFACE,
        PATTERN,
        { field: 'veins', label: 'Veins', words: VEINS },
      ],
    },
    {
      draw: 'cap',
      label: 'a cap on its stalk',
      begins: { draw: 'cap', profile: 'convex' },
      fields: [
        { field: 'profile', label: 'Profile', words: CAPS },
        { field: 'under', label: 'Under it', words: UNDERSIDES },
        { field: 'stalk', label: 'Stalk', words: STALKS },
        SURFACE,
        PATTERN,
      ],
    },
    {
      draw: 'fin',
      label: 'a tail',
      begins: { draw: 'fin', end: 'straight' },
      fields: [{ field: 'end', label: 'Its end', words: FINS }, PATTERN],
    },
    { draw: 'bars', label: 'lengths', begins: { draw: 'bars', lengths: [2, 1] }, fields: [] },
    { draw: 'swatch', label: 'colours', begins: { draw: 'swatch', colours: ['#c8963e'] }, fields: [] },
  ];

export const kindOf = ({ draw }: Tile) => TILE_KINDS.find((kind) => kind.draw === draw);

/** A tile with one of its fields as said, or as the shape has it of itself. */
export function withField(tile: DrawnTile, field: string, word: string | undefined): DrawnTile {
  const rest = Object.fromEntries(Object.entries(tile).filter(([name]) => name !== field));
  return { ...rest, ...(word === undefined ? {} : { [field]: word }) } as DrawnTile;
}

/** Lengths as they are written: two to four numbers. */
export function lengthsFrom(text: string): number[] | undefined {
  const numbers = text
    .split(/\s*[:;]\s*|\s+|,\s+/)
    .filter(Boolean)
    .map((one) => Number(one.replace(',', '.')));
  return numbers.length >= 2 && numbers.length <= 4 && numbers.every((one) => one >= 0.01 && one <= 1000) ? numbers : undefined;
}
