import type { Colony, ColonyMember } from '@plesion/contract/colony';
import { compileGuide, type Guide } from '@plesion/core/guide';
import { chartOf, HALF } from '@plesion/core/pedigree';
import { drawnBook, type SymbolFacts, type Wish } from '@plesion/core/pedigree';
import { facetsShown, kindForm } from '@plesion/core/pedigree';
import { BAND, bandOf, DEAD, outlinePath, shadedPath } from '@plesion/core/pedigree';
import { type Plate, traitsOf } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import { widthOf } from '../print/fonts';
import type { Item, Page } from '../print/items';
import { HAZARD, INK, QUIET } from '../print/palette';

/** Points a unit of the drawing. */
const SCALE = 0.72;
const HEAD = 52;
const EDGE = 28;
const SHADE = '#DFDBF1';
/** Strains differ by what is drawn across them as well as by their colour. */
const STRAINS = [
  { fill: '#0E4F4A', ticks: false },
  { fill: '#F4E4C8', ticks: true },
  { fill: '#56489E', ticks: false },
  { fill: '#FFFFFF', ticks: true },
  { fill: '#9A5B00', ticks: false },
];

export interface PedigreeAsked {
  guide: Guide;
  colony: Colony;
  wish: Wish;
}

/** A pedigree to print, on one sheet as large as it needs. */
export function pedigreeSheet({ guide, colony, wish }: PedigreeAsked): Page {
  const { kin, facts } = drawnBook(colony.members, colony.posterior, wish);
  const chart = chartOf(kin);
  const strains = [...new Set([...facts.values()].flatMap(({ shares }) => Object.keys(shares)))].sort();
  const title = `${guide.title}: pedigree of ${kin.length}`;
  const items: Item[] = [{ kind: 'text', text: title, face: 'strong', size: 15, x: EDGE, y: 30, colour: INK }];
  const right = placeKey(items, strains);
  const path = (d: string, x: number, y: number, more: object): Item => ({
    ...{ kind: 'path', d, scale: SCALE, dx: x * SCALE, dy: y * SCALE + HEAD, width: 1.6 },
    ...more,
  });
  for (const { points, doubtful, kin: related } of chart.lines)
    for (const off of related ? [-2.2, 2.2] : [0])
      items.push(
        path(`M${points.map(([x, y]) => `${x} ${y + off}`).join('L')}`, 0, 0, {
          stroke: QUIET,
          ...(doubtful ? { dash: [6, 5] } : {}),
        }),
      );
  const plates = platesOf(guide);
  const byId = new Map(colony.members.map((one) => [one.id, one]));
  for (const { id, x, y } of chart.symbols) {
    const one = facts.get(id)!;
    items.push(path(outlinePath(one.sex), x, y, { fill: '#FFFFFF' }));
    if (one.shade !== undefined && one.shade > 0.0005) items.push(path(shadedPath(one.sex, one.shade), x, y, { fill: SHADE }));
    items.push(...plateItems(plates(byId.get(id)!, one), x, y));
    items.push(path(outlinePath(one.sex), x, y, one.wrong ? { stroke: HAZARD, width: 4 } : { stroke: INK }));
    for (const { strain, y: top, height } of bandOf(one.shares, strains))
      items.push(
        ...bandItems(strains.indexOf(strain), SCALE * (x + BAND.x), SCALE * (y + top) + HEAD, SCALE * BAND.width, SCALE * height),
      );
    if (one.away === 'dead') items.push(path(DEAD, x, y, { stroke: INK, width: 1.4 }));
    items.push({
      ...{ kind: 'text', face: 'strong', size: 9.4, colour: INK },
      ...{ text: `${one.name}${one.wrong ? ' !' : ''}`, x: SCALE * (x + 5), y: SCALE * (y + HALF + 17) + HEAD },
    });
    if (one.folded) {
      const text = `+${one.folded}`;
      const at = SCALE * (x - 8) - widthOf(text, 'strong', 9.4);
      items.push({
        ...{ kind: 'text', face: 'strong', size: 9.4, colour: QUIET },
        text,
        x: at,
        y: SCALE * (y + HALF + 17) + HEAD,
      });
    }
  }
  return { width: Math.max(SCALE * chart.width, right) + EDGE, height: SCALE * chart.height + HEAD + EDGE, title, items };
}

/** What the strains and the symbols are, above the drawing; how far it reaches. */
function placeKey(items: Item[], strains: readonly string[]): number {
  let x = EDGE;
  const say = (text: string) => {
    items.push({ kind: 'text', text, face: 'text', size: 8, x, y: 47, colour: QUIET });
    x += widthOf(text, 'text', 8) + 14;
  };
  strains.forEach((strain, i) => {
    items.push(...bandItems(i, x, 39, 6, 10));
    x += 10;
    say(strain);
  });
  say('square: male; circle: female; diamond: not known; struck through: dead; two lines: mates that are kin; dashed: in doubt');
  return x;
}

function bandItems(i: number, x: number, y: number, width: number, height: number): Item[] {
  const { fill, ticks } = STRAINS[i % STRAINS.length];
  const across: Item[] = ticks
    ? Array.from({ length: Math.floor(height / 4) }, (_, k) => ({
        ...{ kind: 'line', stroke: INK, width: 0.6 },
        ...{ from: [x, y + 4 * k + 2], to: [x + width, y + 4 * k + 2] },
      }))
    : [];
  return [{ kind: 'panel', box: { x, y, width, height }, fill, stroke: INK, radius: 0 }, ...across];
}

/** The drawing of somebody, by what it shows; each made once. */
function platesOf(guide: Guide): (one: ColonyMember, facts: SymbolFacts) => Plate | undefined {
  const plan = planOf(guide);
  const compiled = compileGuide(guide);
  const made = new Map<number, Plate>();
  return ({ kept }, { sex = 'male' }) => {
    const at = kindForm(guide, compiled, facetsShown(guide, kept.phenotypes, sex));
    if (!plan || at < 0) return undefined;
    const plate = made.get(at) ?? plan.draw(traitsOf(compiled, at), plan.views[0], 'thumb');
    made.set(at, plate);
    return plate;
  };
}

/** A plate in the middle of its symbol. */
function plateItems(plate: Plate | undefined, x: number, y: number): Item[] {
  if (!plate) return [];
  const { box, inks } = plate;
  const scale = (HALF * 1.5) / (100 * Math.max(box.width, box.height));
  const [cx, cy] = [100 * (box.x + box.width / 2), 100 * (box.y + box.height / 2)];
  return inks.map((ink) => ({
    ...{ kind: 'path', d: ink.d, scale: SCALE * scale },
    ...{ dx: SCALE * (x - cx * scale), dy: SCALE * (y - cy * scale) + HEAD },
    ...{ fill: ink.fill, stroke: ink.stroke, width: ink.strokeWidth, opacity: ink.opacity },
  }));
}
