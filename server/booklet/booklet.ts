import { type CompiledGuide, compileGuide, type Guide } from '@plesion/core/guide';
import type { Key } from '@plesion/core/keys';
import { keySheet } from '../page/keySheet';
import { widthOf } from '../print/fonts';
import type { Page } from '../print/items';
import { coverPage } from './cover';
import type { BookletPhotos } from './figures';
import { indexPages } from './index';
import { plateCount, platePages } from './plates';
import { QUIET } from '../print/palette';
import { EDGE, HEIGHT, Sheets, WIDTH } from './sheet';
import { taxonPages } from './taxa';

/**
 * A guide as a booklet of A5: cover, plates of all it tells apart, the key, a page or less of each taxon, the words that
 * it explains, its sources, and an index of all names with the page.
 *
 * @param key a key to what it tells apart; absent where none can be made.
 * @param photos its photographs.
 */
export function bookletOf(guide: Guide, version: number, key?: Key, photos: BookletPhotos = new Map()): Page[] {
  const compiled = compileGuide(guide);
  const cover = coverPage(compiled, version);
  const keyPages = key ? keySheet(key, undefined) : [];
  // Plates come first and name the pages of what they show: how many they are is known before their numbers are.
  const before = cover.length + plateCount(compiled) + keyPages.length;
  const taxa = taxonPages(compiled, before, photos);
  const closing = closingPages(compiled);
  const plates = platePages(compiled, taxa.pageOf);
  const pages = [...cover, ...plates, ...keyPages, ...taxa.pages, ...closing, ...indexPages(guide, taxa.pageOf)];
  pages.forEach((page, i) => i > 0 && number(page, i + 1, guide.title));
  return pages;
}

/** The number of a page at its foot, with the title. */
function number(page: Page, n: number, title: string): void {
  const [said, size] = [`${n}`, 7];
  const y = HEIGHT - EDGE / 2;
  page.items.push(
    { kind: 'text', text: said, face: 'strong', size, x: WIDTH - EDGE - widthOf(said, 'strong', size), y, colour: QUIET },
    { kind: 'text', text: title.slice(0, 80), face: 'text', size, x: EDGE, y, colour: QUIET },
  );
}

/** Words explained, and where all of it comes from. */
function closingPages({ guide }: CompiledGuide): Page[] {
  const sheets = new Sheets(guide.title);
  sheets.turn();
  const terms = [...(guide.glossary ?? [])].sort((a, b) => a.term.localeCompare(b.term));
  if (terms.length) sheets.words('Words', { face: 'upright', size: 15 });
  for (const { term, also = [], text } of terms) {
    sheets.need(24);
    sheets.words([term, ...also].join(', '), { face: 'strong' });
    sheets.words(text, { x: EDGE + 10 });
    sheets.y += 3;
  }
  sheets.y += terms.length ? 10 : 0;
  sheets.need(40);
  sheets.words('Sources', { face: 'upright', size: 15 });
  for (const { label, citation } of guide.sources) {
    sheets.need(24);
    sheets.words(label, { face: 'strong' });
    sheets.words(citation, { x: EDGE + 10, colour: QUIET });
    sheets.y += 3;
  }
  return sheets.pages;
}
