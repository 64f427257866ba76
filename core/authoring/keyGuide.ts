import {
  type Character,
  DEFAULT_WORDS,
  FACETS,
  type Facets,
  type Guide,
  idsFor,
  printRange,
  type Score,
  type ScoreValue,
} from '../guide/working';
import type { Key, StatementLink } from '../keys';
import { type Claimed, type KeyCharacter, charactersOf } from './characters';
import { boundsOf, sayBounds } from './classes';
import { type Claim, type Ending, claimsByLead, endingsOf, onAllWays } from './claims';
import { contrastsOf, type Side } from './contrasts';
import { done, failed, type Outcome } from '../problem';
import { namedAt, type Named } from './endings';
import { joined, type Proposal } from './join';
import { withSameStates } from './sameStates';
import type { KeyCharacterTold, KeyGuideChoices } from './schema';
import { USUAL_SETTINGS } from './settings';
import { viewNamed } from './words';

/** A guide that keys make, what each part of it came from, and what a person may decide. */
export interface KeyGuide {
  guide: Guide;
  characters: KeyCharacterTold[];
  proposals: Proposal[];
  /** The keys with their statements and endings tied to the guide. */
  keys: Key[];
  /** What was left out or taken one way though the key says two, in words. */
  notes: string[];
}

const NOTE = 4000;
/** As many as a guide may have. */
const MOST_CHARACTERS = 2000;

/**
 * A guide of one key, or of several to the same group: opposite statements become characters, each ending has what is
 * said on the way to it, and nothing else. Each key is a source.
 *
 * @param id of the guide, letters and hyphens. @param keys one at least.
 * @returns the guide; or `nothing-said`, `nothing-named`, `too-many-characters`.
 */
export function guideFromKeys(id: string, keys: readonly Key[], choices: KeyGuideChoices): Outcome<KeyGuide> {
  const contrasts = keys.flatMap(contrastsOf);
  const { groups: alike, proposals } = joined(contrasts, choices);
  const { groups, refused } = withSameStates(alike, choices.same);
  if (groups.length === 0)
    return failed({ code: 'nothing-said', message: 'The leads say nothing yet: write what tells them apart.', field: 'keys' });
  if (groups.length > MOST_CHARACTERS)
    return failed({
      code: 'too-many-characters',
      message: `So many statements come to ${groups.length} characters; a guide has ${MOST_CHARACTERS} at most. Make guides of parts of the key.`,
      field: 'keys',
    });
  const made = charactersOf(groups, choices.labels);
  const all = keys.map((key, k) => endingsOf(key, claimsByLead(made, k)));
  const { genera, named } = namedAt(all);
  if (named.length === 0)
    return failed({
      code: 'nothing-named',
      message: 'No lead that is reached from the start names anything yet.',
      field: 'keys',
    });
  const sources = sourcesOf(keys);
  const views = [...new Set(made.flatMap(({ character }) => character.views))].map(viewNamed);
  const title = choices.title ?? keys[0].title;
  const guide: Guide = {
    ...{ format: 'plesion-guide', formatVersion: 1, id, title },
    summary: summaryOf(keys, named.length),
    ...{ group: title.slice(0, 200), area: 'as the key', caution: cautionOf(keys) },
    facets: facetsOf(named),
    taxa: [...genera, ...named.map(({ taxon }) => taxon)],
    characters: made.map(({ character }) => character),
    dependence: [],
    sources,
    policy:
      sources.length > 1
        ? { kind: 'pool', weights: Object.fromEntries(sources.map((source) => [source.id, 1])) }
        : { kind: 'prefer', order: [sources[0].id] },
    scores: named.flatMap((one) => scoresOf(one, made, sources)),
    ...{ occurrence: [], regions: [], habitats: [], views },
    settings: USUAL_SETTINGS,
  };
  if (guide.scores.length === 0)
    return failed({
      code: 'nothing-said',
      message: 'Nothing that the key says leads to one ending and not to all.',
      field: 'keys',
    });
  return done({
    guide,
    characters: made.map(toldOf),
    proposals,
    keys: tied(keys, guide, named, made),
    notes: [...refused, ...notesOf(all, keys, made)],
  });
}

