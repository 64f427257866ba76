import { HttpProblem } from '../http/errors';
import { Jobs } from './jobs';

/** Work that ends when it is told to. */
function task(name: string, begun: string[]) {
  let end: (result: string) => void = () => undefined;
  const done = new Promise<string>((resolve) => (end = resolve));
  const work = async (signal: AbortSignal, onProgress: (share: number) => void) => {
    begun.push(name);
    onProgress(0.5);
    await Promise.race([done, new Promise((_, reject) => signal.addEventListener('abort', () => reject(new Error('stopped'))))]);
    return name;
  };
  return { work, end: () => end(name) };
}

const settled = () => new Promise(setImmediate);

describe('long work', () => {
  it('takes turns: a station that asks for much does not hold up another', async () => {
    const jobs = new Jobs();
    const begun: string[] = [];
    const all = ['a1', 'a2', 'a3', 'a4', 'b1'].map((name) => ({ name, ...task(name, begun) }));
    const started = all.map(({ name, work }) => jobs.start(name[0], work));
    await settled();
    expect(begun).toEqual(['a1', 'a2']);
    all[0].end();
    await started[0].finished;
    await settled();
    all[1].end();
    await settled();
    expect(begun).toEqual(['a1', 'a2', 'a3', 'b1']);
    for (const one of all) one.end();
    await Promise.all(started.map(({ finished }) => finished));
    expect(jobs.find('b', started[4].jobId)).toMatchObject({ state: 'done', progress: 1, result: 'b1' });
  });

  it('is refused to a station that has too much of it, with words, and to no other', async () => {
    const jobs = new Jobs();
    const begun: string[] = [];
    const many = Array.from({ length: 6 }, (_, i) => jobs.start('a', task(`a${i}`, begun).work));
    expect(() => jobs.start('a', task('more', begun).work)).toThrow(HttpProblem);
    expect(() => jobs.start('a', task('more', begun).work)).toThrow(/6 long tasks/);
    jobs.start('b', task('b', begun).work);
    jobs.cancel('a', many[5].jobId);
    expect(() => jobs.start('a', task('again', begun).work)).not.toThrow();
    jobs.close();
  });

  it('that is cancelled while it waits is never begun', async () => {
    const jobs = new Jobs();
    const begun: string[] = [];
    const all = ['a1', 'a2', 'a3'].map((name) => ({ name, ...task(name, begun) }));
    const started = all.map(({ work }) => jobs.start('a', work));
    expect(jobs.cancel('a', started[2].jobId).state).toBe('cancelled');
    for (const one of all) one.end();
    await Promise.all(started.map(({ finished }) => finished));
    expect(begun).toEqual(['a1', 'a2']);
    expect(() => jobs.find('b', started[0].jobId)).toThrow(HttpProblem);
  });
});
