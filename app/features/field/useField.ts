import type { CaptureWrite, FieldView, SheetWrite, VisitRow } from '@plesion/contract';
import { AGE_FAMILIES, type AgeFamily, stringStanding, type StringStanding } from '@plesion/core/fieldwork';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useSyncExternalStore } from 'react';
import { today } from '../../lib/dates';
import { outbox } from '../../lib/outbox/outbox';
import type { Entry } from '../../lib/outbox/storage';
import { fieldApi } from '../records/fieldDrafts';
import { useSession } from '../session/useSession';

/** A string with how it stands, what only this device has put on among it. */
export interface LoadedString {
  string: FieldView['strings'][number];
  standing: StringStanding;
}

export interface Field {
  view: FieldView;
  open: VisitRow[];
  strings: LoadedString[];
  sheet: Pick<SheetWrite, 'fields' | 'family' | 'families'>;
  families: AgeFamily[];
  /** Captures that only this device has. */
  waiting: { id: string; capture: CaptureWrite }[];
}

/** What a station asks that has said nothing of its own. */
export const USUAL_SHEET: Field['sheet'] = {
  family: 'letters',
  families: [],
  fields: [
    { field: 'kind', needed: true },
    { field: 'age', needed: true },
    { field: 'sex', needed: true },
    { field: 'mass', needed: false },
    { field: 'condition', needed: false },
    { field: 'note', needed: false },
  ],
};

/** What Field shows, with what waits on this device: it goes on without a network. */
export function useField() {
  const station = useSession().station.id;
  const query = useQuery({
    queryKey: ['field', today()],
    queryFn: ({ signal }) => fieldApi('field', { query: { today: today() } }, signal),
  });
  const changes = useSyncExternalStore(outbox().subscribe, outbox().get);
  const field = useMemo(
    () => query.data && withWaiting(query.data, station),
    // The outbox tells by a number that something came or went.
    // oxlint-disable-next-line react-hooks/exhaustive-deps
    [query.data, station, changes],
  );
  return { field, error: field ? undefined : query.error, refetch: () => void query.refetch() };
}

/** Records of a list as they stand on this device: what waits to be sent on top of what the server has. */
function merged<S extends { id: string; hidden: boolean }>(
  list: readonly S[],
  kind: string,
  waiting: readonly Entry[],
  more: object = {},
): S[] {
  const here = waiting.filter((entry) => entry.kind === kind);
  const changed = list.map((one) => {
    const entry = here.find(({ id }) => id === one.id);
    return entry ? { ...one, ...(entry.content as S) } : one;
  });
  const added = here
    .filter(({ id }) => !list.some((one) => one.id === id))
    .map(({ id, content }) => ({ ...NEW_HERE, ...more, ...(content as S), id }));
  return [...added, ...changed].filter(({ hidden }) => !hidden);
}

export function withWaiting(stored: FieldView, station: string): Field {
  const waiting = outbox().waiting(station);
  const captures = waiting
    .filter(({ kind }) => kind === 'capture')
    .map(({ id, content }) => ({ id, capture: content as CaptureWrite }));
  const waitingMarks = captures
    .filter(({ capture }) => capture.what === 'ringed' && !capture.hidden)
    .flatMap(({ capture }) => capture.mark ?? []);
  // What was taken back on this device, and is not yet with the server, is free again.
  const takenBack = new Set(captures.flatMap(({ capture }) => (capture.hidden && capture.mark ? [capture.mark] : [])));
  const putOnHere = [...putOn].filter((one) => one.startsWith(`${station} `)).map((one) => one.slice(station.length + 1));
  const ringedHere = [...new Set([...waitingMarks, ...putOnHere])];
  const caughtHere = (visitId: string) =>
    captures.filter(({ capture }) => capture.visitId === visitId && capture.version === 0).length;
  const visits = merged([...stored.open, ...stored.recent], 'visit', waiting, { caught: 0 }).map((visit) => ({
    ...visit,
    caught: visit.caught + caughtHere(visit.id),
  }));
  const view: FieldView = {
    ...stored,
    sites: merged(stored.sites, 'site', waiting),
    sheets: merged(stored.sheets, 'sheet', waiting),
    strings: merged(stored.strings, 'string', waiting, { ringed: [] }),
    open: visits.filter(({ endedAt }) => !endedAt),
    recent: visits.filter(({ endedAt }) => endedAt),
  };
  const [sheet = USUAL_SHEET] = view.sheets;
  return {
    view,
    open: view.open,
    strings: view.strings.map((string) => ({
      string,
      standing: stringStanding(string, [
        ...string.ringed.filter((mark) => !takenBack.has(mark)),
        ...ringedHere.filter((mark) => !string.ringed.includes(mark)),
      ]),
    })),
    sheet,
    families: [...AGE_FAMILIES, ...view.sheets.flatMap(({ families }) => families)],
    waiting: captures,
  };
}

/** Rings put on from this page: none is offered twice, however long the server's next answer takes. */
const putOn = new Set<string>();

const kept = (station: string, mark: string) => `${station} ${mark}`;

export const notePutOn = (station: string, mark: string): void => void putOn.add(kept(station, mark));
export const noteTakenOff = (station: string, mark: string): void => void putOn.delete(kept(station, mark));

const NEW_HERE = { recordedBy: '', createdAt: '', updatedAt: '' };
