import { v7 as mintId } from 'uuid';
import { type Bench, nextCertainty } from '../analysis/useBench';
import type { BenchKeys } from './useBenchKeys';

/** Figures of one count may be typed so far apart, in milliseconds. */
const TOGETHER = 1_500;

let typed = { character: '', figures: '', at: Number.NEGATIVE_INFINITY };

/** The count that the figures typed so far make: digits are the count itself. Undefined where there is none such. */
function countTyped(
  character: string,
  { from, to }: { from: number; to: number },
  digit: number,
  at: number,
): number | undefined {
  const goesOn = typed.character === character && at - typed.at < TOGETHER;
  const holds = (figures: string) => Number(figures) >= from && Number(figures) <= to;
  const longer = goesOn ? typed.figures + String(digit) : undefined;
  const figures = longer !== undefined && Number(longer) <= to ? longer : String(digit);
  typed = { character, figures, at };
  return holds(figures) ? Number(figures) : undefined;
}

/** What each key does to the specimen on the bench. */
export function keysOf(bench: Bench, next: () => void, write: () => void, help: () => void): BenchKeys {
  const { chosen, reading, put } = bench;
  const own = () => ({ id: reading?.id ?? mintId(), character: chosen!.id });
  return {
    choose: bench.step,
    digit(digit, at) {
      const state = chosen?.states?.[digit - 1];
      if (state) put({ ...own(), states: [state.id], certainty: reading?.certainty });
      else if (chosen?.counts) {
        const value = countTyped(chosen.id, chosen.counts, digit, at);
        if (value !== undefined) put({ ...own(), value });
      }
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
