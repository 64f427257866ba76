import type { ScoreValue } from '../guide/schema';
import { DEFAULT_WORDS, type FrequencyWord, isStates, parseRange, plainText } from '../guide/working';
import { done, failed, type Outcome } from '../problem';
import type { DraftCharacter } from './draftSchema';
import { MEAN, ONE_NUMBER, writtenNumbers } from './writtenNumbers';

/** Taxa that a value may be said to lie above or below. */
type Names = readonly { id: string; name: string }[];

const WORDS = Object.keys(DEFAULT_WORDS) as FrequencyWord[];
const NOT_KNOWN = new Set(['', '?', '-', '–', '—']);

/** How often something is, before or behind its name. */
export const HOW_OFTEN = new RegExp(
  `(?:^(?:${WORDS.join('|')})\\s+|\\s+(?:${WORDS.join('|')})$|\\s*\\d+(?:\\.\\d+)?\\s*%$)`,
  'i',
);
/** What a cell says in words of its own, and what parts it. */
const OF_CELLS = /;|\sor\s|^(?:[?–—-]|does not apply|n\/a)$|^(?:either|applies)(?:\s|$)|^[“"]|[”"]$/i;
/** A name as it stands in a cell: in quotes where it would be read as more than a name. */
export const asName = (label: string): string => (OF_CELLS.test(label) || HOW_OFTEN.test(label) ? `“${label}”` : label);
/** The other way. */
export const ofName = (written: string): string => written.replace(/^[“"](.+)[”"]$/s, '$1');

const sayFrequency = (frequency: FrequencyWord | number): string =>
  typeof frequency === 'number' ? `${Number((frequency * 100).toPrecision(4))}%` : frequency === 'always' ? '' : frequency;

const shareOf = (frequency: FrequencyWord | number): number =>
  typeof frequency === 'number' ? frequency : DEFAULT_WORDS[frequency];

/** Frequencies that share all there is in equal parts, as several that are just named do. */
function isShared(frequencies: readonly (FrequencyWord | number)[]): boolean {
  const [first] = frequencies;
  if (frequencies.length < 2 || typeof first !== 'number') return false;
  return (
    frequencies.every((one) => one === first) &&
    Math.abs(first * frequencies.length - DEFAULT_WORDS.always) < 1e-3 * frequencies.length
  );
}

/** Is more said of states than that they are met? */
export const saysHowOften = (states: Readonly<Record<string, FrequencyWord | number>>): boolean => {
  const said = Object.values(states);
  return !isShared(said) && said.some((often) => often !== 'always');
};

/** Whole numbers in a row, as from–to. */
function asSpan(counts: readonly string[]): string {
  const numbers = counts.map(Number).sort((a, b) => a - b);
  const isRow = numbers.length > 2 && numbers.every((n, i) => n === numbers[0] + i);
  return isRow ? `${numbers[0]}–${numbers.at(-1)}` : numbers.join(' or ');
}

/** A score as it stands in the grid: `red; black rarely`, `5–7`, `12 ±1.5`, `4 60%; 5 40%`. */
export function printCell({ states }: Pick<DraftCharacter, 'states'>, value: ScoreValue, taxa: Names = []): string {
  const said = (name: string, frequency: FrequencyWord | number) => [name, sayFrequency(frequency)].filter(Boolean).join(' ');
  switch (value.kind) {
    case 'states': {
      const names = writtenOf(states);
      const nameOf = (state: string) => names.get(state)?.name ?? state;
      const all = Object.entries(value.states);
      // Most cells: nothing is to be put in order.
      if (all.length === 1 && !value.uncertain) return said(nameOf(all[0][0]), all[0][1]);
      const areNumbers = all.every(([state]) => Number.isFinite(Number(nameOf(state))));
      // As they were kept they may come in any order.
      const own = all.sort(([a, p], [b, q]) =>
        areNumbers
          ? Number(nameOf(a)) - Number(nameOf(b))
          : shareOf(q) - shareOf(p) || (names.get(a)?.place ?? 0) - (names.get(b)?.place ?? 0),
      );
      const named = own.map(([state]) => nameOf(state));
      // A label with a comma or "or" in it would be read as two.
      const list = named.some((label) => LIST.test(label)) ? undefined : named.join(' or ');
      if (value.uncertain) return eitherOf(named, list);
      if (list && isShared(Object.values(value.states))) return list;
      return own.map(([state, frequency]) => said(nameOf(state), frequency)).join('; ');
    }
    case 'range':
      return value.range;
    case 'values':
      return `${value.mean} ±${value.sd}${value.n ? ` (n ${value.n})` : ''}`;
    case 'counts':
      if (isShared(Object.values(value.counts))) return asSpan(Object.keys(value.counts));
      return Object.entries(value.counts)
        .sort(([a], [b]) => Number(a) - Number(b))
        .map(([count, frequency]) => said(count, frequency))
        .join('; ');
    case 'applies':
      return value.frequency === 'never' ? 'does not apply' : `applies ${sayFrequency(value.frequency) || 'always'}`;
    case 'comparison':
      return `${value.relation} ${taxa.find(({ id }) => id === value.than.taxon)?.name ?? value.than.taxon}`;
  }
}

