import type { FrequencyWord } from '../guide/working';
import {
  type Beside,
  besideFirst,
  type Couplet,
  groupsOf,
  hedgeOf,
  type Key,
  type Lead,
  leadsOf,
  onlyQuantity,
  type Quantity,
  quantitiesIn,
  type Statement,
  toldBeside,
} from '../keys';
import { likeness, restOf, type Structure, structureOf, type Told, toldOf } from './alike';
import { alternativesOf } from './alternatives';
import { marksOf, withoutMark } from './formNamed';
import { type Measure, measureOf } from './measures';
import { isOnlyNumber, numberApart } from './numbersApart';
import { sayingOf } from './words';

/** The state of what is not as the only thing that is said. */
export const OTHERWISE = 'otherwise';

/** What one lead of a couplet says in a contrast. */
export interface Side {
  lead: string;
  /** Numbers of the statements it stands in. */
  statements: number[];
  text: string;
  /** What is said, as states; or as a number. */
  values: string[];
  quantity?: Quantity;
  hedge?: FrequencyWord;
  /** States met beside these, and how often: "white, rarely pink". */
  beside?: Beside[];
}

/** What the leads of a couplet hold against each other: one structure, and what each lead says of it. */
export interface Contrast {
  /** By key, couplet and place. */
  id: string;
  key: number;
  couplet: { id: string; number: string };
  /** What it is about, as far as the words tell; empty where the leads share none. */
  structure: string;
  property?: string;
  /** Of numbers: what is measured or counted, in what. */
  measure?: Measure;
  sides: Side[];
}

interface Said extends Told {
  lead: string;
  statements: number[];
  others: string[];
  excepted: boolean;
}

function saidIn({ leads }: Couplet, marks: ReadonlyMap<Lead, string>): Said[] {
  return leads.flatMap((lead) => {
    const plain = ({ text }: Statement) => (marks.has(lead) ? withoutMark(text) : text);
    return groupsOf(lead).map(({ any, except }): Said => ({
      ...toldOf(plain(any[0])),
      lead: lead.id,
      statements: any.map(({ n }) => n),
      others: any.slice(1).map(plain),
      excepted: except.length > 0,
    }));
  });
}

/** Nothing is said of anything: "not as above", "without these characters together". */
const REFERS_BACK =
  /^(?:not (?:so|as above|thus|with this combination)|(?:otherwise|characters? (?:not as|otherwise))|without (?:this|these)|other(?:wise)?)\b/i;

/** Statements of a couplet that speak of the same, the likeliest together first; never two of one lead. */
function matched(all: readonly Said[]): Said[][] {
  const pairs: { a: number; b: number; like: number }[] = [];
  for (let a = 0; a < all.length; a++)
    for (let b = a + 1; b < all.length; b++) {
      const like = all[a].lead === all[b].lead ? 0 : likeness(all[a], all[b]);
      if (like > 0) pairs.push({ a, b, like });
    }
  pairs.sort((x, y) => y.like - x.like || x.a - y.a || x.b - y.b);
  const group = all.map((_, i) => [i]);
  for (const { a, b } of pairs) {
    if (group[a] === group[b]) continue;
    const together = [...group[a], ...group[b]];
    if (new Set(together.map((i) => all[i].lead)).size < together.length) continue;
    together.sort((x, y) => x - y);
    if (structureOf(together.map((i) => all[i])).words === 0) continue;
    for (const i of together) group[i] = together;
  }
  return [...new Set(group)].map((members) => members.map((i) => all[i]));
}

/** Everything the leads of a key's couplets say, held against each other part by part. */
export function contrastsOf(key: Key, keyNo: number): Contrast[] {
  const marks = marksOf(leadsOf(key).map(({ lead }) => lead));
  return key.couplets.flatMap((couplet) => {
    const groups = matched(saidIn(couplet, marks).filter(({ text }) => !REFERS_BACK.test(text)));
    const opposed = groups.filter((group) => group.length > 1);
    const alone = groups.filter((group) => group.length === 1).map(([one]) => one);
    const contrasts = opposed.flatMap(opposedContrasts);
    const parts = contrasts.some(({ sides }) => new Set(sides.map(sayingOfSide)).size > 1);
    const made = [...contrasts, ...leftOver(alone, parts ? [] : couplet.leads.map(({ id }) => id))];
    return made.map((one, i): Contrast => ({
      ...one,
      id: `${keyNo}-${couplet.id}-${i}`,
      key: keyNo,
      couplet: { id: couplet.id, number: couplet.number },
    }));
  });
}

type Made = Pick<Contrast, 'structure' | 'property' | 'measure' | 'sides'>;

/** What statements of the same say; what they are like and how large, where one says both, apart. */
function opposedContrasts(group: readonly Said[]): Made[] {
  const structure = structureOf(group);
  const parted = group.map((said) => numberApart(said, structure));
  if (parted.every((one) => !one)) return [opposedContrast(group, structure)];
  const numbers = group.flatMap((said, i) => parted[i]?.number ?? (isOnlyNumber(said, structure) ? said : []));
  if (!measureOf(structure, numbers)) return [opposedContrast(group, structure)];
  const words = group.flatMap((said, i) => parted[i]?.words ?? (isOnlyNumber(said, structure) ? [] : said));
  return [words, numbers].map((some) => opposedContrast(some, structure));
}

