import { differencesOf } from '../earlier';
import type { Score } from '../guide/schema';
import { FACETS } from '../guide/working';
import { stableJson } from '../stableJson';
import { printCell } from './cells';
import type { Draft, DraftPart, Edit } from './draftSchema';
import { cellKey, putAll } from './workingDraft';
import { sayScope } from './parts';
import { calledOf, HEAD, inSentence, SECTIONS } from './sections';

/** Something that both changed since the version that a draft goes on from, each in its own way. */
export interface Conflict {
  /** Known by it, when one says whose is to hold. */
  key: string;
  /** What it is, in words. */
  name: string;
  /** In words; empty where it is no more. */
  ours: string;
  theirs: string;
}

/** What a newer version changed, as changes to a draft that goes on from an older one. */
export interface CarriedOver {
  /** Changes that touch nothing that was changed here. */
  edits: Edit[];
  /** What both changed, with the changes that take theirs. */
  conflicts: (Conflict & { take: Edit[] })[];
}

/** Parts that are taken whole, or not. */
const WHOLE = [
  ...(['dependence', 'policy', 'occurrence', 'regions', 'habitats', 'views', 'circumstances', 'company'] as const),
  ...(['treatments', 'glossary', 'figures', 'unions', 'costs', 'field', 'heredity', 'settings', 'plan', 'plateTraits'] as const),
] satisfies (keyof DraftPart)[];

/** Fields told of what both changed. */
const TOLD = 6;

type Side<T> = T | undefined;

/** One thing as it was, as it is here and as it is there. */
interface Three<T> {
  key: string;
  name: string;
  base: Side<T>;
  ours: Side<T>;
  theirs: Side<T>;
}

/**
 * Carry over to a draft what a newer version changed since the one that the draft goes on from: three ways, thing by
 * thing and cell by cell. What only they changed is taken; what both changed alike is as it is; what both changed in
 * their own ways is a conflict, and ours until somebody says otherwise.
 */
export function carryOver(base: Draft, ours: Draft, theirs: Draft): CarriedOver {
  const edits: Edit[] = [];
  const conflicts: CarriedOver['conflicts'] = [];
  const merge = <T>(three: Three<T>, take: (value: Side<T>) => Edit[]) => {
    const { key, name, base: was, ours: own, theirs: other } = three;
    if (same(was, other) || same(own, other)) return;
    if (same(was, own)) edits.push(...take(other));
    else conflicts.push({ key, name, ...sayBoth(own, other), take: take(other) });
  };

  for (const name of Object.keys(HEAD) as (keyof typeof HEAD)[])
    merge({ key: name, name: inSentence(HEAD[name]), base: base[name], ours: ours[name], theirs: theirs[name] }, (text) => [
      { do: 'head', set: { [name]: text ?? '' } },
    ]);
  for (const three of listsOf('source', base.sources, ours.sources, theirs.sources))
    merge(three, (source) => [source ? { do: 'source', source } : { do: 'dropSource', id: idOf(three) }]);
  for (const facet of FACETS)
    merge(
      { key: `facet ${facet}`, name: facet, base: base.facets[facet], ours: ours.facets[facet], theirs: theirs.facets[facet] },
      (values) => [{ do: 'facet', facet, values: values ?? [] }],
    );
  for (const part of WHOLE)
    merge(
      { key: `part ${part}`, name: inSentence(SECTIONS[part]), base: base[part], ours: ours[part], theirs: theirs[part] },
      (value) => [partEdit(part, value)],
    );
  // What stands above comes before what stands under it.
  const taxa = listsOf('taxon', base.taxa, ours.taxa, theirs.taxa);
  const depth = depthIn(theirs);
  for (const three of taxa.sort((a, b) => depth(a.theirs) - depth(b.theirs)))
    merge(three, (taxon) => [taxon ? { do: 'taxon', taxon } : { do: 'dropTaxon', id: idOf(three) }]);
  for (const three of listsOf('character', base.characters, ours.characters, theirs.characters))
    merge(three, (character) => [character ? { do: 'character', character } : { do: 'dropCharacter', id: idOf(three) }]);
  mergeScores(base, ours, theirs, edits, conflicts);
  return { edits, conflicts };
}

const same = (a: unknown, b: unknown): boolean =>
  a === b || (a !== undefined && b !== undefined && stableJson(a) === stableJson(b));

