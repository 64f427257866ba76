import type { Edit } from '@plesion/core/authoring';
import type { FrequencyWord, Guide, Score } from '@plesion/core/guide';
import { omit } from '../../lib/omit';
import type { PartProps } from './WritingScreen';

type Draft = PartProps['draft'];
type Occurrence = Guide['occurrence'][number];

/** What of a guide's places and company a taxon may be met in, and what an occurrence calls it. */
export const PLACES = { regions: 'region', habitats: 'habitat', company: 'company' } as const;
export type PlaceList = keyof typeof PLACES;
const KINDS = { region: 'range', habitat: 'habitat', company: 'company' } as const;

const isAt = (record: Occurrence, what: (typeof PLACES)[PlaceList], id: string): boolean =>
  record.kind === KINDS[what] && (record as Record<string, unknown>)[what] === id;

/** How often a taxon is met there, as it is said; nothing where nothing is said. */
export function metAt({ occurrence }: Draft, taxon: string, list: PlaceList, id: string): FrequencyWord | number | undefined {
  const found = occurrence.find((record) => record.taxon === taxon && isAt(record, PLACES[list], id));
  return found && found.kind !== 'date' ? found.frequency : undefined;
}

/** The change that says how often a taxon is met there. */
export function meet({ occurrence }: Draft, taxon: string, list: PlaceList, id: string, frequency?: FrequencyWord): Edit {
  const what = PLACES[list];
  const rest = occurrence.filter((record) => record.taxon !== taxon || !isAt(record, what, id));
  const own = frequency && ({ kind: KINDS[what], taxon, [what]: id, frequency } as Occurrence);
  return { do: 'part', set: { occurrence: own ? [...rest, own] : rest }, drop: [] };
}

const isYear = (record: Occurrence, taxon: string) => record.kind === 'date' && record.taxon === taxon && !record.facets;

/** How much of a taxon there is over the year, as points of a curve. */
export function yearOf({ occurrence }: Draft, taxon: string): [string, number][] | undefined {
  const found = occurrence.find((record) => isYear(record, taxon));
  return found?.kind === 'date' ? found.curve : undefined;
}

/** The change that draws the year of a taxon, or takes it away. */
export function drawYear({ occurrence }: Draft, taxon: string, curve?: [string, number][]): Edit {
  const rest = occurrence.filter((record) => !isYear(record, taxon));
  return { do: 'part', set: { occurrence: curve ? [...rest, { kind: 'date', taxon, curve }] : rest }, drop: [] };
}

/** Changes that take a place or company out, with what is said of it. */
export function dropPlace(draft: Draft, scores: PartProps['scores'], list: PlaceList, id: string): Edit[] {
  const occurrence = draft.occurrence.filter((record) => !isAt(record, PLACES[list], id));
  const left = (draft[list] ?? []).filter((one) => one.id !== id);
  const set = { [list]: left, occurrence } as Extract<Edit, { do: 'part' }>['set'];
  return [...(list === 'regions' ? without(scores, 'regions', id) : []), { do: 'part', set, drop: [] }];
}

/** Changes that take a circumstance out, with what is scored of it. */
export const dropCircumstance = (draft: Draft, scores: PartProps['scores'], id: string): Edit[] => [
  ...without(scores, 'circumstances', id),
  { do: 'part', set: { circumstances: draft.circumstances?.filter((one) => one.id !== id) ?? [] }, drop: [] },
];

/** What is scored of several of them is of the others; what is scored of it alone goes. */
function without(scores: PartProps['scores'], list: 'regions' | 'circumstances', id: string): Edit[] {
  const touched = [...scores.values()].filter(({ scope }) => scope[list]?.includes(id));
  if (touched.length === 0) return [];
  const put = touched.flatMap((score): Score[] => {
    const left = score.scope[list]!.filter((one) => one !== id);
    // Wind and wet alike is not wet alone: where all of several have to hold, none is left of it.
    if (left.length === 0 || list === 'circumstances') return [];
    return [{ ...score, scope: { ...omit(score.scope, list), [list]: left } }];
  });
  const drop = touched.map(({ character, scope, source }) => ({ character, scope, source }));
  return [{ do: 'scores', put, drop }];
}
