import 'fake-indexeddb/auto';
import { memoryStore } from '../device';
import { takeOver } from './fromOlder';
import { saveLate, takeLate } from './late';
import { createOutbox, keyOf, type Keeping } from './outbox';
import { browserStorage, type Entry, memoryStorage, type Storage } from './storage';
import { createTurns } from './turns';

const STATION = 'station';
const keeping = (id: string, more: Partial<Keeping> = {}): Keeping => ({
  station: STATION,
  kind: 'specimen',
  id,
  content: { label: id },
  ...more,
});
let count = 0;
const fresh = () => browserStorage(`test-${++count}`);
const ids = (entries: readonly Entry[]) => entries.map(({ id }) => id);

describe('the outbox', () => {
  it('holds what waits in the order in which it came, over a reload', async () => {
    const storage = fresh();
    const outbox = await createOutbox(storage);
    await outbox.keep(keeping('a'));
    await outbox.keep(keeping('b', { kind: 'lot' }));
    await outbox.keep(keeping('c'));
    await outbox.keep(keeping('a', { content: { label: 'a again' } }));
    outbox.forget(keyOf(STATION, 'specimen', 'c'));
    await outbox.keep(keeping('elsewhere', { station: 'other' }));
    const again = await createOutbox(storage);
    expect(ids(again.waiting(STATION))).toEqual(['a', 'b']);
    expect(again.entry(keyOf(STATION, 'specimen', 'a'))!.content).toEqual({ label: 'a again' });
    await again.keep(keeping('d'));
    expect(ids(again.waiting(STATION))).toEqual(['a', 'b', 'd']);
    expect(again.lasting).toBe(true);
  });

  it('holds files until they are sent, over a reload', async () => {
    const storage = memoryStorage();
    const outbox = await createOutbox(storage);
    await outbox.keepFile(STATION, 'f00d', new Blob(['photo']));
    const again = await createOutbox(storage);
    expect(again.file(STATION, 'f00d')!.size).toBe(5);
    expect(again.file('other', 'f00d')).toBeUndefined();
    again.forgetFile(STATION, 'f00d');
    expect((await createOutbox(storage)).file(STATION, 'f00d')).toBeUndefined();
  });

  it('loses nothing of a page that is left before it is written', async () => {
    const device = memoryStore();
    const storage = memoryStorage();
    const slow = { ...storage, putEntry: () => new Promise<never>(() => undefined) };
    const pages = new EventTarget();
    const left = await createOutbox(slow);
    saveLate(device, left, pages);
    pages.dispatchEvent(new Event('pagehide'));
    expect(device.keys()).toEqual([]);
    void left.keep(keeping('a'));
    void left.keep(keeping('b'));
    void left.keep(keeping('a', { content: { label: 'a again' } }));
    left.forget(keyOf(STATION, 'specimen', 'b'));
    pages.dispatchEvent(new Event('pagehide'));
    const next = await createOutbox(storage);
    await takeLate(device, next);
    expect(ids(next.waiting(STATION))).toEqual(['a']);
    expect((await createOutbox(storage)).entry(keyOf(STATION, 'specimen', 'a'))!.content).toEqual({ label: 'a again' });
    expect(device.keys()).toEqual([]);
  });

  it('puts nothing aside that is written, and forgets it where the page comes back as it was', async () => {
    const device = memoryStore();
    const pages = new EventTarget();
    const outbox = await createOutbox(memoryStorage());
    saveLate(device, outbox, pages);
    await outbox.keep(keeping('a'));
    pages.dispatchEvent(new Event('pagehide'));
    expect(device.keys()).toEqual([]);
    void outbox.keep(keeping('b'));
    pages.dispatchEvent(new Event('pagehide'));
    expect(device.keys()).toEqual(['plesion.late']);
    pages.dispatchEvent(Object.assign(new Event('pageshow'), { persisted: true }));
    expect(device.keys()).toEqual([]);
  });

  it('keeps aside what there is no room for', async () => {
    const device = memoryStore();
    device.write('plesion.late', JSON.stringify([keeping('a')]));
    const full = await createOutbox({ ...memoryStorage(), putEntry: () => Promise.reject(new Error('full')) });
    await takeLate(device, full);
    expect(ids(full.waiting(STATION))).toEqual(['a']);
    expect(device.keys()).toEqual(['plesion.late']);
  });

  it('says when the device has no room, and keeps the change at hand', async () => {
    const full: Storage = {
      ...memoryStorage(),
      putEntry: () => Promise.reject(new DOMException('full', 'QuotaExceededError')),
      putFile: () => Promise.reject(new DOMException('full', 'QuotaExceededError')),
    };
    const outbox = await createOutbox(full);
    await expect(outbox.keep(keeping('a'))).rejects.toThrow('full');
    expect(ids(outbox.waiting(STATION))).toEqual(['a']);
    await expect(outbox.keepFile(STATION, 'f00d', new Blob(['x']))).rejects.toThrow('full');
    expect(outbox.file(STATION, 'f00d')).toBeUndefined();
  });

  it('tells whoever listens when something comes or goes, and not at every keystroke', async () => {
    const outbox = await createOutbox(memoryStorage());
    const told = jest.fn();
    outbox.subscribe(told);
    await outbox.keep(keeping('a'));
    await outbox.keep(keeping('a', { content: { label: 'b' } }));
    expect(told).toHaveBeenCalledTimes(1);
    outbox.forget(keyOf(STATION, 'specimen', 'a'));
    outbox.forget(keyOf(STATION, 'specimen', 'a'));
    expect(told).toHaveBeenCalledTimes(2);
  });
});

describe('what an earlier version kept', () => {
  it('is taken over, and removed there only once it is kept here', async () => {
    const older = memoryStore();
    older.write('plesion.draft.station.one', JSON.stringify({ content: { label: 'A' }, unanswered: { label: 'B' } }));
    older.write('plesion.lot.station.two', JSON.stringify({ content: { label: 'L' } }));
    older.write('plesion.draft.station.broken', '{"content":');
    older.write('plesion.guide', 'something else');
    const outbox = await createOutbox(memoryStorage());
    await takeOver(older, outbox);
    expect(outbox.waiting(STATION)).toMatchObject([
      { kind: 'specimen', id: 'one', content: { label: 'A' }, unanswered: { label: 'B' } },
      { kind: 'lot', id: 'two', content: { label: 'L' } },
    ]);
    expect(older.keys().sort()).toEqual(['plesion.draft.station.broken', 'plesion.guide']);
  });

  it('stays where it is when there is no room', async () => {
    const older = memoryStore();
    older.write('plesion.draft.station.one', JSON.stringify({ content: {} }));
    const full = await createOutbox({ ...memoryStorage(), putEntry: () => Promise.reject(new Error('full')) });
    await expect(takeOver(older, full)).rejects.toThrow('full');
    expect(older.keys()).toEqual(['plesion.draft.station.one']);
  });
});

describe('turns', () => {
  it('are taken one after the other, and one that fails holds up nobody', async () => {
    const inTurn = createTurns();
    const log: string[] = [];
    const work = (name: string, fails = false) =>
      inTurn(async () => {
        log.push(`${name} begins`);
        await Promise.resolve();
        log.push(`${name} ends`);
        if (fails) throw new Error(name);
        return name;
      });
    const [a, b, c] = [work('a'), work('b', true), work('c')];
    await expect(b).rejects.toThrow('b');
    expect(await Promise.all([a, c])).toEqual(['a', 'c']);
    expect(log).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends']);
  });
});