/** In what two differ, field by field; all of one where the other is no more. */
function sayBoth(ours: unknown, theirs: unknown): Pick<Conflict, 'ours' | 'theirs'> {
  const plain = (value: unknown): string =>
    typeof value === 'string' ? value : value === undefined ? '' : calledOf(value as object) || 'as it is here';
  if (typeof ours !== 'object' || typeof theirs !== 'object') return { ours: plain(ours), theirs: plain(theirs) };
  const apart = differencesOf({ '': ours }, { '': theirs });
  const said = (which: 'then' | 'now') =>
    apart
      .slice(0, TOLD)
      .map((one) => `${one.path.slice(1).join(' ')}: ${one[which] ?? 'nothing'}`)
      .join('; ');
  return { ours: said('then'), theirs: said('now') };
}

const idOf = ({ base, ours, theirs }: Three<{ id: string }>): string => (theirs ?? ours ?? base)!.id;

function partEdit(part: keyof DraftPart, value: unknown): Edit {
  const set = value === undefined ? {} : ({ [part]: value } as DraftPart);
  const drop = value === undefined ? [part] : [];
  return { do: 'part', set, drop: drop as Extract<Edit, { do: 'part' }>['drop'] };
}

function listsOf<T extends { id: string }>(
  kind: string,
  base: readonly T[],
  ours: readonly T[],
  theirs: readonly T[],
): Three<T>[] {
  const [was, own, other] = [base, ours, theirs].map((list) => new Map(list.map((one) => [one.id, one])));
  return [...new Set([...theirs, ...ours, ...base].map(({ id }) => id))].map((id) => {
    const three = { base: was.get(id), ours: own.get(id), theirs: other.get(id) };
    return { key: `${kind} ${id}`, name: calledOf((three.theirs ?? three.ours ?? three.base)!), ...three };
  });
}

/** How deep a taxon stands; those that are no more come last. */
function depthIn({ taxa }: Draft): (taxon: { id: string } | undefined) => number {
  const parents = new Map(taxa.map(({ id, parent }) => [id, parent]));
  return (taxon) => {
    if (!taxon) return Number.POSITIVE_INFINITY;
    let depth = 0;
    for (let up = parents.get(taxon.id); up !== undefined && depth < taxa.length; up = parents.get(up)) depth++;
    return depth;
  };
}

function mergeScores(base: Draft, ours: Draft, theirs: Draft, edits: Edit[], conflicts: CarriedOver['conflicts']): void {
  const [was, own, other] = [base, ours, theirs].map(({ scores }) => new Map(scores.map((score) => [cellKey(score), score])));
  const names = new Map([...base.taxa, ...ours.taxa, ...theirs.taxa].map(({ id, name }) => [id, name]));
  const characters = new Map([...base.characters, ...ours.characters, ...theirs.characters].map((one) => [one.id, one]));
  const said = (score: Side<Score>) => (score ? printCell(characters.get(score.character) ?? {}, score.value, theirs.taxa) : '');
  const isHere = presentAfter(ours, edits);
  const put: Score[] = [];
  const drop: Score[] = [];
  for (const key of new Set([...other.keys(), ...was.keys()])) {
    const [then, here, there] = [was.get(key), own.get(key), other.get(key)];
    // What was taken out here takes its cells with it.
    if (same(then, there) || same(here, there) || !isHere((there ?? then)!)) continue;
    if (same(then, here)) {
      if (there) put.push(there);
      else drop.push(here!);
      continue;
    }
    const { character, scope, source } = (there ?? then)!;
    const cell = `${sayScope(theirs, scope, names)}, ${characters.get(character)?.label ?? character}`;
    const take: Edit[] = [{ do: 'scores', put: there ? [there] : [], drop: there ? [] : [{ character, scope, source }] }];
    conflicts.push({ key, name: cell, ours: said(here), theirs: said(there), take });
  }
  edits.push(...putAll(put));
  if (drop.length)
    edits.push({ do: 'scores', put: [], drop: drop.map(({ character, scope, source }) => ({ character, scope, source })) });
}

/** Is there, when the changes are made, what a score speaks of? */
function presentAfter(ours: Draft, edits: readonly Edit[]): (score: Score) => boolean {
  const [taxa, characters, sources] = [ours.taxa, ours.characters, ours.sources].map(
    (list: readonly { id: string }[]) => new Set(list.map(({ id }) => id)),
  );
  for (const edit of edits) {
    if (edit.do === 'taxon') taxa.add(edit.taxon.id);
    if (edit.do === 'character') characters.add(edit.character.id);
    if (edit.do === 'source') sources.add(edit.source.id);
    if (edit.do === 'dropTaxon') taxa.delete(edit.id);
    if (edit.do === 'dropCharacter') characters.delete(edit.id);
    if (edit.do === 'dropSource') sources.delete(edit.id);
  }
  return ({ character, scope, source }) =>
    characters.has(character) && sources.has(source) && (scope.taxon === undefined || taxa.has(scope.taxon));
}
