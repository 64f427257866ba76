import { type Guide, readGuide } from '../guide';
import type { Problem } from '../problem';
import type { Taxon } from '../guide/schema';
import type { Draft } from './draftSchema';

/** A draft as the guide that it is so far, for what it says back while it is written. Never one to be published. */
export interface SoFar {
  guide: Guide;
  /** What it was made without, because it is not whole yet: labels of characters and names of taxa. */
  without: string[];
}

/** What stands where nothing is written yet. */
const BLANK = '…';
/** To take out what is broken may break what rests on it. Each round reads all of the draft. */
const MOST_ROUNDS = 12;
/** Sections that a guide can do without. */
const SECTIONS = new Set([
  'plateTraits',
  'glossary',
  'figures',
  'unions',
  'costs',
  'blocks',
  'learned',
  'field',
  'heredity',
  'origin',
]);

/** What a taxon and a character can do without: where it is not whole, the rest of them stays. */
const SPARED = new Set(['taxa.parent', 'characters.dependence', 'characters.protocol', 'characters.plate']);

/**
 * What of a draft can be weighed already: texts that are still wanted are filled with dots, a character that is seen
 * from nowhere with the first view; characters, taxa, scores and sections that are not whole are left out, with what
 * rests on them; of a character the protocol alone, where only that is not whole.
 *
 * @returns the guide, and what is left out of it; nothing where there is none: without taxa, characters or a source.
 */
export function guideSoFar(draft: Draft): SoFar | undefined {
  let now = filled(draft);
  const leftOut = new Set<string>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const read = readGuide(now);
    if (read.ok) return { guide: read.value, without: [...leftOut] };
    const left = leftOf(now, read.problems);
    if (!left) return undefined;
    for (const name of left.without) leftOut.add(name);
    now = left.draft;
  }
  return undefined;
}

function filled(draft: Draft): Draft {
  const { title, summary, group, area, caution } = draft;
  const texts = Object.fromEntries(
    Object.entries({ title, summary, group, area, caution }).map(([field, said]) => [field, said.trim() ? said : BLANK]),
  );
  const views = draft.views.length ? draft.views : [{ id: 'whole', label: BLANK }];
  const characters = draft.characters.map((one) => (one.views.length ? one : { ...one, views: [views[0].id] }));
  return { ...draft, ...texts, views, characters };
}

/** What the problems name: entries by their places in a part, what of them can go alone, sections; nothing where it cannot go. */
function brokenIn(draft: Draft, problems: readonly Problem[]) {
  const entries = new Map<string, Set<number>>();
  const spared = new Map<string, string[]>();
  const sections = new Set<string>();
  for (const { field = '' } of problems) {
    const [, part, place, of] = /^(\w+)(?:\[(\d+)\])?(?:\.(\w+))?/.exec(field) ?? [];
    const at = `${part}[${place}]`;
    if (SPARED.has(`${part}.${of}`)) spared.set(at, [...(spared.get(at) ?? []), of]);
    else if (place !== undefined && Array.isArray(draft[part as keyof Draft]))
      entries.set(part, (entries.get(part) ?? new Set()).add(Number(place)));
    else if (SECTIONS.has(part)) sections.add(part);
    else return undefined;
  }
  return { entries, spared, sections };
}

/** The draft without what the problems name, and what rests on it; nothing where it cannot do without. */
function leftOf(draft: Draft, problems: readonly Problem[]): { draft: Draft; without: string[] } | undefined {
  const broken = brokenIn(draft, problems);
  if (!broken) return undefined;
  const { entries, spared, sections } = broken;
  const isGone = (part: string, place: number) => entries.get(part)?.has(place) === true;
  const left = Object.fromEntries(
    Object.entries(draft)
      .filter(([part]) => !sections.has(part))
      .map(([part, value]: [string, unknown]) => [
        part,
        Array.isArray(value)
          ? value.flatMap((entry: unknown, i) => (isGone(part, i) ? [] : [without(entry, spared.get(`${part}[${i}]`))]))
          : value,
      ]),
  ) as Draft;
  const taxa = new Map(draft.taxa.filter((_, i) => isGone('taxa', i)).map((taxon) => [taxon.id, taxon]));
  const characters = new Map(draft.characters.filter((_, i) => isGone('characters', i)).map((one) => [one.id, one]));
  return {
    draft: {
      ...left,
      taxa: left.taxa.map((taxon) => underThoseLeft(taxon, taxa)),
      scores: left.scores.filter(({ character, scope }) => !characters.has(character) && !taxa.has(scope.taxon ?? '')),
    },
    without: [...[...taxa.values()].map(({ name }) => name), ...[...characters.values()].map(({ label }) => label)],
  };
}

const without = (entry: unknown, properties: readonly string[] | undefined): unknown =>
  properties ? Object.fromEntries(Object.entries(entry as object).filter(([name]) => !properties.includes(name))) : entry;

/** What stood under a taxon that is left out stands under the one above it. */
function underThoseLeft({ parent, ...taxon }: Taxon, lost: ReadonlyMap<string, Taxon>): Taxon {
  const seen = new Set<string>();
  let above = parent;
  while (above !== undefined && lost.has(above) && !seen.has(above)) {
    seen.add(above);
    above = lost.get(above)!.parent;
  }
  return above === undefined || lost.has(above) ? taxon : { ...taxon, parent: above };
}
