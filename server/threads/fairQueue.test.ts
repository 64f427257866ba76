import { FairQueue } from './fairQueue';

/** Work that is done when it is told to be; remembers the order it was begun in. */
function workshop() {
  const begun: string[] = [];
  const ends: (() => void)[] = [];
  return {
    begun,
    work: (name: string) => () => {
      begun.push(name);
      return new Promise<string>((resolve) => ends.push(() => resolve(name)));
    },
    /** The oldest of what is under way is done. */
    async end() {
      ends.shift()!();
      await new Promise(setImmediate);
    },
  };
}

describe('places shared by stations', () => {
  it('go to the stations in turn, and within one in the order asked', async () => {
    const { begun, work, end } = workshop();
    const queue = new FairQueue(1);
    const all = ['a1', 'a2', 'a3', 'a4', 'b1', 'c1', 'b2'].map((name) => queue.run(name[0], work(name)));
    for (let i = 0; i < all.length; i++) await end();
    expect(await Promise.all(all)).toEqual(['a1', 'a2', 'a3', 'a4', 'b1', 'c1', 'b2']);
    expect(begun).toEqual(['a1', 'a2', 'b1', 'c1', 'a3', 'b2', 'a4']);
  });

  it('are no more than there are, and all used', async () => {
    const { begun, work, end } = workshop();
    const queue = new FairQueue(2);
    const all = ['a1', 'a2', 'a3'].map((name) => queue.run('a', work(name)));
    expect(begun).toEqual(['a1', 'a2']);
    await end();
    expect(begun).toEqual(['a1', 'a2', 'a3']);
    await end();
    await end();
    await Promise.all(all);
    const again = queue.run('b', work('b1'));
    expect(begun).toHaveLength(4);
    await end();
    await expect(again).resolves.toBe('b1');
  });

  it('are given on by what fails, too', async () => {
    const queue = new FairQueue(1);
    const failing = queue.run('a', () => Promise.reject(new Error('broken')));
    const after = queue.run('a', () => Promise.resolve('done'));
    await expect(failing).rejects.toThrow('broken');
    await expect(after).resolves.toBe('done');
  });

  it('are refused to a station that has too much waiting, and to no other', async () => {
    const { work, end } = workshop();
    const queue = new FairQueue(1, 2);
    const taken = ['a1', 'a2', 'a3'].map((name) => queue.run('a', work(name)));
    await expect(queue.run('a', work('a4'))).rejects.toMatchObject({ status: 429, body: { code: 'too-busy' } });
    const other = queue.run('b', work('b1'));
    for (let i = 0; i < 4; i++) await end();
    await Promise.all([...taken, other]);
    expect(await other).toBe('b1');
  });
});
