import { RequestProblem } from '@plesion/contract';
import type { Colony } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import { queryClient } from '../../lib/api';
import { createOutbox, outbox, setOutbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { OFFLINE } from '../../test/fakeStation';
import { colonyKey, individualDrafts, pairingDrafts, sendRecord } from './bookDrafts';
import { sendWaiting, waitingOf } from './sending';
import { withWaiting } from './waitingBook';

interface Given {
  params: { id: string };
  body: { version: number };
}
const mockSent: { name: string; given: Given }[] = [];
let mockProblem: RequestProblem | undefined;
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => async (name: string, given: Given) => {
    mockSent.push({ name, given });
    if (mockProblem) throw mockProblem;
    return { ...given.body, id: given.params.id, version: given.body.version + 1, createdAt: '', updatedAt: '', recordedBy: '' };
  },
}));

const STATION = 'station';
const ID = (n: number) => `0192f3a0-0000-7009-8000-${String(n).padStart(12, '0')}`;
const GUIDE = ID(99);
const kept = (more: Partial<Kept> = {}): Kept => ({ status: 'here', phenotypes: {}, ...more });
const individual = (label: string, version = 0, more: Partial<Kept> = {}) => ({
  ...{ version, guideId: GUIDE, label, hidden: false },
  kept: kept(more),
});
const member = (n: number, label: string) => ({ id: ID(n), version: 1, label, name: label, kept: kept() });
const book = (): Colony => ({
  members: [member(1, 'Moth 1'), member(2, 'Moth 2')],
  ...{ pens: [], pairings: [], inbreeding: {}, problems: [] },
});
const write = (id: string, content: ReturnType<typeof individual>) => sendRecord(individualDrafts, STATION, id, content);
const waiting = () => outbox().waiting(STATION);

beforeEach(async () => {
  setOutbox(await createOutbox(memoryStorage()));
  mockSent.length = 0;
  mockProblem = undefined;
  for (const n of [1, 2, 3, 4]) individualDrafts.takeBack(STATION, ID(n));
  queryClient.setQueryData(colonyKey(GUIDE), book());
});

it('a record that the server takes stands in the book at once, and nothing of it is kept here', async () => {
  await expect(write(ID(1), individual('Moth 1', 1, { pen: 'cage 3' }))).resolves.toBe('saved');
  expect(waiting()).toEqual([]);
  expect(queryClient.getQueryData<Colony>(colonyKey(GUIDE))!.members[0]).toMatchObject({ version: 2, kept: { pen: 'cage 3' } });
});

it('without a connection it waits, one change on top of another, and is sent in its order once there is one', async () => {
  mockProblem = OFFLINE;
  await expect(write(ID(1), individual('Moth 1', 1, { pen: 'cage 3' }))).resolves.toBe('kept-here');
  await expect(write(ID(3), individual('Moth 3'))).resolves.toBe('kept-here');
  await expect(write(ID(1), individual('Moth 1', 1, { pen: 'cage 4' }))).resolves.toBe('kept-here');
  const pairing = {
    version: 0,
    hidden: false,
    guideId: GUIDE,
    fathers: [ID(1)],
    mothers: [ID(3)],
    from: '2026-05-01',
    clutches: [],
  };
  await expect(sendRecord(pairingDrafts, STATION, ID(9), pairing)).resolves.toBe('kept-here');
  expect(queryClient.getQueryData<Colony>(colonyKey(GUIDE))!.members.map(({ label, kept: { pen } }) => [label, pen])).toEqual([
    ['Moth 1', 'cage 4'],
    ['Moth 2', undefined],
    ['Moth 3', undefined],
  ]);
  expect(waitingOf(STATION).map(({ entry, readable }) => [entry.kind, entry.id, readable])).toEqual([
    ['individual', ID(1), true],
    ['individual', ID(3), true],
    ['pairing', ID(9), true],
  ]);
  mockProblem = undefined;
  mockSent.length = 0;
  await sendWaiting(STATION);
  expect(mockSent.map(({ name, given }) => [name, given.params.id])).toEqual([
    ['writeIndividual', ID(1)],
    ['writeIndividual', ID(3)],
    ['writePairing', ID(9)],
  ]);
  expect(mockSent[0].given.body).toMatchObject({ version: 1, kept: { pen: 'cage 4' } });
  expect(waiting()).toEqual([]);
});

