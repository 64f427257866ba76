import { RequestProblem, type SpecimenWrite } from '@plesion/contract';
import { createOutbox, keyOf, outbox, setOutbox } from '../../lib/outbox/outbox';
import { memoryStorage } from '../../lib/outbox/storage';
import { draftOf, startDraft } from './drafts';
import { keepSending, sendWaiting, waitingOf } from './sending';
import { keyDrafts } from './useKeys';
import { lotDrafts } from './useLots';

const mockApi = jest.fn();
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new () => object }>('@tanstack/react-query');
  return { api: (...given: unknown[]) => mockApi(...given), queryClient: new QueryClient() };
});

const mockUpload = jest.fn();
jest.mock('../../lib/uploads', () => ({ uploadPhoto: (...given: unknown[]) => mockUpload(...given) }));

const STATION = 'station';
let made = 0;
const mint = () => `0192f3a0-0000-7009-8000-${String(++made).padStart(12, '0')}`;
const specimen = (more: Partial<SpecimenWrite> = {}): SpecimenWrite => ({
  version: 0,
  label: 'L',
  situation: {},
  readings: [],
  determinations: [],
  hidden: false,
  ...more,
});
const offline = new RequestProblem(0, { code: 'offline', message: 'No server.' });
const HASH = 'a'.repeat(64);

interface Asked {
  params?: { id: string };
  body: { version: number };
}
const sent: string[] = [];
let failing: RequestProblem | undefined;
beforeEach(async () => {
  sent.length = 0;
  failing = undefined;
  setOutbox(await createOutbox(memoryStorage()));
  mockApi.mockImplementation(async (name: string, { params, body }: Asked) => {
    if (failing) throw failing;
    sent.push(`${name} ${params!.id.slice(-2)}`);
    return { ...body, id: params!.id, version: body.version + 1 };
  });
});
beforeEach(() => {
  mockUpload.mockImplementation(async (station: string, hash: string) => {
    if (failing) throw failing;
    sent.push(`upload ${station} ${hash.slice(0, 2)}`);
  });
});
const short = (id: string) => id.slice(-2);

describe('what waits', () => {
  it('of all kinds goes out in its order once the server can be reached', async () => {
    failing = offline;
    const [a, lot, b] = [mint(), mint(), mint()];
    await startDraft(STATION, a, specimen()).flush();
    await lotDrafts.startDraft(STATION, lot, { version: 0, label: 'lot', specimens: [a], hidden: false }).flush();
    await startDraft(STATION, b, specimen()).flush();
    expect(waitingOf(STATION).map(({ entry }) => entry.kind)).toEqual(['specimen', 'lot', 'specimen']);
    failing = undefined;
    await sendWaiting(STATION);
    expect(sent).toEqual([`writeSpecimen ${short(a)}`, `writeLot ${short(lot)}`, `writeSpecimen ${short(b)}`]);
    expect(waitingOf(STATION)).toEqual([]);
  });

  it('sends a photo before the specimen that names it, once', async () => {
    const id = mint();
    await outbox().keepFile(STATION, HASH, new Blob(['photo']));
    await startDraft(STATION, id, specimen({ photo: HASH })).flush();
    expect(sent).toEqual(['upload station aa', `writeSpecimen ${short(id)}`]);
    expect(outbox().file(STATION, HASH)).toBeUndefined();
  });

  it('keeps the photo and the specimen when the photo cannot be sent', async () => {
    const id = mint();
    failing = offline;
    await outbox().keepFile(STATION, HASH, new Blob(['photo']));
    await startDraft(STATION, id, specimen({ photo: HASH })).flush();
    expect(outbox().file(STATION, HASH)).toBeDefined();
    expect(waitingOf(STATION)).toHaveLength(1);
  });

  it('is held against the contract on the way out: what is none of it is refused by field, and not sent', async () => {
    const id = mint();
    const draft = startDraft(STATION, id, specimen({ label: 'x'.repeat(121) }));
    expect(await draft.flush()).toMatchObject({ at: 'refused', field: 'label' });
    expect(sent).toEqual([]);
    expect(waitingOf(STATION)).toHaveLength(1);
  });

  it('and on the way in: what another version kept is neither sent nor lost', async () => {
    const id = mint();
    await outbox().keep({ station: STATION, kind: 'specimen', id, content: { label: 7 } });
    expect(draftOf(STATION, id)).toBeUndefined();
    await sendWaiting(STATION);
    expect(sent).toEqual([]);
    expect(waitingOf(STATION)).toMatchObject([{ readable: false, entry: { id } }]);
  });

  it('that is saved by hand waits for the person, and is sent again only where it was asked for', async () => {
    const [asked, not] = [mint(), mint()];
    const key = {
      format: 'plesion-key',
      formatVersion: 1,
      title: 'K',
      start: 'c1',
      couplets: [{ id: 'c1', number: '1', leads: [] }],
    };
    const content = { version: 1, key, hidden: false };
    await outbox().keep({ station: STATION, kind: 'key', id: not, content });
    await outbox().keep({ station: STATION, kind: 'key', id: asked, content, asked: true });
    await sendWaiting(STATION);
    expect(sent).toEqual([`writeKey ${short(asked)}`]);
    expect(waitingOf(STATION).map(({ entry }) => entry.id)).toEqual([not]);
    expect(keyDrafts.draftOf(STATION, not)!.get().saving).toEqual({ at: 'kept-here' });
  });

  it('is not sent by being looked at', async () => {
    const id = mint();
    await outbox().keep({ station: STATION, kind: 'specimen', id, content: specimen() });
    expect(draftOf(STATION, id)!.get().saving).toEqual({ at: 'kept-here' });
    await Promise.resolve();
    expect(sent).toEqual([]);
  });
});

