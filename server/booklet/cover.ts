import type { CompiledGuide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import { NOT_A_PROMISE } from '@plesion/core/page';
import type { Page } from '../print/items';
import { plateOf, shownForms } from './plates';
import { KELP, QUIET } from '../print/palette';
import { EDGE, INNER, SIZE, Sheets } from './sheet';

/** Pictures on the cover, across and down. */
const [ACROSS, DOWN] = [2, 3];
const GAP = 10;
const TALL = 84;

/** The cover: what it is about, drawn, and what to keep from. */
export function coverPage(compiled: CompiledGuide, version: number): Page[] {
  const { guide } = compiled;
  const sheets = new Sheets(guide.title);
  sheets.turn();
  sheets.words(guide.title, { face: 'upright', size: 24 });
  sheets.y += 4;
  sheets.words(`${guide.area} · version ${version}`, { size: 9.5, colour: KELP });
  sheets.y += 10;
  const shown = oneOfEach(compiled).slice(0, ACROSS * DOWN);
  const width = (INNER - GAP * (ACROSS - 1)) / ACROSS;
  shown.forEach((form, i) => {
    const plate = plateOf(compiled, form, 0, 'full');
    const [column, row] = [i % ACROSS, Math.floor(i / ACROSS)];
    if (plate) sheets.plate(plate, { x: EDGE + column * (width + GAP), y: sheets.y + row * (TALL + GAP), width, height: TALL });
  });
  if (planOf(compiled.guide)) sheets.y += Math.ceil(shown.length / ACROSS) * (TALL + GAP) + 6;
  sheets.words(guide.summary, { size: 9 });
  sheets.y += 8;
  sheets.caution('Take care', `${guide.caution} ${NOT_A_PROMISE}`);
  sheets.words(
    `Of ${guide.group}: ${new Set(compiled.forms.map(({ taxon }) => taxon)).size} taxa, ${guide.characters.length} characters.`,
    {
      colour: QUIET,
      size: SIZE,
    },
  );
  return sheets.pages;
}

/** One form of each taxon first, then the others: the cover shows how far the guide reaches. */
function oneOfEach(compiled: CompiledGuide): number[] {
  const seen = new Set<string>();
  const all = shownForms(compiled);
  const first = all.filter((f) => {
    const { taxon } = compiled.forms[f];
    return !seen.has(taxon) && Boolean(seen.add(taxon));
  });
  return [...first, ...all.filter((f) => !first.includes(f))];
}
