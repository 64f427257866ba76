import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useSpecimens } from '../records/useSpecimens';
import type { Typed } from './typed';
import { inWords } from './words';

interface FromBenchProps {
  specimenId: string;
  typed: Typed;
  change: (part: Partial<Typed>) => void;
}

/** What was read on the Bench of this catch, to be taken over into its sheet. */
export function FromBench({ specimenId, typed, change }: FromBenchProps) {
  const [specimen] = useSpecimens([specimenId]).specimens ?? [];
  const readings = specimen?.state.content.readings ?? [];
  const values = Object.fromEntries(
    readings.flatMap(({ character, value }) => (value === undefined ? [] : [[character, String(value)]])),
  );
  const states = Object.fromEntries(readings.flatMap(({ character, states: seen }) => (seen ? [[character, seen]] : [])));
  const news =
    Object.entries(values).some(([character, value]) => typed.values[character] !== value) ||
    Object.entries(states).some(([character, seen]) => typed.states[character]?.join() !== seen.join());
  if (!specimen || !news) return null;
  return (
    <Notice
      kind="note"
      title={`On the Bench: ${inWords(readings.length, 'reading')}`}
      action={
        <Button
          small
          label="Use them"
          onPress={() => change({ values: { ...typed.values, ...values }, states: { ...typed.states, ...states } })}
        />
      }
    >
      They differ from what stands here.
    </Notice>
  );
}
