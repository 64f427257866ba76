import { type Guide, readGuide } from '../guide';
import type { Problem } from '../problem';
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

/** It goes from round to round as a draft, whatever is left of it. */
type Loose = Draft;

/**
 * What of a draft can be weighed already: texts that are still wanted are filled with dots, a character that is seen
 * from nowhere with the first view; characters, taxa, scores and sections that are not whole are left out, with what
 * rests on them.
 *
 * @returns the guide, and what is left out of it; nothing where there is none: without taxa, characters or a source.
 */
export function guideSoFar(draft: Draft): SoFar | undefined {
  let now: Loose = filled(draft);
  const without = new Set<string>();
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const read = readGuide(now);
    if (read.ok) return { guide: read.value, without: [...without] };
    const left = leftOf(now, read.problems);
    if (!left) return undefined;
    for (const name of left.without) without.add(name);
    now = left.draft;
  }
  return undefined;
}

function filled(draft: Draft): Loose {
  const { title, summary, group, area, caution } = draft;
  const texts = Object.fromEntries(
    Object.entries({ title, summary, group, area, caution }).map(([field, said]) => [field, said.trim() ? said : BLANK]),
  );
  const views = draft.views.length ? draft.views : [{ id: 'whole', label: BLANK }];
  const characters = draft.characters.map((one) => (one.views.length ? one : { ...one, views: [views[0].id] }));
  return { ...draft, ...texts, views, characters };
}

/** The draft without what the problems name, and what rests on it; nothing where it cannot do without. */
function leftOf(draft: Loose, problems: readonly Problem[]): { draft: Loose; without: string[] } | undefined {
  const gone = new Map<string, Set<number>>();
  const orphans = new Set<number>();
  const sections = new Set<string>();
  for (const { field = '' } of problems) {
    const [, part, place, of] = /^(\w+)(?:\[(\d+)\])?(?:\.(\w+))?/.exec(field) ?? [];
    if (part === 'taxa' && of === 'parent') orphans.add(Number(place));
    else if (place !== undefined && Array.isArray(draft[part as keyof Loose]))
      gone.set(part, (gone.get(part) ?? new Set()).add(Number(place)));
    else if (SECTIONS.has(part)) sections.add(part);
    else return undefined;
  }
  const isLeft = (part: keyof Loose) => (_: unknown, i: number) => !gone.get(part)?.has(i);
  const parts = [...gone.keys()].map((part) => [
    part,
    (draft[part as keyof Loose] as unknown[]).filter(isLeft(part as keyof Loose)),
  ]);
  const lost = {
    taxa: new Map(draft.taxa.filter((_, i) => gone.get('taxa')?.has(i)).map((taxon) => [taxon.id, taxon])),
    characters: new Map(draft.characters.filter((_, i) => gone.get('characters')?.has(i)).map((one) => [one.id, one])),
  };
  // What stood under a taxon that is left out stands under the one above it.
  const above = (parent: string | undefined): string | undefined => {
    const seen = new Set<string>();
    for (let at = parent; ; at = lost.taxa.get(at)!.parent) {
      if (at === undefined || !lost.taxa.has(at)) return at;
      if (seen.has(at)) return undefined;
      seen.add(at);
    }
  };
  const taxa = draft.taxa.flatMap((taxon, i) => {
    if (!isLeft('taxa')(taxon, i)) return [];
    const { parent, ...rest } = taxon;
    const own = orphans.has(i) ? undefined : above(parent);
    return [{ ...rest, ...(own === undefined ? {} : { parent: own }) }];
  });
  const scores = draft.scores.filter(
    ({ character, scope }, i) =>
      isLeft('scores')(scope, i) && !lost.characters.has(character) && !lost.taxa.has(scope.taxon ?? ''),
  );
  const left = Object.fromEntries(
    Object.entries({ ...draft, ...Object.fromEntries(parts), taxa, scores }).filter(([part]) => !sections.has(part)),
  );
  return {
    draft: left as Loose,
    without: [...[...lost.taxa.values()].map(({ name }) => name), ...[...lost.characters.values()].map(({ label }) => label)],
  };
}
