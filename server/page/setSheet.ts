import type { SetItem } from '@plesion/contract/sets';
import { compiledFor, type Guide } from '@plesion/core/guide';
import { hideParts } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import { type Item as PracticeItem, practiceItem, sayChoice, whyOf } from '@plesion/core/practice';
import { type Face, wrapped } from '../print/fonts';
import { framedPlate } from '../print/framed';
import type { Item, Page } from '../print/items';
import { HAIR, INK, KELP, QUIET } from '../print/palette';

/** Sheets in points: pictures across and down, and how large the letters are. */
const SHEETS = {
  a4: { width: 595, height: 842, edge: 40, across: 2, down: 4, size: 9 },
  a5: { width: 420, height: 595, edge: 28, across: 2, down: 3, size: 7.6 },
} as const;
export type SheetPaper = keyof typeof SHEETS;

const GAP = 12;
/** Lines of what may be chosen under a picture. */
const CHOICES = 3;

interface Numbered {
  n: number;
  item: PracticeItem;
  asked: SetItem['asked'];
}

/** A set to print: pictures numbered, with what may be chosen and room for a name; answers and reasons on the last page. */
export function setSheet(guide: Guide, title: string, items: readonly SetItem[], paper: SheetPaper): Page[] {
  const plan = planOf(guide)!;
  const numbered = items.flatMap(({ asked, seed }, i): Numbered[] => {
    const item = practiceItem(compiledFor(guide, asked.situation), plan, asked, seed);
    return item ? [{ n: i + 1, item, asked }] : [];
  });
  const { across, down } = SHEETS[paper];
  const pages: Page[] = [];
  for (let from = 0; from < numbered.length; from += across * down)
    pages.push(picturePage(guide, title, numbered.slice(from, from + across * down), paper, from === 0));
  return [...pages, ...answerPages(guide, title, numbered, paper)];
}

const text = (said: string, face: Face, size: number, x: number, y: number, colour = INK): Item => ({
  ...{ kind: 'text' as const, text: said, face, size, x, y, colour },
});

function picturePage(guide: Guide, title: string, shown: readonly Numbered[], paper: SheetPaper, first: boolean): Page {
  const { width, height, edge, across, down, size } = SHEETS[paper];
  const page: Page = { width, height, title, items: [] };
  page.items.push(
    text(wrapped(title, 'upright', size * 1.8, width - 2 * edge)[0] ?? '', 'upright', size * 1.8, edge, edge + size * 1.4),
  );
  if (first) page.items.push(text('Name:', 'text', size, edge, edge + size * 3.4, QUIET));
  page.items.push(rule(edge + size * 3.2, width - edge, edge + size * 3.6));
  const top = edge + size * 5;
  const cell = {
    width: (width - 2 * edge - GAP * (across - 1)) / across,
    height: (height - edge - top - GAP * (down - 1)) / down,
  };
  shown.forEach((one, i) => {
    const x = edge + (i % across) * (cell.width + GAP);
    const y = top + Math.floor(i / across) * (cell.height + GAP);
    page.items.push(...pictureOf(guide, one, { x, y, ...cell }, size));
  });
  return page;
}

const rule = (from: number, to: number, y: number): Item => ({
  ...{ kind: 'line' as const, from: [from, y] as [number, number], to: [to, y] as [number, number], stroke: HAIR, width: 0.6 },
});

function pictureOf(
  guide: Guide,
  { n, item, asked }: Numbered,
  box: { x: number; y: number; width: number; height: number },
  size: number,
) {
  const view = guide.views.find(({ id }) => id === item.view)?.label ?? item.view;
  const step = size * 1.34;
  const under = step * (CHOICES + 2);
  const frame = { x: box.x, y: box.y + step * 1.2, width: box.width, height: box.height - under - step * 1.2 };
  const plate = hideParts(planOf(guide)!.draw(item.traits, item.view, 'full'), item.hidden, item.seed);
  const lines = wrapped(sayTask(guide, item, asked), 'text', size, box.width).slice(0, CHOICES);
  const below = frame.y + frame.height;
  return [
    text(`${n}`, 'strong', size * 1.2, box.x, box.y + size, KELP),
    text(view, 'text', size, box.x + size * 2.4, box.y + size, QUIET),
    ...framedPlate(plate, frame, 6),
    ...lines.map((line, i) => text(line, 'text', size, box.x, below + step * (i + 1), QUIET)),
    rule(box.x, box.x + box.width, below + step * (CHOICES + 1.6)),
  ];
}

const labelOf = (guide: Guide, id: string): string => guide.characters.find((one) => one.id === id)?.label ?? id;

/** What is asked of a picture. */
function sayTask(guide: Guide, item: PracticeItem, { character, spot }: SetItem['asked']): string {
  if (character !== undefined) return `${labelOf(guide, character)}?`;
  const names = item.choices.map(({ id }) => sayChoice(guide, item, id));
  if (!spot) return `${names.join(' · ')} · cannot be told`;
  const others = item.choices.filter(({ id }) => id !== item.truth.group).map(({ id }) => sayChoice(guide, item, id));
  return `It is the ${sayChoice(guide, item, item.truth.group)}, not the ${others.join(' or ')}. By what?`;
}

/** What each was, and why. */
function answerPages(guide: Guide, title: string, numbered: readonly Numbered[], paper: SheetPaper): Page[] {
  const { width, height, edge, size } = SHEETS[paper];
  const step = size * 1.34;
  const pages: Page[] = [];
  let y = Infinity;
  for (const { n, item, asked } of numbered) {
    const lines = wrapped(sayAnswer(guide, item, asked), 'text', size, width - 2 * edge - size * 3);
    if (y + lines.length * step > height - edge) {
      pages.push({ width, height, title, items: [text('Answers', 'upright', size * 1.8, edge, edge + size * 1.4)] });
      y = edge + size * 4;
    }
    const page = pages.at(-1)!;
    page.items.push(text(`${n}`, 'strong', size, edge, y, KELP));
    lines.forEach((line, i) => page.items.push(text(line, 'text', size, edge + size * 3, y + i * step)));
    y += lines.length * step + size * 0.5;
  }
  const caution = wrapped(guide.caution, 'text', size, width - 2 * edge);
  if (y + (caution.length + 1) * step > height - edge) {
    pages.push({ width, height, title, items: [] });
    y = edge + size;
  }
  caution.forEach((line, i) => pages.at(-1)!.items.push(text(line, 'text', size, edge, y + (i + 1) * step, QUIET)));
  return pages;
}

function sayAnswer(guide: Guide, item: PracticeItem, { character, situation }: SetItem['asked']): string {
  const { truth } = item;
  const own = sayChoice(guide, item, truth.group);
  if (character !== undefined) {
    const read = truth.readings.find((one) => one.character === character);
    const state = read?.states?.[0];
    const label = guide.characters.find(({ id }) => id === character)?.states?.find(({ id }) => id === state)?.label;
    return `${labelOf(guide, character)}: ${label ?? state ?? read?.value?.toPrecision(3) ?? 'not to be seen'} (${own}).`;
  }
  const why = whyOf(compiledFor(guide, situation), item, []);
  const told = truth.best.kind === 'one' ? '' : ' It cannot be told from this picture alone.';
  return `${own}.${told}${why?.remember ? ` ${why.remember}` : ''}`;
}
