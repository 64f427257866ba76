import type { FieldView, Sheet, SheetWrite } from '@plesion/contract';
import { queryClient } from '../../lib/api';
import { createOutbox, outbox, setOutbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { omit } from '../../lib/omit';
import { sheetDrafts, visitDrafts } from './fieldDrafts';

jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient:
    () =>
    async (_: string, { params, body }: { params: { id: string }; body: { version: number } }) => ({
      ...head,
      ...body,
      id: params.id,
      version: body.version + 1,
    }),
}));

const STATION = 'station';
const ID = '0192f3a0-0000-7009-8000-000000000001';
const OTHER = '0192f3a0-0000-7009-8000-000000000002';
const head = {
  version: 1,
  hidden: false,
  recordedBy: 'mira',
  createdAt: '2026-05-01T10:00:00Z',
  updatedAt: '2026-05-01T10:00:00Z',
};
const sheet: Sheet = {
  ...head,
  id: ID,
  family: 'letters',
  families: [],
  fields: [
    { field: 'age', needed: true },
    { field: 'sex', needed: true },
  ],
};
const visit = (id: string, more: object = {}) =>
  ({
    ...head,
    id,
    siteId: OTHER,
    startedAt: '2026-05-01T10:00:00Z',
    people: ['mira'],
    method: 'watch',
    overrides: [],
    caught: 3,
    ...more,
  }) as unknown as FieldView['open'][number];
const view = () => queryClient.getQueryData<FieldView>(['field', '2026-05-02'])!;
const seen: string[] = [];

beforeEach(async () => {
  setOutbox(await createOutbox(memoryStorage()));
  seen.length = 0;
  queryClient.setQueryData(['field', '2026-05-02'], {
    sites: [],
    sheets: [sheet],
    strings: [],
    open: [visit(OTHER)],
    recent: [],
  });
});

it('what is saved stands in Field’s view before it is no longer kept here: nothing shows as it was before', async () => {
  const draft = sheetDrafts.draftOf(STATION, ID, sheet)!;
  const order = () =>
    ((outbox().waiting(STATION)[0]?.content as SheetWrite | undefined) ?? view().sheets[0]).fields
      .map(({ field }) => field)
      .join(' ');
  draft.change((now) => ({ ...now, fields: [...now.fields].reverse() }));
  // As a page reads it, whenever it is told that something changed.
  const leave = outbox().subscribe(() => void Promise.resolve().then(() => seen.push(order())));
  expect((await draft.flush()).at).toBe('saved');
  await Promise.resolve();
  leave();
  expect(outbox().waiting(STATION)).toEqual([]);
  expect(seen.length).toBeGreaterThan(0);
  expect(new Set(seen)).toEqual(new Set(['sex age']));
  expect(view().sheets).toMatchObject([{ id: ID, version: 2, recordedBy: 'mira' }]);
});

it('a visit begun here comes to those that are open, and one that is there keeps how many it caught', async () => {
  const content = omit(visit(ID), 'id', 'caught', 'recordedBy', 'createdAt', 'updatedAt');
  await visitDrafts.startDraft(STATION, ID, { ...content, version: 0 }).flush();
  expect(view().open.map(({ id, caught }) => [id, caught])).toEqual([
    [ID, 0],
    [OTHER, 3],
  ]);
  const draft = visitDrafts.draftOf(STATION, ID, view().open[0])!;
  draft.change((now) => ({ ...now, endedAt: '2026-05-01T12:00:00Z' }));
  await draft.flush();
  expect(view().open[0]).toMatchObject({ id: ID, endedAt: '2026-05-01T12:00:00Z', caught: 0 });
  expect(view().open).toHaveLength(2);
});