function sourcesOf(keys: readonly Key[]): Guide['sources'] {
  const titles = keys.map(({ title }, k) => (keys.findIndex((key) => key.title === title) === k ? title : `${title} (${k + 1})`));
  const ids = idsFor(titles);
  return titles.map((label, k) => ({ id: ids.get(label)!, label, citation: keys[k].source ?? label, kind: 'book' }));
}

const summaryOf = (keys: readonly Key[], taxa: number) =>
  `Made of ${keys.length === 1 ? 'a key' : `${keys.length} keys`} to ${taxa} kinds: ${keys.map(({ title }) => title).join('; ')}. It says what the key says on the way to each, and nothing else.`.slice(
    0,
    NOTE,
  );

function cautionOf(keys: readonly Key[]): string {
  const said = [...new Set(keys.flatMap(({ caution }) => caution ?? []))];
  const own =
    'Made of a key, this guide knows nothing of dangers, protection or law beyond what the key says. Handle nothing on its word alone; ask those who know the group.';
  return [...said, own].join(' ').slice(0, NOTE);
}

const facetsOf = (named: readonly Named[]): Guide['facets'] =>
  Object.fromEntries(
    FACETS.flatMap((facet) => {
      const values = [...new Set(named.flatMap(({ endings }) => endings.flatMap(({ facets }) => facets[facet] ?? [])))];
      return values.length ? [[facet, values.map((value) => ({ id: value, label: value }))] as const] : [];
    }),
  );

/** What each key says of a taxon; of its forms apart, where it ends at them apart. */
function scoresOf({ taxon, endings }: Named, made: readonly KeyCharacter[], sources: Guide['sources']): Score[] {
  const apart = new Map<string, typeof endings>();
  for (const one of endings) {
    const key = JSON.stringify([one.key, Object.entries(one.facets).sort()]);
    apart.set(key, [...(apart.get(key) ?? []), one]);
  }
  const characters = new Map(made.map((one) => [one.character.id, one]));
  return [...apart.values()].flatMap((some) => {
    const claims = onAllWays(some.map(({ ending }) => ending.claims));
    const { key, facets } = some[0];
    return [...claims].map(([character, claim]): Score => ({
      character,
      scope: { taxon: taxon.id, ...scopeOf(facets) },
      source: sources[key].id,
      value: valueOf(claim, characters.get(character)!),
      note: noteOf(claim, characters.get(character)!, key),
    }));
  });
}

const scopeOf = (facets: Facets) => {
  const said = Object.entries(facets).map(([facet, value]) => [facet, [value]]);
  return said.length ? { facets: Object.fromEntries(said) as NonNullable<Score['scope']['facets']> } : {};
};

const rounded = (share: number) => Number(share.toFixed(4));

function valueOf({ what }: Claim, { character }: KeyCharacter): ScoreValue {
  if ('low' in what) {
    const { low, high } = what;
    if (character.kind === 'count') {
      const all = Array.from({ length: Math.floor(high) - Math.ceil(low) + 1 }, (_, i) => String(Math.ceil(low) + i));
      return { kind: 'counts', counts: Object.fromEntries(all.map((n) => [n, rounded(DEFAULT_WORDS.always / all.length)])) };
    }
    if (low === high) return { kind: 'values', mean: low, sd: character.error! };
    return { kind: 'range', range: printRange({ low, high }) };
  }
  const { states, hedge } = what;
  if (states.size === 1) {
    const [[state, share]] = states;
    return { kind: 'states', states: { [state]: hedge ?? (share === 1 ? 'always' : rounded(share * DEFAULT_WORDS.always)) } };
  }
  const scale = DEFAULT_WORDS[hedge ?? 'always'];
  return { kind: 'states', states: Object.fromEntries([...states].map(([state, share]) => [state, rounded(share * scale)])) };
}

/** The texts a score came from, with where they stand. */
function noteOf({ from, torn }: Claim, { contrasts }: KeyCharacter, key: number): string {
  const texts = contrasts.flatMap(({ key: own, couplet, sides }) =>
    own === key
      ? sides.flatMap(({ lead, text }) => (from.has(`${couplet.number}${lead}`) ? [`${couplet.number}${lead}: ${text}`] : []))
      : [],
  );
  return `${torn ? 'The key says two things that cannot both be; the later stands. ' : ''}${texts.join('; ')}`.slice(0, NOTE);
}

