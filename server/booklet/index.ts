import { type Guide, lineage } from '@plesion/core/guide';
import { type Face, widthOf, wrapped } from '../print/fonts';
import type { Page } from '../print/items';
import { faceOf } from './names';
import { INK, QUIET } from '../print/palette';
import { EDGE, HEIGHT, INNER, Sheets } from './sheet';

const GAP = 18;
const COLUMN = (INNER - GAP) / 2;
const SIZE = 7.4;
const STEP = 10.4;

interface Entry {
  name: string;
  face: Face;
  page: number;
}

/** All names by which something is found, with the page; what is not described itself is found where what stands under it begins. */
export function indexPages(guide: Guide, pageOf: ReadonlyMap<string, number>): Page[] {
  const entries = guide.taxa.flatMap(({ id, name, rank, vernacular, names = [] }): Entry[] => {
    const page = pageOf.get(id) ?? firstUnder(guide, id, pageOf);
    if (page === undefined) return [];
    const others = [...(vernacular ? [vernacular] : []), ...names.map((other) => other.name)];
    return [{ name, face: faceOf(rank), page }, ...others.map((other): Entry => ({ name: other, face: 'text', page }))];
  });
  entries.sort((a, b) => a.name.localeCompare(b.name) || a.page - b.page);
  const sheets = new Sheets(guide.title);
  sheets.turn();
  sheets.words('Index', { face: 'upright', size: 15 });
  let [column, top] = [0, sheets.y + 4];
  let y = top;
  for (const { name, face, page } of entries) {
    if (y + STEP > HEIGHT - EDGE - 12) {
      column++;
      if (column > 1) {
        sheets.turn();
        [column, top] = [0, EDGE];
      }
      y = top;
    }
    const x = EDGE + column * (COLUMN + GAP);
    const said = `${page}`;
    const at = x + COLUMN - widthOf(said, 'text', SIZE);
    y += STEP;
    sheets.put({ kind: 'text', text: wrapped(name, face, SIZE, COLUMN - 24)[0] ?? '', face, size: SIZE, x, y, colour: INK });
    sheets.put({ kind: 'text', text: said, face: 'text', size: SIZE, x: at, y, colour: QUIET });
  }
  return sheets.pages;
}

function firstUnder(guide: Guide, id: string, pageOf: ReadonlyMap<string, number>): number | undefined {
  const pages = [...pageOf].flatMap(([taxon, page]) => (lineage(guide, taxon).some((one) => one.id === id) ? [page] : []));
  return pages.length ? Math.min(...pages) : undefined;
}
