import type { Guide } from '../guide/schema';
import type { Draft } from './draftSchema';
import { applyEdit } from './edits';
import { USUAL_SETTINGS } from './settings';
import { draftOf, workingOf } from './workingDraft';

/** A guide with nothing in it but the id it will have and one source: the one who writes it. */
export const emptyDraft = (id: string, title: string): Draft => ({
  ...{ format: 'plesion-guide', formatVersion: 2, id, title, summary: '', group: '', area: '', caution: '' },
  ...{ facets: {}, taxa: [], characters: [], dependence: [], scores: [], occurrence: [], regions: [], habitats: [] },
  sources: [{ id: 'own', label: 'Our own', citation: 'Seen by those who write this guide.', kind: 'person' }],
  policy: { kind: 'prefer', order: ['own'] },
  views: [{ id: 'whole', label: 'the specimen' }],
  settings: USUAL_SETTINGS,
});

/** The source that says from which guide another one goes on. */
const ORIGIN = 'goes-on-from';

/** Another guide that goes on from one, and names it among its sources. */
export function forkOf({ id: from, guide, version }: { id: string; guide: Guide; version: number }, title: string): Draft {
  const citation = `“${guide.title}”, version ${version}, ${guide.area}: all that is not said otherwise is from there.`;
  const origin = { id: ORIGIN, label: guide.title, citation, kind: 'book' as const };
  const working = workingOf({
    ...{ ...guide, id: 'new-guide', title: title || `${guide.title}, our own` },
    origin: { guide: from, version, title: guide.title },
  });
  // What it went on from itself stays named: a chain of guides is credited link by link.
  const id = guide.sources.some((source) => source.id === ORIGIN) ? `${ORIGIN}-${guide.sources.length}` : ORIGIN;
  applyEdit(working, { do: 'source', source: { ...origin, id } });
  return draftOf(working);
}