function toldOf({ character, contrasts, oneSided }: KeyCharacter): KeyCharacterTold {
  return {
    ...{ id: character.id, label: character.label, kind: character.kind, oneSided },
    ...(character.kind === 'nominal' ? { states: character.states!.map(({ label }) => label) } : {}),
    contrasts: contrasts.map((contrast) => ({
      ...{ id: contrast.id, key: contrast.key, couplet: contrast.couplet.number },
      sides: contrast.sides.map((side) => {
        const means = side.quantity
          ? sayBounds(boundsOf(side.quantity, contrast.measure!), contrast.measure!)
          : side.values.join(' or ');
        const beside = (side.beside ?? []).map((rare) => `, ${rare.hedge} ${rare.text}`).join('');
        return { lead: side.lead, text: side.text, means: `${side.hedge ? `${side.hedge} ` : ''}${means}${beside}` };
      }),
    })),
  };
}

/** The keys with what each statement came to tied to it, and their endings to the taxa. */
function tied(keys: readonly Key[], guide: Guide, named: readonly Named[], made: readonly KeyCharacter[]): Key[] {
  const ends = new Map(
    named.flatMap(({ taxon, endings }) =>
      endings.map(
        ({ ending, facets }) => [ending.lead, { taxon: taxon.id, ...(Object.keys(facets).length ? { facets } : {}) }] as const,
      ),
    ),
  );
  const links = new Map<string, StatementLink>();
  for (const { character, contrasts, claimed } of made)
    for (const contrast of contrasts)
      for (const side of contrast.sides) {
        const what = claimed(contrast, side);
        const link = linkOf(what, side, character);
        if (!link) continue;
        for (const n of side.statements) links.set(`${contrast.key}\n${contrast.couplet.id}\n${side.lead}\n${n}`, link);
      }
  return keys.map((key, k) => ({
    ...key,
    guide: guide.id,
    couplets: key.couplets.map((couplet) => ({
      ...couplet,
      leads: couplet.leads.map((lead) => ({
        ...lead,
        statements: lead.statements.map((statement) => {
          const link = links.get(`${k}\n${couplet.id}\n${lead.id}\n${statement.n}`);
          return link ? { ...statement, link } : statement;
        }),
        to: lead.to.kind === 'taxon' ? { ...lead.to, ...ends.get(lead) } : lead.to,
      })),
    })),
  }));
}

/** What fits a statement: what it says; of what it says seldom or never, all the rest. */
function linkOf(what: Claimed, { hedge }: Side, { id: character, kind, states }: Character): StatementLink | undefined {
  if ('low' in what) {
    // A number that is one value exactly is no stretch.
    return what.low === what.high && kind !== 'count' ? undefined : { character, low: what.low, high: what.high };
  }
  if (hedge !== 'rarely' && hedge !== 'never')
    return { character, states: [...new Set([...what.states, ...(what.beside ?? []).map(({ state }) => state)])] };
  const rest = states!.map(({ id }) => id).filter((state) => !what.states.includes(state));
  return rest.length ? { character, states: rest } : undefined;
}

function notesOf(all: readonly (readonly Ending[])[], keys: readonly Key[], made: readonly KeyCharacter[]): string[] {
  const notes: string[] = [];
  all.forEach((endings, k) => {
    const open = endings.filter(({ to }) => to.kind === 'open').map(({ couplet, lead }) => `${couplet}${lead.id}`);
    const of = keys.length > 1 ? ` of “${keys[k].title}”` : '';
    if (open.length) notes.push(`Left out${of}, as nothing is named there yet: ${open.join(', ')}.`);
    const torn = endings.filter(({ claims }) => [...claims.values()].some((claim) => claim.torn));
    if (torn.length)
      notes.push(
        `On the way to ${torn.map(({ couplet, lead }) => `${couplet}${lead.id}`).join(', ')}${of} the key says what cannot both be of one character; the later stands. Part the texts where they are two characters.`,
      );
  });
  const alone = made.filter(({ oneSided }) => oneSided);
  if (alone.length)
    notes.push(
      `${alone.length === 1 ? '1 character is said of one side only and tells' : `${alone.length} characters are said of one side only and tell`} nothing yet.`,
    );
  return notes;
}
