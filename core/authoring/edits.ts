import type { Figure } from '../guide/figureSchema';
import type { Score, Taxon } from '../guide/schema';
import { done, failed, type Outcome } from '../problem';
import type { Cell, Draft, DraftCharacter, DraftPart, Edit } from './draftSchema';
import { isAbout, letGo } from './letGo';
import { cellKey, missing, putAll, putList, take, type Working } from './workingDraft';

/** Put one among the others: in the place of its like, or behind another, or last. */
function placed<T extends { id: string }>(all: readonly T[], one: T, after: string | null | undefined): T[] {
  const at = all.findIndex(({ id }) => id === one.id);
  if (after === undefined && at >= 0) return all.map((own, i) => (i === at ? one : own));
  const rest = all.filter(({ id }) => id !== one.id);
  const behind = after === null ? 0 : rest.findIndex(({ id }) => id === after) + 1;
  const to = after === undefined || (after !== null && behind === 0) ? rest.length : behind;
  return [...rest.slice(0, to), one, ...rest.slice(to)];
}

const before = (all: readonly { id: string }[], id: string): string | null =>
  all[all.findIndex((one) => one.id === id) - 1]?.id ?? null;

/**
 * Make one change; the draft at work is changed in place.
 *
 * @returns what takes it back, in the order to be made; or `no-taxon`, `no-character`, `no-source`, `taxon-circle`,
 * `taxon-under`, and nothing is changed.
 */
export function applyEdit(working: Working, edit: Edit): Outcome<Edit[]> {
  const { draft } = working;
  switch (edit.do) {
    case 'head': {
      const was = Object.fromEntries(Object.keys(edit.set).map((name) => [name, draft[name as keyof typeof edit.set]]));
      working.draft = { ...draft, ...edit.set };
      return done([{ do: 'head', set: was }]);
    }
    case 'part': {
      const names = [...Object.keys(edit.set), ...edit.drop] as (keyof DraftPart)[];
      const had = names.filter((name) => draft[name] !== undefined);
      const set = Object.fromEntries(had.map((name) => [name, draft[name]])) as DraftPart;
      const drop = names.filter((name) => draft[name] === undefined) as typeof edit.drop;
      const next = { ...draft, ...edit.set };
      for (const name of edit.drop) delete next[name];
      // What drives a plate can be said from format 2 on.
      if (edit.set.plateTraits && next.formatVersion < 2) next.formatVersion = 2;
      working.draft = next;
      return done([{ do: 'part', set, drop }]);
    }
    case 'facet': {
      const was = draft.facets[edit.facet] ?? [];
      const facets = { ...draft.facets, [edit.facet]: edit.values };
      if (edit.values.length === 0) delete facets[edit.facet];
      working.draft = { ...draft, facets };
      return done([{ do: 'facet', facet: edit.facet, values: was }]);
    }
    case 'taxon':
      return putTaxon(working, edit);
    case 'dropTaxon':
      return dropTaxon(working, edit.id);
    case 'character': {
      const { character, after } = edit;
      const was = draft.characters.find(({ id }) => id === character.id);
      const back: Edit[] = was
        ? [{ do: 'character', character: was, ...(after === undefined ? {} : { after: before(draft.characters, was.id) }) }]
        : [{ do: 'dropCharacter', id: character.id }];
      working.draft = { ...draft, characters: placed(draft.characters, character, after) };
      const lost = scoresOfLostStates(working, was, character);
      return done([...back, ...letGo(working), ...lost]);
    }
    case 'dropCharacter': {
      const was = draft.characters.find(({ id }) => id === edit.id);
      if (!was) return missing('character', edit.id);
      working.draft = { ...draft, characters: draft.characters.filter(({ id }) => id !== edit.id) };
      const lost = take(working, (score) => score.character === edit.id);
      const unpinned = putList(working, 'figures', (figure) => withoutPins(figure, edit.id));
      return done([
        { do: 'character', character: was, after: before(draft.characters, was.id) },
        ...unpinned,
        ...letGo(working),
        ...lost,
      ]);
    }
    case 'source': {
      const { source, after } = edit;
      const was = draft.sources.find(({ id }) => id === source.id);
      working.draft = { ...draft, sources: placed(draft.sources, source, after), policy: policyWith(draft, source.id) };
      if (!was) return done([{ do: 'dropSource', id: source.id }]);
      return done([{ do: 'source', source: was, ...(after === undefined ? {} : { after: before(draft.sources, was.id) }) }]);
    }
    case 'dropSource': {
      const was = draft.sources.find(({ id }) => id === edit.id);
      if (!was) return missing('source', edit.id);
      working.draft = {
        ...draft,
        sources: draft.sources.filter(({ id }) => id !== edit.id),
        policy: policyWithout(draft, edit.id),
      };
      const lost = take(working, (score) => score.source === edit.id);
      return done([
        { do: 'source', source: was, after: before(draft.sources, was.id) },
        { do: 'part', set: { policy: draft.policy }, drop: [] },
        ...lost,
      ]);
    }
    case 'scores':
      return putScores(working, edit);
    case 'drop':
      return dropMany(working, edit);
  }
}