describe('sending from the root', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    const listeners = new Map<string, () => void>();
    Object.assign(globalThis.window, {
      addEventListener: (name: string, listener: () => void) => listeners.set(name, listener),
      removeEventListener: (name: string) => listeners.delete(name),
      listeners,
    });
    Object.assign(globalThis, {
      document: { visibilityState: 'visible', addEventListener: jest.fn(), removeEventListener: jest.fn() },
    });
  });
  afterEach(() => jest.useRealTimers());
  const events = () => (globalThis.window as unknown as { listeners: Map<string, () => void> }).listeners;

  it('begins at once, tries again after a while, and when the connection is back', async () => {
    const [a, b] = [mint(), mint()];
    await outbox().keep({ station: STATION, kind: 'specimen', id: a, content: specimen() });
    failing = offline;
    const end = keepSending(STATION);
    await jest.advanceTimersByTimeAsync(100);
    expect(mockApi).toHaveBeenCalledWith('writeSpecimen', expect.objectContaining({ params: { id: a } }));
    failing = undefined;
    await jest.advanceTimersByTimeAsync(4_000);
    expect(sent).toEqual([`writeSpecimen ${short(a)}`]);
    failing = offline;
    await outbox().keep({ station: STATION, kind: 'specimen', id: b, content: specimen() });
    await jest.advanceTimersByTimeAsync(4_100);
    failing = undefined;
    events().get('online')!();
    await jest.advanceTimersByTimeAsync(10);
    expect(sent).toEqual([`writeSpecimen ${short(a)}`, `writeSpecimen ${short(b)}`]);
    end();
    expect(events().size).toBe(0);
  });

  it('ends with the station: nothing is sent after that', async () => {
    failing = offline;
    const id = mint();
    await outbox().keep({ station: STATION, kind: 'specimen', id, content: specimen() });
    keepSending(STATION)();
    await jest.advanceTimersByTimeAsync(10);
    failing = undefined;
    await jest.advanceTimersByTimeAsync(200_000);
    expect(sent).toEqual([]);
    expect(outbox().entry(keyOf(STATION, 'specimen', id))).toBeDefined();
  });
});