/**
 * What somebody typed into a cell: states by their labels, each with a word or a share of how often (`red; black
 * rarely`, `red 80%`; a name that would be read otherwise in quotes: `“red; black” rarely`), states of which it is not
 * known which it has (`either red or black`), a range (`(28–)31–38(–41)`), a mean with its deviation (`12 ±1.5`),
 * numbers that are counted, how often it applies (`does not apply`, `applies usually`), or a taxon that it lies above or below (`above Sula alba`).
 *
 * @returns the value; nothing where the cell is empty or says that it is not known; or `cell-unreadable` with why.
 */
export function parseCell(character: DraftCharacter, text: string, taxa: Names = []): Outcome<ScoreValue | undefined> {
  const plain = text.trim();
  if (NOT_KNOWN.has(plain)) return done(undefined);
  const applies = /^(?:does not apply|n\/a)$/i.test(plain);
  if (applies) return done({ kind: 'applies', frequency: 'never' });
  const often = /^applies\s+(.+)$/i.exec(plain) && oftenIn(plain.replace(/^applies\s+/i, 'it '));
  if (often && often.name === 'it') return done({ kind: 'applies', frequency: often.frequency });
  const beside = isStates(character) ? null : /^(above|below)\s+(.+)$/i.exec(plain);
  if (beside) return parseComparison(beside, taxa);
  if (isStates(character)) return parseStates(character, plain);
  if (character.kind === 'count') return parseMean(plain) ?? parseCounts(character, plain);
  const numbers = writtenNumbers(character, plain);
  return numbers.ok ? (parseMean(numbers.value) ?? parseMeasured(character, numbers.value)) : numbers;
}

function parseMean(text: string): Outcome<ScoreValue> | undefined {
  const spread = MEAN.exec(text);
  if (!spread) return undefined;
  const [mean, sd, n] = spread.slice(1).map((part) => (part === undefined ? undefined : Number(part)));
  if (!sd) return unreadable('a deviation is above 0');
  return done({ kind: 'values', mean: mean!, sd, ...(n ? { n } : {}) });
}

function parseMeasured(character: DraftCharacter, plain: string): Outcome<ScoreValue> {
  if (character.log !== true && ONE_NUMBER.test(plain) && character.error)
    return done({ kind: 'values', mean: Number(plain), sd: character.error });
  const range = parseRange(plain);
  return range.ok
    ? done({ kind: 'range', range: plain.replace(/\s+/g, '') })
    : failed({ ...range.problems[0], code: 'cell-unreadable' });
}

function parseComparison([, relation, name]: RegExpExecArray, taxa: Names): Outcome<ScoreValue> {
  const than = taxa.find((taxon) => plainText(taxon.name) === plainText(name) || taxon.id === name);
  if (!than) return unreadable(`no taxon is called “${name}”`);
  return done({ kind: 'comparison', relation: relation.toLowerCase() as 'above' | 'below', than: { taxon: than.id } });
}

const unreadable = (why: string) => failed({ code: 'cell-unreadable', message: `This cannot be read: ${why}.` });

/** A name with how often, if that is said: `black rarely`, `rarely black`, `black 10%`; of two ways to read it the one that is a name. */
function oftenIn(
  part: string,
  isName: (name: string) => boolean = () => true,
): { name: string; frequency: FrequencyWord | number } | undefined {
  const share = /^(.*?)\s*(\d+(?:\.\d+)?)\s*%$/.exec(part);
  if (share) {
    const number = Number(share[2]) / 100;
    return number > 1 ? undefined : { name: share[1].trim(), frequency: number };
  }
  const ways = [BEHIND, BEFORE].flatMap((where) => {
    const [all, word] = where.exec(part) ?? [];
    return all && word ? [{ name: part.replace(where, '').trim(), frequency: word.toLowerCase() as FrequencyWord }] : [];
  });
  return ways.find(({ name }) => isName(name)) ?? ways[0] ?? { name: part, frequency: 'always' };
}
const BEHIND = new RegExp(`\\s(${WORDS.join('|')})$`, 'i');
const BEFORE = new RegExp(`^(${WORDS.join('|')})\\s`, 'i');

/** What parts several states of a cell that no `;` parts. */
export const LIST = /[,/;]|\sor\s/i;
/** States of which it is not known which one it is. */
export const EITHER = /^either\s+(.+)$/is;
/** A cell without what its names in quotes say, at the same places. */
export const outside = (text: string): string =>
  text.includes('“') ? text.replace(/“[^”]*”/g, (quoted) => '_'.repeat(quoted.length)) : text;
export function partsOf(text: string, by = /;/): string[] {
  let from = 0;
  const parts = [...outside(text).matchAll(new RegExp(by, 'gi'))].map(({ index, 0: sign }) => {
    const part = text.slice(from, index);
    from = index + sign.length;
    return part;
  });
  return [...parts, text.slice(from)].map((part) => part.trim()).filter(Boolean);
}