/** Make changes, all or none; what takes them back, the last first. */
export function applyEdits(working: Working, edits: readonly Edit[]): Outcome<Edit[]> {
  const back: Edit[][] = [];
  for (const edit of edits) {
    const outcome = applyEdit(working, edit);
    if (!outcome.ok) {
      for (const some of back.reverse()) for (const one of some) applyEdit(working, one);
      return outcome;
    }
    back.push(outcome.value);
  }
  return done(back.reverse().flat());
}

function putTaxon(working: Working, { taxon, after }: Extract<Edit, { do: 'taxon' }>): Outcome<Edit[]> {
  const { taxa } = working.draft;
  const was = taxa.find(({ id }) => id === taxon.id);
  const parents = new Map(taxa.map(({ id, parent }) => [id, parent]));
  if (taxon.parent !== undefined && !parents.has(taxon.parent)) return missing('taxon', taxon.parent);
  for (let up = taxon.parent; up !== undefined; up = parents.get(up))
    if (up === taxon.id)
      return failed({
        code: 'taxon-circle',
        message: `“${taxon.name}” would stand under itself; choose another place for it.`,
        field: 'edits',
      });
  const back: Edit = was
    ? { do: 'taxon', taxon: was, ...(after === undefined ? {} : { after: before(taxa, was.id) }) }
    : { do: 'dropTaxon', id: taxon.id };
  working.draft = { ...working.draft, taxa: placed(taxa, taxon, after) };
  return done([back]);
}

function dropTaxon(working: Working, id: string): Outcome<Edit[]> {
  const { draft } = working;
  const was = draft.taxa.find((one) => one.id === id);
  if (!was) return missing('taxon', id);
  const under = draft.taxa.filter(({ parent }) => parent === id);
  const taxa = draft.taxa
    .filter((one) => one.id !== id)
    .map((one) => {
      if (one.parent !== id) return one;
      const moved = { ...one, parent: was.parent };
      if (was.parent === undefined) delete moved.parent;
      return moved;
    });
  const occurrence = draft.occurrence.filter(({ taxon }) => taxon !== id);
  working.draft = { ...draft, taxa, occurrence };
  const lost = take(working, (score) => isAbout(score, (taxon) => taxon === id));
  const shown = putList(working, 'figures', (figure) => (figure.taxon === id ? undefined : figure));
  return done([
    ...shown,
    { do: 'taxon', taxon: was, after: before(draft.taxa, id) },
    ...under.map((taxon): Edit => ({ do: 'taxon', taxon })),
    ...(occurrence.length < draft.occurrence.length
      ? [{ do: 'part', set: { occurrence: draft.occurrence }, drop: [] } as Edit]
      : []),
    ...letGo(working),
    ...lost,
  ]);
}

/** Take many taxa and characters out at once, with what is scored of them; no other taxon may stand under them. */
function dropMany(working: Working, { taxa, characters }: Extract<Edit, { do: 'drop' }>): Outcome<Edit[]> {
  const { draft } = working;
  const gone = { taxa: new Set(taxa), characters: new Set(characters) };
  const has = { taxa: new Set(draft.taxa.map(({ id }) => id)), characters: new Set(draft.characters.map(({ id }) => id)) };
  const noTaxon = taxa.find((id) => !has.taxa.has(id));
  if (noTaxon !== undefined) return missing('taxon', noTaxon);
  const noCharacter = characters.find((id) => !has.characters.has(id));
  if (noCharacter !== undefined) return missing('character', noCharacter);
  const under = draft.taxa.find(({ id, parent }) => parent !== undefined && gone.taxa.has(parent) && !gone.taxa.has(id));
  if (under)
    return failed({
      code: 'taxon-under',
      message: `“${under.name}” stands under what would be taken out; move it first.`,
      field: 'edits',
    });
  const occurrence = draft.occurrence.filter(({ taxon }) => !gone.taxa.has(taxon));
  const back: Edit[] = [
    // First without what they stand under: it may be among those that are put back after them.
    ...backOf(draft.taxa, gone.taxa).map(([taxon, after]): Edit => ({ do: 'taxon', taxon: alone(taxon), after })),
    ...draft.taxa.flatMap((taxon): Edit[] =>
      gone.taxa.has(taxon.id) && taxon.parent !== undefined ? [{ do: 'taxon', taxon }] : [],
    ),
    ...backOf(draft.characters, gone.characters).map(([character, after]): Edit => ({ do: 'character', character, after })),
    ...(occurrence.length < draft.occurrence.length
      ? [{ do: 'part', set: { occurrence: draft.occurrence }, drop: [] } as Edit]
      : []),
  ];
  working.draft = {
    ...draft,
    taxa: draft.taxa.filter(({ id }) => !gone.taxa.has(id)),
    characters: draft.characters.filter(({ id }) => !gone.characters.has(id)),
    occurrence,
  };
  const lost = take(working, (score) => gone.characters.has(score.character) || isAbout(score, (taxon) => gone.taxa.has(taxon)));
  const shown = putList(working, 'figures', (figure) =>
    figure.taxon !== undefined && gone.taxa.has(figure.taxon)
      ? undefined
      : characters.reduce<Figure>((own, id) => withoutPins(own, id), figure),
  );
  return done([...back, ...shown, ...letGo(working), ...lost]);
}

