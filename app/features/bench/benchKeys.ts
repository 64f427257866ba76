import { v7 as mintId } from 'uuid';
import { type Bench, nextCertainty } from '../analysis/useBench';
import type { BenchKeys } from './useBenchKeys';

/** What each key does to the specimen on the bench. */
export function keysOf(bench: Bench, next: () => void, write: () => void, help: () => void): BenchKeys {
  const { chosen, reading, put } = bench;
  const own = () => ({ id: reading?.id ?? mintId(), character: chosen!.id });
  return {
    choose: bench.step,
    state(number) {
      if (chosen?.states?.[number - 1]) put({ ...own(), states: [chosen.states[number - 1].id], certainty: reading?.certainty });
      else if (chosen?.counts && chosen.counts.from + number - 1 <= chosen.counts.to)
        put({ ...own(), value: chosen.counts.from + number - 1 });
    },
    unseen: () => chosen && put({ ...own(), status: 'not-visible' }),
    absent: () => chosen && put({ ...own(), status: 'does-not-apply' }),
    certainty: () => reading && put(nextCertainty(reading)),
    clear: () => bench.clear(reading?.id),
    undo: bench.draft.undo,
    redo: bench.draft.redo,
    next,
    write,
    help,
  };
}
