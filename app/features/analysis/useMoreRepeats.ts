import { isByError, type MoreRepeats, sayMoreRepeats } from '@plesion/core/analysis';
import type { Reading } from '@plesion/core/observation';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { withReading } from './readings';
import type { Bench } from './useBench';
import { useKeyed } from './useKeyed';
import { askWorker } from './weigher';

/** A point that is dragged does not ask at every step: only once it rests so long, in milliseconds. */
const REST = 300;

/**
 * Whether it is the measuring error that keeps a name open, asked in the web worker.
 *
 * @param readings as they stand or would stand; @param times how often each was measured, by its id.
 */
function useMoreRepeats(
  { stored, state }: Bench,
  readings: readonly Reading[],
  times: Readonly<Record<string, number>>,
): readonly MoreRepeats[] {
  const { situation, judgement } = state.content;
  const keyed = useKeyed(stored, state.content);
  const measured = readings.some(({ error }) => error);
  const byPlace = Object.fromEntries(readings.flatMap(({ id }, at) => (id && times[id] ? [[at, times[id]]] : [])));
  const { data } = useQuery({
    queryKey: ['more repeats', stored.hash, situation, readings, judgement, byPlace, keyed],
    queryFn: () => askWorker('moreRepeats', { situation, readings, judgement, keyed, times: byPlace }, stored),
    enabled: measured,
    networkMode: 'always',
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: false,
  });
  return (measured && data) || [];
}

/** What more repeats of a value that is being measured would do, in words; undefined where it settles all, or says nothing. */
export function useRepeatsOf(bench: Bench, label: string, reading: Reading | undefined, times: number): string | undefined {
  const said = JSON.stringify(reading);
  const [rested, setRested] = useState<string>();
  useEffect(() => {
    const timer = setTimeout(() => setRested(said), REST);
    return () => clearTimeout(timer);
  }, [said]);
  const asked = rested === said ? reading : undefined;
  const { content } = bench.state;
  const readings = asked ? withReading(content, asked).readings : [];
  const at = readings.findIndex(({ id }) => id === asked?.id);
  const found = useMoreRepeats(bench, readings, asked?.id ? { [asked.id]: times } : {}).find((one) => one.reading === at);
  return found && sayMoreRepeats(found, label);
}

/** Whether the error of something that was measured keeps a name open, in words: said of the one whose repeats would help most. */
export function useMeasuringError(bench: Bench): string | undefined {
  const { readings } = bench.state.content;
  const all = useMoreRepeats(bench, readings.some(({ measurement }) => measurement) ? readings : [], {});
  const [best] = all
    .filter((one) => readings[one.reading]?.measurement && isByError(one))
    .sort((a, b) => b.repeats!.of10 - a.repeats!.of10);
  const character = best && bench.stored.guide.characters.find(({ id }) => id === best.character);
  return character && sayMoreRepeats(best, character.label);
}