it('what is refused is told by its field and not kept; what waited before it waits still', async () => {
  mockProblem = new RequestProblem(400, { code: 'wrong-sex', message: 'A father is no female.', field: 'kept.father' });
  await expect(write(ID(3), individual('Moth 3'))).rejects.toMatchObject({
    message: 'A father is no female.',
    body: { field: 'kept.father' },
  });
  expect(waiting()).toEqual([]);
  mockProblem = OFFLINE;
  await write(ID(4), individual('Moth 4', 0, { pen: 'cage 1' }));
  mockProblem = new RequestProblem(400, { code: 'bad', message: 'No.', field: 'label' });
  await expect(write(ID(4), individual('Moth 4', 0, { pen: 'cage 2' }))).rejects.toThrow('No.');
  expect(waiting().map(({ content }) => content)).toMatchObject([{ kept: { pen: 'cage 1' } }]);
});

it('what does not fit the contract is refused before it is sent', async () => {
  await expect(write(ID(3), individual('  '))).rejects.toMatchObject({ body: { field: 'label' } });
  expect(mockSent).toEqual([]);
  expect(waiting()).toEqual([]);
});

it('what was changed elsewhere is not written over', async () => {
  mockProblem = new RequestProblem(409, {
    code: 'stale-version',
    message: 'Changed.',
    stored: individual('Moth 1', 3),
    sent: {},
  });
  await expect(write(ID(1), individual('Moth 1', 1))).rejects.toMatchObject({ status: 409, message: /look at it/ });
  expect(waiting()).toEqual([]);
});

describe('a book with what waits', () => {
  const entry = (kind: string, id: string, content: object) => ({ kind, id, content });

  it('has those changed, added and taken out, by names of their own', () => {
    const { members } = withWaiting(book(), GUIDE, [
      entry('individual', ID(1), individual('Moth 1', 1, { pen: 'cage 3' })),
      entry('individual', ID(2), { ...individual('Moth 2', 1), hidden: true }),
      entry('individual', ID(3), { ...individual('Moth 1'), note: 'new' }),
      entry('individual', ID(4), { ...individual('Moth 4'), guideId: ID(98) }),
      entry('capture', ID(5), { guideId: GUIDE }),
    ]);
    expect(members.map(({ id, name, note, kept: { pen } }) => [id, name, note, pen])).toEqual([
      [ID(1), 'Moth 1', undefined, 'cage 3'],
      [ID(3), 'Moth 1 (2)', 'new', undefined],
    ]);
  });

  it('has its pairings too', () => {
    const pairing = {
      version: 0,
      hidden: false,
      guideId: GUIDE,
      fathers: [ID(1)],
      mothers: [ID(2)],
      from: '2026-05-01',
      clutches: [],
    };
    const one = withWaiting(book(), GUIDE, [entry('pairing', ID(9), pairing)]);
    expect(one.pairings).toMatchObject([{ id: ID(9), from: '2026-05-01' }]);
    const changed = withWaiting(one, GUIDE, [entry('pairing', ID(9), { ...pairing, until: '2026-06-01' })]);
    expect(changed.pairings).toMatchObject([{ id: ID(9), until: '2026-06-01' }]);
    expect(withWaiting(one, GUIDE, [entry('pairing', ID(9), { ...pairing, hidden: true })]).pairings).toEqual([]);
  });

  it('has its pens too, and whoever is in one that is called otherwise goes with it', () => {
    const pen = { version: 0, hidden: false, guideId: GUIDE, name: 'cage 1' };
    const one = withWaiting({ ...book(), members: [{ ...member(1, 'Moth 1'), kept: kept({ pen: 'cage 1' }) }] }, GUIDE, [
      entry('pen', ID(9), pen),
    ]);
    expect(one.pens).toMatchObject([{ id: ID(9), name: 'cage 1' }]);
    const changed = withWaiting(one, GUIDE, [entry('pen', ID(9), { ...pen, version: 1, name: 'loft' })]);
    expect(changed.pens).toMatchObject([{ name: 'loft', formerly: ['cage 1'] }]);
    expect(changed.members[0].kept.pen).toBe('loft');
  });

  it('is itself where nothing waits', () => {
    const own = book();
    expect(withWaiting(own, GUIDE, [])).toBe(own);
  });
});