function opposedContrast(group: readonly Said[], structure: Structure): Made {
  const measure = measureOf(structure, group);
  return {
    structure: structure.label,
    ...(measure ? { measure } : {}),
    ...propertyIn(group),
    sides: group.map((said) => sideOf(said, structure, measure !== undefined)),
  };
}

const sayingOfSide = ({ values, quantity, hedge, beside = [] }: Side) =>
  JSON.stringify([
    ...[values.map((value) => sayingOf(value)), quantity?.low, quantity?.high, hedge],
    beside.map(({ text, hedge: often }) => [sayingOf(text), often]),
  ]);

const NOWHERE: Structure = { label: '', at: 'nowhere', words: 0 };

/**
 * What found no opposite. Where several leads have some, the couplet holds them against each other all together. What
 * only one lead says is kept, and opposed to nothing; unless nothing else parts the couplet: then the other leads are
 * what it is not.
 *
 * @param leads of a couplet that nothing else parts.
 */
function leftOver(alone: readonly Said[], leads: readonly string[]): Made[] {
  const saying = [...new Set(alone.map(({ lead }) => lead))];
  const others = leads.filter((lead) => !saying.includes(lead));
  if (saying.length > 1 || (saying.length === 1 && others.length)) {
    const sides = saying.map((lead): Side => {
      const own = alone.filter((one) => one.lead === lead);
      const text = own.map(textOf).join('; ');
      const told = own.length === 1 ? saidBeside(own[0]) : { main: text, others: [], beside: [] };
      return {
        ...{ lead, statements: own.flatMap(({ statements }) => statements), text, values: [told.main, ...told.others] },
        ...(told.beside.length ? { beside: told.beside } : {}),
      };
    });
    const not = sides.map(({ text }) => text).join('; ');
    return [
      {
        structure: '',
        sides: [...sides, ...others.map((lead): Side => ({ lead, statements: [], text: `not: ${not}`, values: [OTHERWISE] }))],
      },
    ];
  }
  return alone.map((said) => {
    const structure = numberOf(said);
    const measure = structure && measureOf(structure, [said]);
    return {
      structure: measure ? structure.label : '',
      ...(measure ? { measure } : {}),
      ...propertyIn([said]),
      sides: [sideOf(said, NOWHERE, measure !== undefined)],
    };
  });
}

/** What the only number of a statement is of: the words that stand before it, where they name something. */
function numberOf({ text, words }: Said): Structure | undefined {
  const quantity = onlyQuantity(text);
  const before = words.filter(({ to }) => quantity && to <= quantity.from);
  const last = before.findLastIndex(({ kind }) => kind === 'thing');
  const first = before.findIndex(({ kind }) => kind === 'thing');
  return last < 0 ? undefined : { label: text.slice(before[first].from, before[last].to), at: 'head', words: last + 1 };
}

/** The property that more than half of them speak of. */
function propertyIn(group: readonly Said[]): { property?: string } {
  const counted = new Map<string, number>();
  for (const { property } of group) if (property) counted.set(property, (counted.get(property) ?? 0) + 1);
  const [most] = [...counted].sort(([, a], [, b]) => b - a);
  return most && 2 * most[1] > group.length ? { property: most[0] } : {};
}

const textOf = ({ text, others }: Said): string => [text, ...others].join(', or ');

/** What a lead says, what it says as well behind "or", and of all that what is so now and then. */
function saidBeside({ text, others }: Said): { main: string; others: string[]; beside: Beside[] } {
  const { main, beside } = toldBeside(text);
  const rare = others.map(besideFirst);
  return { main, others: others.filter((_, i) => !rare[i]), beside: [...beside, ...rare.flatMap((one) => one ?? [])] };
}

function sideOf(said: Said, structure: Structure, numeric: boolean): Side {
  const { lead, statements, text } = said;
  const quantity = numeric ? onlyQuantity(text) : undefined;
  const restIn = (other: string) => {
    const one = toldOf(other);
    const shared = structureOf([said, one]);
    return shared.at === structure.at && shared.words >= structure.words ? restOf(one, structure) : other;
  };
  // A number that nothing is held against is words, and so is how seldom it is met.
  const worded = !quantity && quantitiesIn(text).length > 0;
  const asItIs = worded || quantity !== undefined || structure.at === 'tail';
  const told = asItIs ? { main: text, others: said.others, beside: [] } : saidBeside(said);
  const others = told.others.map(restIn);
  const rest = restOf(told.main === text ? said : toldOf(told.main), structure);
  const alternatives = worded ? [rest, ...others] : [rest, ...others].flatMap(alternativesOf);
  const beside = told.beside.flatMap((one) => alternativesOf(restIn(one.text)).map((value) => ({ ...one, text: value })));
  return {
    ...{ lead, statements, text: textOf(said) },
    values: quantity ? [] : [...new Set(alternatives.map((one) => one || (structure.label ? 'so' : text)))],
    ...(quantity ? { quantity } : {}),
    ...(beside.length ? { beside } : worded ? {} : hedgedBy(said)),
  };
}

/** How often it holds, where that is said; what has an exception holds of most. */
function hedgedBy({ text, excepted }: Said): { hedge?: FrequencyWord } {
  const hedge = hedgeOf(text, true) ?? (excepted ? 'usually' : undefined);
  return hedge && hedge !== 'always' ? { hedge } : {};
}
