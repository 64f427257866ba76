import { type DifferentPart, differentParts } from '../earlier';
import type { Score } from '../guide/schema';
import { printCell } from './cells';
import type { Draft, DraftCharacter } from './draftSchema';
import { cellKey } from './workingDraft';
import { sayScope } from './parts';
import { calledOf, HEAD, SECTIONS } from './sections';

/** A score that is not what it was; nothing stands where it was not, or is no more. */
export interface CellChange {
  /** Of which form, in words. */
  of: string;
  /** The taxon it is of, by id; absent where it is of all. */
  taxon?: string;
  /** By id. */
  character: string;
  label: string;
  source: string;
  was?: string;
  now?: string;
}

/** In what a version of a guide differs from the one before it. */
export interface GuideChanges {
  /** Sentences by part of the guide; parts that are alike are left out. */
  parts: { title: string; lines: string[] }[];
  cells: CellChange[];
}

/** Parts that are lists of things with an id: told by which of them are new, gone or changed. */
const LISTS = [
  ...(['taxa', 'characters', 'sources', 'dependence', 'views', 'regions', 'habitats'] as const),
  ...(['circumstances', 'company', 'treatments', 'unions', 'glossary', 'figures'] as const),
];

/** Parts that are told leaf by leaf. */
const WHOLE = ['facets', 'policy', 'occurrence', 'costs', 'field', 'heredity', 'settings', 'plateTraits'] as const;

/** Words beyond this many letters are cut: it is to be seen that they changed, and the page of the guide has them. */
const LONG = 120;

/** In what a guide, or a draft of it, differs from an earlier version, in words. */
export function guideChanges(before: Draft, after: Draft): GuideChanges {
  const head = Object.entries(HEAD).flatMap(([name, title]) => {
    const [was, now] = [before[name as keyof typeof HEAD], after[name as keyof typeof HEAD]];
    return was === now ? [] : [`${title}: ${become(was, now)}`];
  });
  const words = wordsFor(before, after);
  const lists = LISTS.map((part) => ({
    title: SECTIONS[part],
    lines: listChanges(before[part] ?? [], after[part] ?? [], words),
  }));
  const whole = WHOLE.map((part) => ({
    title: SECTIONS[part],
    lines: leaves({ [part]: before[part] }, { [part]: after[part] }, 1, words),
  }));
  const plan = before.plan === after.plan ? [] : [become(before.plan, after.plan)];
  return {
    parts: [{ title: 'About it', lines: head }, ...lists, ...whole, { title: SECTIONS.plan, lines: plan }].filter(
      ({ lines }) => lines.length > 0,
    ),
    cells: cellChanges(before, after),
  };
}

const cut = (words: string): string => (words.length > LONG ? `${words.slice(0, LONG)} …` : words);
const become = (was: string | undefined, now: string | undefined): string =>
  was ? (now ? `${cut(was)} → ${cut(now)}` : `no more ${cut(was)}`) : cut(now ?? '');

/** Ids in words: a parent by its name, a character by its label. */
function wordsFor(before: Draft, after: Draft): ReadonlyMap<string, string> {
  const all = [before, after].flatMap(({ taxa, characters, regions, views, sources }) =>
    [...regions, ...views, ...sources, ...characters, ...taxa].map((one): [string, string] => [one.id, calledOf(one)]),
  );
  return new Map(all);
}

function listChanges(
  before: readonly { id: string }[],
  after: readonly { id: string }[],
  words: ReadonlyMap<string, string>,
): string[] {
  const called = (one: { id: string }): string => calledOf(one) || one.id;
  const then = new Map(before.map((one) => [one.id, one]));
  const now = new Map(after.map((one) => [one.id, one]));
  const changed = after.flatMap((one) => {
    const was = then.get(one.id);
    if (!was) return [`New: ${called(one)}`];
    return leaves(was, one, 0, words).map((line) => `${called(was)}: ${line}`);
  });
  const gone = before.filter(({ id }) => !now.has(id)).map((one) => `Gone: ${called(one)}`);
  const kept = (list: readonly { id: string }[], other: ReadonlyMap<string, unknown>) =>
    list.flatMap(({ id }) => (other.has(id) ? [id] : [])).join();
  const moved = kept(before, now) === kept(after, then) ? [] : ['In another order'];
  return [...changed, ...gone, ...moved];
}

/** Leaf by leaf, and what came or went as a whole in one line; `skip` names at the head of each way are left out. */
function leaves(was: object, now: object, skip: number, words: ReadonlyMap<string, string>): string[] {
  const say = (value: string) =>
    words.get(value) ?? (LONG_NUMBER.test(value) ? String(Number(Number(value).toPrecision(4))) : value);
  const way = (path: readonly string[]) => path.map(say).join(', ');
  // By what it is called is said before.
  const held = (holds: NonNullable<DifferentPart['holds']>, called: string | undefined) =>
    holds.flatMap(({ path, value }) => (value === called ? [] : [`${way(path)} ${say(value)}`])).join('; ');
  return differentParts(was as Record<string, unknown>, now as Record<string, unknown>, skip + 1).map(
    ({ path, then, now: is, holds }) => {
      const said = !holds
        ? become(then && say(then), is && say(is))
        : then === undefined
          ? cut(held(holds, path.at(-1)))
          : 'no more';
      return `${way(path.slice(skip))}: ${said}`;
    },
  );
}

/** With more places than anybody means. */
const LONG_NUMBER = /^-?\d+\.\d{5,}$/;

function cellChanges(before: Draft, after: Draft): CellChange[] {
  const [then, now] = [before, after].map(({ scores }) => new Map(scores.map((score) => [cellKey(score), score])));
  const [own, other] = [before, after].map(({ characters }) => new Map(characters.map((one) => [one.id, one])));
  const words = wordsFor(before, after);
  return [...new Set([...then.keys(), ...now.keys()])].flatMap((key) => {
    const [was, is] = [then.get(key), now.get(key)];
    const [said, says] = [was && printed(before.taxa, own, was), is && printed(after.taxa, other, is)];
    if (said === says) return [];
    const { character, scope } = (is ?? was)!;
    const guide = is ? after : before;
    return [
      {
        of: sayScope(guide, scope, words),
        ...(scope.taxon === undefined ? {} : { taxon: scope.taxon }),
        ...{ character, label: (is ? other : own).get(character)?.label ?? character },
        source: guide.sources.find(({ id }) => id === (is ?? was)!.source)?.label ?? (is ?? was)!.source,
        ...(said === undefined ? {} : { was: said }),
        ...(says === undefined ? {} : { now: says }),
      },
    ];
  });
}

function printed(
  taxa: Draft['taxa'],
  characters: ReadonlyMap<string, DraftCharacter>,
  { character, value, note }: Score,
): string {
  return [printCell(characters.get(character) ?? {}, value, taxa), note].filter(Boolean).join(', ');
}
