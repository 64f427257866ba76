import { memoryStore } from './device';
import { forgetKept } from './offline';
import { createStore } from './store';

describe('a store', () => {
  it('tells its listeners of each change until they leave', () => {
    const store = createStore(1);
    const heard: number[] = [];
    const leave = store.subscribe(() => heard.push(store.get()));
    store.set(2);
    store.set(3);
    leave();
    store.set(4);
    expect(heard).toEqual([2, 3]);
    expect(store.get()).toBe(4);
  });
});

describe('what a device keeps', () => {
  it('is read, listed and removed by key', () => {
    const keeper = memoryStore();
    expect(keeper.read('a')).toBeUndefined();
    expect(keeper.write('a', 'x')).toBe(true);
    keeper.write('b', 'y');
    expect(keeper.keys()).toEqual(['a', 'b']);
    keeper.remove('a');
    expect([keeper.read('a'), keeper.read('b')]).toEqual([undefined, 'y']);
  });
});

describe('what was kept for use without a connection', () => {
  afterEach(() => {
    delete (globalThis as { caches?: unknown }).caches;
  });

  it('is forgotten but for the application itself', async () => {
    const names = ['plesion-station', 'plesion-station-photos', 'workbox-precache'];
    const gone: string[] = [];
    (globalThis as { caches?: unknown }).caches = {
      keys: () => Promise.resolve(names),
      delete: (name: string) => Promise.resolve(gone.push(name)),
    };
    await forgetKept();
    expect(gone).toEqual(['plesion-station', 'plesion-station-photos']);
  });

  it('needs nothing where a browser keeps nothing', async () => {
    await expect(forgetKept()).resolves.toBeUndefined();
  });
});
