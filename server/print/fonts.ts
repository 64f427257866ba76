import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { create, type Font } from 'fontkit';

/** The faces of a page; the same as the application's. */
export type Face = 'text' | 'strong' | 'name' | 'upright';

const FILES: Record<Face, string> = {
  text: '@expo-google-fonts/schibsted-grotesk/400Regular/SchibstedGrotesk_400Regular.ttf',
  strong: '@expo-google-fonts/schibsted-grotesk/600SemiBold/SchibstedGrotesk_600SemiBold.ttf',
  name: '@expo-google-fonts/spectral/500Medium_Italic/Spectral_500Medium_Italic.ttf',
  upright: '@expo-google-fonts/spectral/500Medium/Spectral_500Medium.ttf',
};

export interface LoadedFace {
  file: Buffer;
  font: Font;
}

const loaded = new Map<Face, LoadedFace>();

/** A face, read once from the package that ships it. */
export function face(name: Face): LoadedFace {
  let known = loaded.get(name);
  if (!known) {
    const file = readFileSync(createRequire(join(process.cwd(), 'server/package.json')).resolve(FILES[name]));
    known = { file, font: create(file) as Font };
    loaded.set(name, known);
  }
  return known;
}

/** The text as a face can set it: letters and marks composed, and marks that it has no place for left off. */
export function settable(text: string, name: Face): string {
  const composed = text.normalize('NFC');
  try {
    face(name).font.layout(composed);
    return composed;
  } catch {
    return composed.normalize('NFD').replace(/\p{M}/gu, '').normalize('NFC');
  }
}

/** Width of a line, in the unit of the size. */
export function widthOf(text: string, name: Face, size: number): number {
  const { font } = face(name);
  return (font.layout(settable(text, name)).advanceWidth / font.unitsPerEm) * size;
}

/** Widths of words at size 1: the same few thousand stand in all texts. */
const widths = new Map<string, number>();
const MOST_WORDS = 50_000;

function wordWidth(word: string, name: Face): number {
  const key = `${name} ${word}`;
  let width = widths.get(key);
  if (width === undefined) {
    if (widths.size >= MOST_WORDS) widths.clear();
    width = widthOf(word, name, 1);
    widths.set(key, width);
  }
  return width;
}

/** A text broken into lines no wider than given; a word that is wider stands alone. */
export function wrapped(text: string, name: Face, size: number, width: number): string[] {
  const lines: string[] = [];
  const space = wordWidth(' ', name) * size;
  let line = '';
  let taken = 0;
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const own = wordWidth(word, name) * size;
    if (line && taken + space + own > width) {
      lines.push(line);
      [line, taken] = [word, own];
    } else {
      taken += (line ? space : 0) + own;
      line = line ? `${line} ${word}` : word;
    }
  }
  return line ? [...lines, line] : lines;
}