function alone(taxon: Taxon): Taxon {
  const own = { ...taxon };
  delete own.parent;
  return own;
}

/** Those that go, each with the one it stood behind: put back in this order, all stand as they stood. */
const backOf = <T extends { id: string }>(all: readonly T[], gone: ReadonlySet<string>): [T, string | null][] =>
  all.flatMap((one, i) => (gone.has(one.id) ? [[one, all[i - 1]?.id ?? null] as [T, string | null]] : []));

const withoutPins = (figure: Figure, character: string): Figure =>
  figure.pins?.some((pin) => pin.character === character)
    ? { ...figure, pins: figure.pins.filter((pin) => pin.character !== character) }
    : figure;

function putScores(working: Working, { put, drop }: Extract<Edit, { do: 'scores' }>): Outcome<Edit[]> {
  const characters = new Set(working.draft.characters.map(({ id }) => id));
  const taxa = new Set(working.draft.taxa.map(({ id }) => id));
  const sources = new Set(working.draft.sources.map(({ id }) => id));
  for (const { character, scope, source } of put) {
    if (!characters.has(character)) return missing('character', character);
    if (scope.taxon !== undefined && !taxa.has(scope.taxon)) return missing('taxon', scope.taxon);
    if (!sources.has(source)) return missing('source', source);
  }
  const restored: Score[] = [];
  const fresh: Cell[] = [];
  for (const cell of [...drop, ...put]) {
    const was = working.scores.get(cellKey(cell));
    if (was) restored.push(was);
    else fresh.push({ character: cell.character, scope: cell.scope, source: cell.source });
  }
  for (const cell of drop) working.scores.delete(cellKey(cell));
  for (const score of put) working.scores.set(cellKey(score), score);
  return done([{ do: 'scores', put: restored, drop: fresh }]);
}

/** States that a character has no longer are taken out of its scores; what is scored by nothing else goes. */
function scoresOfLostStates(working: Working, was: DraftCharacter | undefined, now: DraftCharacter): Edit[] {
  const left = new Set(now.states?.map(({ id }) => id));
  const lost = was?.states?.filter(({ id }) => !left.has(id)).map(({ id }) => id) ?? [];
  if (was?.kind !== now.kind) return take(working, ({ character }) => character === now.id);
  if (lost.length === 0) return [];
  const touched = [...working.scores.values()].filter(
    ({ character, value }) => character === now.id && value.kind === 'states' && lost.some((state) => state in value.states),
  );
  for (const score of touched) {
    if (score.value.kind !== 'states') continue;
    const states = Object.fromEntries(Object.entries(score.value.states).filter(([state]) => left.has(state)));
    const uncertain = score.value.uncertain && Object.keys(states).length > 1;
    const value = { kind: 'states' as const, states, ...(uncertain ? { uncertain } : {}) };
    if (Object.keys(states).length) working.scores.set(cellKey(score), { ...score, value });
    else working.scores.delete(cellKey(score));
  }
  return putAll(touched);
}

function policyWith({ policy }: Working['draft'], source: string): Draft['policy'] {
  if (policy.kind === 'prefer') return policy.order.includes(source) ? policy : { ...policy, order: [...policy.order, source] };
  return source in policy.weights ? policy : { ...policy, weights: { ...policy.weights, [source]: 1 } };
}

function policyWithout({ policy }: Working['draft'], source: string): Draft['policy'] {
  const exclude = policy.exclude?.filter((id) => id !== source);
  const left = exclude?.length ? { exclude } : {};
  if (policy.kind === 'prefer') return { kind: 'prefer', order: policy.order.filter((id) => id !== source), ...left };
  return { kind: 'pool', weights: Object.fromEntries(Object.entries(policy.weights).filter(([id]) => id !== source)), ...left };
}
