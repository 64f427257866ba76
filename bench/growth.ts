import { lookalikesOf } from '@plesion/core/compare';
import type { Reading } from '@plesion/core/observation';
import { posteriorOf } from '@plesion/core/evidence';
import { compiledFor, compileGuide } from '@plesion/core/guide';
import { makeKey } from '@plesion/core/keys';
import { largeGuide } from './largeGuide';
import { syntheticGuide } from './syntheticGuide';
import { medianMs } from './timing';

const FORMS = 5000;
const CHARACTERS = 400;
const READ = 25;

const seconds = (run: () => unknown): number => {
  const from = performance.now();
  run();
  return (performance.now() - from) / 1000;
};

/** What grows with a guide: compiling it, and what a changed date, a changed reading, look-alikes and keys cost then. */
export function reportGrowth(print: (line?: string) => void): void {
  const guide = largeGuide(FORMS, CHARACTERS);
  const parse = JSON.stringify(guide.scores.slice(0, 20_000));
  // The peer: reading as many scores as JSON, which any program must that takes the guide in.
  const bare = (medianMs(() => JSON.parse(parse) as unknown, 5, 1) * guide.scores.length) / 20_000 / 1000;
  const first = seconds(() => compiledFor(guide, { date: '2026-01-10' }));
  compiledFor(guide, { date: '2026-07-10' });
  const changed = medianMs(() => compileGuide(guide, { date: '2026-01-20' }), 9, 2);
  const compiled = compiledFor(guide, { date: '2026-01-10' });
  const readings = guide.characters
    .slice(0, READ)
    .map(({ id, kind }, i): Reading =>
      kind === 'measurement' ? { character: id, value: 10 + i } : { character: id, states: [`x${i % 3}`] },
    );
  let turn = 0;
  const one = medianMs(() => {
    const [head, ...rest] = readings;
    return posteriorOf(compiled, { region: 'r1', date: '2026-01-10' }, [{ ...head, states: [`x${turn++ % 3}`] }, ...rest]);
  });
  const near = medianMs(() => lookalikesOf(compiled, 's0'), 5, 1);
  print();
  print(
    `A guide of ${FORMS} forms × ${CHARACTERS} characters, ${guide.scores.length.toLocaleString('en')} scores, ${guide.occurrence.length} range records.`,
  );
  print(
    `compiled                                 ${first.toFixed(2)} s   ${(first / bare).toFixed(1)} × parsing its scores as JSON   (aim: 5 s)`,
  );
  print(
    `another date                             ${changed.toFixed(1)} ms   1 in ${Math.round((first * 1000) / changed)} of that   (aim: 100 ms)`,
  );
  print(`one reading changed, with the prior      ${one.toFixed(1)} ms   (aim: 15 ms)`);
  print(`look-alikes of one form                  ${near.toFixed(0)} ms   (aim: 300 ms)`);
  for (const [forms, characters] of [
    [500, 200],
    [500, 50],
  ] as const) {
    const { compiled: variable } = syntheticGuide(forms, characters, Math.min(READ, characters));
    const taken = seconds(() => makeKey(variable, { purpose: 'bench' }));
    print(`a key of ${forms} variable forms × ${String(characters).padEnd(3)}          ${taken.toFixed(1)} s   (aim: 10 s)`);
  }
}
