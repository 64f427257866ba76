import { type CompiledGuide, sayFacets, taxonIndex } from '@plesion/core/guide';
import { type Plate, traitsOf } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import { wrapped } from '../print/fonts';
import type { Page } from '../print/items';
import { faceOf } from './names';
import { INK, QUIET } from '../print/palette';
import { EDGE, INNER, Sheets } from './sheet';

const [ACROSS, DOWN, GAP] = [3, 4, 8];
const TALL = 96;
const LETTERS = 6.6;

/** A form as it is drawn, in the view that shows most; nothing where the guide draws nothing. */
export function plateOf(compiled: CompiledGuide, form: number, view = 0, detail: 'full' | 'thumb' = 'thumb'): Plate | undefined {
  const plan = planOf(compiled.guide);
  const shown = plan?.views[view];
  return plan && shown !== undefined ? plan.draw(traitsOf(compiled, form), shown, detail) : undefined;
}

/** Forms that are shown: all but crosses. */
export const shownForms = ({ forms }: CompiledGuide): number[] => forms.flatMap(({ cross }, f) => (cross ? [] : [f]));

/** How many pages of plates there will be. */
export const plateCount = (compiled: CompiledGuide): number =>
  planOf(compiled.guide) ? Math.ceil(shownForms(compiled).length / (ACROSS * DOWN)) : 0;

/** All that is told apart, drawn alike, with the page on which it is described. */
export function platePages(compiled: CompiledGuide, pageOf: ReadonlyMap<string, number>): Page[] {
  const { guide, forms } = compiled;
  if (plateCount(compiled) === 0) return [];
  const sheets = new Sheets(guide.title);
  const taxa = taxonIndex(guide);
  const width = (INNER - GAP * (ACROSS - 1)) / ACROSS;
  shownForms(compiled).forEach((f, i) => {
    const [column, row] = [i % ACROSS, Math.floor(i / ACROSS) % DOWN];
    if (column === 0 && row === 0) sheets.turn();
    const { taxon, facets } = forms[f];
    const { name, rank } = taxa.get(taxon)!;
    const box = { x: EDGE + column * (width + GAP), y: EDGE + row * (TALL + 34), width, height: TALL };
    sheets.plate(plateOf(compiled, f)!, box);
    const face = faceOf(rank);
    const page = pageOf.get(taxon);
    const said = [sayFacets(guide, facets), page && `page ${page}`].filter(Boolean).join(' · ');
    const line = (text: string, at: number, own: typeof face, colour?: string) =>
      sheets.put({
        ...{ kind: 'text' as const, text, face: own, size: LETTERS, x: box.x, y: box.y + TALL + at },
        colour: colour ?? INK,
      });
    line(wrapped(name, face, LETTERS, width)[0] ?? '', 9, face);
    line(wrapped(said, 'text', LETTERS, width)[0] ?? '', 18, 'text', QUIET);
  });
  return sheets.pages;
}
