import { createClient } from '@plesion/contract';
import { fieldworkEndpoints } from '@plesion/contract/endpoints/fieldwork';
import type {
  Capture,
  CaptureWrite,
  Count,
  CountWrite,
  FieldView,
  RingString,
  Sheet,
  SheetWrite,
  Site,
  SiteWrite,
  StringWrite,
  Visit,
  VisitWrite,
} from '@plesion/contract';
import {
  CaptureWrite as CaptureShape,
  CountWrite as CountShape,
  SheetWrite as SheetShape,
  SiteWrite as SiteShape,
  StringWrite as StringShape,
  VisitWrite as VisitShape,
} from '@plesion/contract/fieldwork';
import { queryClient } from '../../lib/api';
import { createDrafts } from '../../lib/drafts';
import { omit } from '../../lib/omit';
import { plainKind } from '../../lib/plainKind';
import { outbox } from '../../lib/outbox/outbox';
import { uploadPhoto } from '../../lib/uploads';

/** Calls of the pages of fieldwork: their shapes are fetched with these. */
export const fieldApi = createClient('', undefined, fieldworkEndpoints);

interface Written {
  version: number;
  hidden: boolean;
}
type Stored<C extends Written> = C & { id: string; recordedBy: string; createdAt: string; updatedAt: string };

/** All records of fieldwork are worked on alike. */
const kindOf = <C extends Written, S extends Stored<C>>() =>
  plainKind<C, S>((stored) => omit(stored, 'id', 'recordedBy', 'createdAt', 'updatedAt') as unknown as C);

/** What changed is asked for anew: lists of its kind, and what Field shows first. */
const refresh = (...keys: string[]) => {
  for (const key of ['field', ...keys]) void queryClient.invalidateQueries({ queryKey: [key] });
};

/**
 * What was just saved stands in Field's view until that is answered anew: what waited is no longer
 * kept here, and the view as it was before would show through for a moment.
 */
const standsIn = <R extends { id: string }>(part: 'sites' | 'open' | 'strings' | 'sheets', record: R, more: object = {}) =>
  queryClient.setQueriesData<FieldView>({ queryKey: ['field'] }, (view) => {
    if (!view) return view;
    const parts = part === 'open' ? (['open', 'recent'] as const) : [part];
    const rows = parts.flatMap((name) => view[name] as readonly { id: string }[]);
    if (!rows.some(({ id }) => id === record.id)) return { ...view, [part]: [{ ...more, ...record }, ...view[part]] };
    const changed = parts.map((name) => [
      name,
      (view[name] as readonly { id: string }[]).map((one) => (one.id === record.id ? { ...one, ...record } : one)),
    ]);
    return { ...view, ...Object.fromEntries(changed) };
  });

/** A ring, likewise: out, or free where the capture was taken back. A string passes over the rings of others. */
const ringStands = ({ what, mark, hidden }: Capture) =>
  queryClient.setQueriesData<FieldView>({ queryKey: ['field'] }, (view) => {
    if (!view || !mark || what !== 'ringed') return view;
    const strings = view.strings.map((string) => {
      const others = string.ringed.filter((one) => one !== mark);
      return { ...string, ringed: hidden ? others : [...others, mark] };
    });
    return { ...view, strings };
  });

export const siteDrafts = createDrafts<SiteWrite, Site>({
  name: 'site',
  schema: SiteShape,
  kind: kindOf<SiteWrite, Site>(),
  send: (id, body) => fieldApi('writeSite', { params: { id }, body }),
  onSaved: (site) => (queryClient.setQueryData(['site', site.id], site), standsIn('sites', site), refresh('sites')),
});

export const visitDrafts = createDrafts<VisitWrite, Visit>({
  name: 'visit',
  schema: VisitShape,
  kind: kindOf<VisitWrite, Visit>(),
  send: (id, body) => fieldApi('writeVisit', { params: { id }, body }),
  onSaved: (visit) => (
    queryClient.setQueryData(['visit', visit.id], visit),
    standsIn('open', visit, { caught: 0 }),
    refresh('visits')
  ),
});

export const captureDrafts = createDrafts<CaptureWrite, Capture>({
  name: 'capture',
  schema: CaptureShape,
  kind: kindOf<CaptureWrite, Capture>(),
  async send(id, body, station) {
    for (const hash of [body.photo, ...(body.naturalMarks ?? []).map(({ photo }) => photo)]) {
      const file = hash && outbox().file(station, hash);
      if (!file) continue;
      await uploadPhoto(station, hash, file);
      outbox().forgetFile(station, hash);
    }
    return fieldApi('writeCapture', { params: { id }, body });
  },
  onSaved: (capture) => (
    queryClient.setQueryData(['capture', capture.id], capture),
    ringStands(capture),
    refresh('captures', 'marks', 'strings', 'lists')
  ),
});

export const stringDrafts = createDrafts<StringWrite, RingString>({
  name: 'string',
  schema: StringShape,
  kind: kindOf<StringWrite, RingString>(),
  send: (id, body) => fieldApi('writeString', { params: { id }, body }),
  onSaved: (string) => (
    queryClient.setQueryData(['string', string.id], string),
    standsIn('strings', string, { ringed: [] }),
    refresh('strings')
  ),
});

export const countDrafts = createDrafts<CountWrite, Count>({
  name: 'count',
  schema: CountShape,
  kind: kindOf<CountWrite, Count>(),
  send: (id, body) => fieldApi('writeCount', { params: { id }, body }),
  onSaved: (count) => (queryClient.setQueryData(['count', count.id], count), refresh('counts')),
});

export const sheetDrafts = createDrafts<SheetWrite, Sheet>({
  name: 'sheet',
  schema: SheetShape,
  kind: kindOf<SheetWrite, Sheet>(),
  send: (id, body) => fieldApi('writeSheet', { params: { id }, body }),
  onSaved: (sheet) => (queryClient.setQueryData(['sheet', sheet.id], sheet), standsIn('sheets', sheet), refresh('sheets')),
});

export const fieldKinds = [siteDrafts, visitDrafts, captureDrafts, stringDrafts, countDrafts, sheetDrafts];