/** Several of a cell: parted by `;` where one stands in it, else as a list is. */
export const partsListed = (text: string) => partsOf(text, outside(text).includes(';') ? /;/ : LIST);
/** Several names of which it is not known which one it is, as a cell says that. */
export const eitherOf = (names: readonly string[], list = names.join('; ')): string => `either ${list}`;

const writtenBy = new WeakMap<object, Map<string, { name: string; place: number }>>();

/** States as they are written in a cell, with their places; a grid asks for the same ones a thousand times. */
function writtenOf(states: DraftCharacter['states'] = NO_STATES): Map<string, { name: string; place: number }> {
  const known = writtenBy.get(states);
  if (known) return known;
  const found = new Map(states.map(({ id, label }, place) => [id, { name: asName(label), place }]));
  writtenBy.set(states, found);
  return found;
}
const NO_STATES: NonNullable<DraftCharacter['states']> = [];

const statesByName = new WeakMap<object, Map<string, string>>();

/** States by what they may be called; a table asks for the same ones a thousand times. */
function namesOf(states: NonNullable<DraftCharacter['states']>): Map<string, string> {
  const known = statesByName.get(states);
  if (known) return known;
  const found = new Map(states.flatMap((state) => [state.label, state.id].map((name) => [plainText(name), state.id])));
  statesByName.set(states, found);
  return found;
}

function parseStates({ states = [], label }: DraftCharacter, text: string): Outcome<ScoreValue> {
  const byName = namesOf(states);
  const idOf = (name: string) => byName.get(plainText(name)) ?? byName.get(plainText(ofName(name)));
  const readPart = (part: string) =>
    idOf(part) ? { name: part, frequency: 'always' as const } : oftenIn(part, (name) => idOf(name) !== undefined);
  // A label may hold commas, "or" and words of how often; one that is meant whole goes first.
  const whole = readPart(text);
  const only = whole && idOf(whole.name);
  if (only) return done({ kind: 'states', states: { [only]: whole.frequency } });
  const either = EITHER.exec(text)?.[1];
  const found: Record<string, FrequencyWord | number> = {};
  const parts = partsListed(either ?? text);
  for (const part of parts) {
    const said = readPart(part);
    if (!said) return unreadable(`“${part}” is more than 100 in 100`);
    const id = idOf(said.name);
    if (!id)
      return unreadable(
        `“${label}” has no state “${said.name}”; it has ${states.map((state) => state.label).join(', ') || 'none yet'}`,
      );
    if (found[id] !== undefined && found[id] !== said.frequency) return unreadable(`“${said.name}” is said twice, and not alike`);
    found[id] = said.frequency;
  }
  if (either && (Object.keys(found).length < 2 || Object.values(found).some((often) => often !== 'always')))
    return unreadable('after “either” two states or more are named, without how often');
  const often = shared(found);
  return often.ok ? done({ kind: 'states', states: often.value, ...(either ? { uncertain: true } : {}) }) : often;
}

/**
 * How often each is, where all together are no more than all there is: those that are just named share what the others
 * leave; refused where they leave nothing, or there is too much of them.
 */
function shared<K extends string>(found: Record<K, FrequencyWord | number>): Outcome<Record<K, FrequencyWord | number>> {
  const all = Object.entries(found) as [K, FrequencyWord | number][];
  const sumOf = (some: typeof all) => some.reduce((whole, [, one]) => whole + shareOf(one), 0);
  const sum = sumOf(all);
  if (all.length < 2 || sum <= 1 + 1e-9) return done(found);
  const others = all.filter(([, one]) => one !== 'always');
  const each = Number(((DEFAULT_WORDS.always - sumOf(others)) / (all.length - others.length)).toFixed(4));
  if (!(each > 0 && Number.isFinite(each)))
    return unreadable(`together these are ${Math.round(100 * sum)} in 100; say of one that it is rarer`);
  return done(Object.fromEntries(all.map(([name, one]) => [name, one === 'always' ? each : one])) as typeof found);
}

function parseCounts({ counts, label }: DraftCharacter, text: string): Outcome<ScoreValue> {
  const span = /^(\d+)\s*[–-]\s*(\d+)$/.exec(text);
  const parts = span ? undefined : partsOf(text.replace(/\s+or\s+|,/gi, ';'));
  const found: Record<string, FrequencyWord | number> = {};
  if (span) {
    const [from, to] = [Number(span[1]), Number(span[2])];
    if (to < from || to - from > 500) return unreadable(`“${text}” does not rise from left to right`);
    for (let n = from; n <= to; n++) found[n] = 'always';
  }
  for (const part of parts ?? []) {
    const said = oftenIn(part);
    if (!said || !/^\d+$/.test(said.name)) return unreadable(`“${part}” is no whole number`);
    found[said.name] = said.frequency;
  }
  const beyond = Object.keys(found).find((n) => counts && (Number(n) < counts.from || Number(n) > counts.to));
  if (beyond !== undefined)
    return unreadable(`“${label}” is counted from ${counts!.from} to ${counts!.to}, and ${beyond} is not among them`);
  const often = shared(found);
  return often.ok ? done({ kind: 'counts', counts: often.value }) : often;
}
