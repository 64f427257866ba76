import { describeForm } from '@plesion/core/book';
import { type CompiledGuide, sayFacets, type Taxon } from '@plesion/core/guide';
import type { Page } from '../print/items';
import { type BookletPhotos, figureRow } from './figures';
import { faceOf } from './names';
import { plateOf, shownForms } from './plates';
import { HAIR, KELP, QUIET } from '../print/palette';
import { EDGE, INNER, ROW, Sheets, SIZE } from './sheet';

const CALLED = { former: 'Formerly', nickname: 'Also called', misleading: 'Wrongly called' };

/** Of more forms than this the plates are drawn simply: fine ones take a hundredth of a minute each. */
const MOST_FINE = 120;

/** So much of a taxon stays together: its name, its plates and some lines. */
const TOGETHER = 190;

/** Every taxon that is told apart: its names, its forms drawn, what is said of it, and what it can do. */
export function taxonPages(
  compiled: CompiledGuide,
  before: number,
  photos: BookletPhotos,
): { pages: Page[]; pageOf: Map<string, number> } {
  const { guide } = compiled;
  const sheets = new Sheets(guide.title);
  const pageOf = new Map<string, number>();
  const forms = new Map<string, number[]>();
  for (const f of shownForms(compiled)) {
    const { taxon } = compiled.forms[f];
    forms.set(taxon, [...(forms.get(taxon) ?? []), f]);
  }
  for (const taxon of guide.taxa) {
    const own = forms.get(taxon.id);
    if (!own) continue;
    sheets.need(TOGETHER);
    pageOf.set(taxon.id, before + sheets.pages.length);
    names(sheets, taxon);
    plates(sheets, compiled, own);
    figureRow(sheets, guide, taxon.id, photos);
    for (const { kind, grade, text } of taxon.hazards ?? []) sheets.caution(`Can do harm: ${kind}, ${grade}`, text);
    describe(sheets, compiled, own);
    for (const line of [taxon.note, taxon.legal].filter((one) => one !== undefined)) sheets.words(line, { colour: QUIET });
    sheets.y += 8;
    sheets.put({ kind: 'line', from: [EDGE, sheets.y], to: [EDGE + INNER, sheets.y], stroke: HAIR, width: 0.6 });
    sheets.y += 8;
  }
  return { pages: sheets.pages, pageOf };
}

function names(sheets: Sheets, { name, rank, authority, vernacular, names: others = [] }: Taxon): void {
  sheets.words(name, { face: faceOf(rank), size: 15 });
  const said = [vernacular, authority].filter(Boolean).join(' · ');
  if (said) sheets.words(said, { colour: KELP });
  for (const other of others)
    sheets.words([`${CALLED[other.kind]} ${other.name}.`, other.note].filter(Boolean).join(' '), { colour: QUIET });
  sheets.y += 4;
}

/** Its forms in the first view; where it has one form, that in the other views too. */
function plates(sheets: Sheets, compiled: CompiledGuide, own: readonly number[]): void {
  const wanted = own.length > 1 ? own.map((f) => [f, 0] as const) : [0, 1, 2].map((view) => [own[0], view] as const);
  const { across, gap, tall, width } = ROW;
  const drawn = wanted.flatMap(([f, view]) => {
    const plate = plateOf(compiled, f, view, compiled.forms.length > MOST_FINE ? 'thumb' : 'full');
    return plate ? [{ f, plate }] : [];
  });
  for (let i = 0; i < drawn.length; i += across) {
    sheets.need(tall + 14);
    drawn.slice(i, i + across).forEach(({ f, plate }, column) => {
      const box = { x: EDGE + column * (width + gap), y: sheets.y, width, height: tall };
      sheets.plate(plate, box);
      const said = own.length > 1 ? sayFacets(compiled.guide, compiled.forms[f].facets) : '';
      sheets.put({ kind: 'text', text: said, face: 'text', size: 6.6, x: box.x, y: box.y + tall + 8, colour: QUIET });
    });
    sheets.y += tall + 14;
  }
}

/** What is said of its first form; of the others what is otherwise. */
function describe(sheets: Sheets, compiled: CompiledGuide, own: readonly number[]): void {
  const said = new Set<string>();
  for (const [i, f] of own.entries()) {
    const fresh = describeForm(compiled, f).map(({ group, sentences }) => ({
      group,
      sentences: sentences.filter((sentence) => !said.has(sentence)),
    }));
    for (const { sentences } of fresh) for (const sentence of sentences) said.add(sentence);
    const left = fresh.filter(({ sentences }) => sentences.length > 0);
    const label = sayFacets(compiled.guide, compiled.forms[f].facets);
    if (left.length === 0) continue;
    if (own.length > 1 && label) sheets.words(i === 0 ? `${label}:` : `${label}, where it differs:`, { face: 'strong' });
    for (const { sentences } of left) sheets.words(sentences.join(' '), { size: SIZE });
    sheets.y += 2;
  }
}
