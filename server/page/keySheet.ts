import { compileGuide, type Guide } from '@plesion/core/guide';
import { endpointsOf, type Key, printDestination, printStatements } from '@plesion/core/keys';
import { traitsOf } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import { type Face, widthOf, wrapped } from '../print/fonts';
import { framedPlate } from '../print/framed';
import type { Item, Page } from '../print/items';
import { BLUSH, HAIR, HAZARD, INK, KELP, QUIET } from '../print/palette';

/** A5 in points, with two columns. */
const WIDTH = 420;
const HEIGHT = 595;
const EDGE = 28;
const GAP = 16;
const COLUMN = (WIDTH - 2 * EDGE - GAP) / 2;
const FOOT = HEIGHT - EDGE;

const SIZE = 7.6;
const STEP = SIZE * 1.34;

/** Writes down two columns, page after page. */
class Columns {
  readonly pages: Page[] = [];
  private column = 2;
  private top = EDGE;
  y = EDGE;

  constructor(private readonly title: string) {}

  /** Room for something that tall; a new column or page where there is none. */
  need(height: number): void {
    if (this.column < 2 && this.y + height <= FOOT) return;
    this.column++;
    if (this.column >= 2) {
      this.pages.push({ width: WIDTH, height: HEIGHT, title: this.title, items: [] });
      this.column = 0;
      this.top = EDGE;
    }
    this.y = this.top;
  }

  /** What stands across both columns at the head of a page. */
  head(height: number): void {
    this.need(height);
    this.top = this.y + height;
    this.y = this.top;
  }

  get x(): number {
    return EDGE + this.column * (COLUMN + GAP);
  }

  put(item: Item): void {
    this.pages.at(-1)!.items.push(item);
  }

  text(text: string, face: Face, size: number, x: number, y: number, colour = INK): void {
    this.put({ kind: 'text', text, face, size, x, y, colour });
  }
}

/** The key as a booklet: couplets in two columns, then a plate of every ending. */
export function keySheet(key: Key, guide: Guide | undefined): Page[] {
  const columns = new Columns(key.title);
  placeHead(columns, key);
  for (const couplet of key.couplets) placeCouplet(columns, key, couplet);
  if (guide) placePlates(columns, key, guide);
  return columns.pages;
}

function placeHead(columns: Columns, key: Key): void {
  const width = WIDTH - 2 * EDGE;
  const title = wrapped(key.title, 'upright', 15, width);
  const source = wrapped(key.source ?? '', 'text', SIZE, width);
  const caution = wrapped(key.caution ?? '', 'text', SIZE, width - 12);
  const height = title.length * 19 + source.length * STEP + (caution.length ? caution.length * STEP + 16 : 0) + 8;
  const from = EDGE;
  columns.head(height);
  title.forEach((line, i) => columns.text(line, 'upright', 15, EDGE, from + 14 + i * 19));
  let y = from + title.length * 19;
  source.forEach((line, i) => columns.text(line, 'text', SIZE, EDGE, y + SIZE + i * STEP, QUIET));
  y += source.length * STEP + 4;
  if (caution.length === 0) return;
  columns.put({
    kind: 'panel',
    box: { x: EDGE, y, width, height: caution.length * STEP + 6 },
    fill: BLUSH,
    stroke: HAZARD,
    radius: 4,
  });
  caution.forEach((line, i) => columns.text(line, 'text', SIZE, EDGE + 6, y + SIZE + 2 + i * STEP));
}

function placeCouplet(columns: Columns, key: Key, couplet: Key['couplets'][number]): void {
  const indent = 18;
  const leads = couplet.leads.map((lead) => ({
    lead,
    lines: wrapped(printStatements(lead.statements), 'text', SIZE, COLUMN - indent),
    to: printDestination(key, lead.to),
  }));
  // A couplet stays together: its leads are read side by side.
  columns.need(leads.reduce((sum, { lines }) => sum + (lines.length + 1) * STEP, 0) + 5);
  for (const { lead, lines, to } of leads) {
    columns.text(`${couplet.number}${lead.id}`, 'strong', SIZE, columns.x, columns.y + SIZE, KELP);
    lines.forEach((line, i) => columns.text(line, 'text', SIZE, columns.x + indent, columns.y + SIZE + i * STEP));
    const face: Face = lead.to.kind === 'taxon' ? 'name' : 'strong';
    const size = lead.to.kind === 'taxon' ? SIZE + 0.6 : SIZE;
    const shown = wrapped(to, face, size, COLUMN - indent)[0] ?? '?';
    const at = columns.x + COLUMN - widthOf(shown, face, size);
    const y = columns.y + SIZE + lines.length * STEP;
    const line = { from: [columns.x + indent, y - 1.6] as [number, number], to: [at - 4, y - 1.6] as [number, number] };
    columns.put({ kind: 'line', ...line, stroke: HAIR, width: 0.6 });
    columns.text(shown, face, size, at, y, lead.to.kind === 'taxon' ? INK : KELP);
    columns.y += (lines.length + 1) * STEP;
  }
  columns.y += 5;
}

function placePlates(columns: Columns, key: Key, guide: Guide): void {
  const plan = planOf(guide);
  if (!plan) return;
  const compiled = compileGuide(guide);
  const across = 2;
  const width = (COLUMN - 6) / across;
  const tall = 92;
  let at = across;
  for (const to of endpointsOf(key)) {
    const form = to.kind === 'taxon' ? compiled.forms.findIndex(({ taxon }) => taxon === to.taxon) : -1;
    if (form < 0 || to.kind !== 'taxon') continue;
    if (at === across) {
      columns.need(tall + 18);
      at = 0;
    }
    const plate = plan.draw(traitsOf(compiled, form), plan.views[0], 'full');
    const box = { x: columns.x + at * (width + 6), y: columns.y, width, height: tall };
    for (const piece of framedPlate(plate, box, 4)) columns.put(piece);
    const name = guide.taxa.find(({ id }) => id === to.taxon)!.name;
    columns.text(wrapped(name, 'name', SIZE, width)[0], 'name', SIZE, box.x, box.y + tall + SIZE + 1);
    at++;
    if (at === across) columns.y += tall + 18;
  }
}
