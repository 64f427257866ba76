import { RequestProblem } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import type { Opinion } from '@plesion/core/opinions';
import { Opinion as OpinionShape } from '@plesion/core/opinions/schema';
import { CERTAINTIES } from '@plesion/core/observation';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TextField } from '../../ui/TextField';
import { KindChoice } from '../records/KindChoice';
import { CERTAINTY_LABELS } from '../records/situationText';
import { MarksSeen } from './MarksSeen';

/** As it is filled in; kept over a reload. */
const Typed = z.object({
  id: z.string(),
  by: z.string(),
  told: z.boolean(),
  taxon: z.string().optional(),
  facets: z.record(z.string(), z.string()),
  certainty: z.enum(CERTAINTIES),
  readings: z.array(z.custom<Opinion['readings'][number]>()),
  note: z.string(),
});
type Typed = z.output<typeof Typed>;

export interface SentOpinion {
  id: string;
  opinion: Opinion;
  by: string;
}

interface OpinionFormProps {
  askId: string;
  guide: Guide;
  /** Somebody outside says who they are. */
  outside?: boolean;
  send: (said: SentOpinion) => Promise<unknown>;
}

/** What one makes of it: a name or that it cannot be told, how sure, what can be seen, and why. */
export function OpinionForm({ askId, guide, outside, send }: OpinionFormProps) {
  const [typed, change, forget] = useKeptState<Typed>(`opinion.${askId}`, Typed, {
    ...{ id: mintId(), by: '', told: true, facets: {}, certainty: 'likely', readings: [], note: '' },
  });
  const [problem, setProblem] = useState<{ field?: string; message: string }>();
  const [busy, setBusy] = useState(false);
  const { told, taxon, facets, certainty, readings, note, by } = typed;
  const at = (name: string) => (problem?.field?.startsWith(name) ? problem.message : undefined);
  const submit = async () => {
    const wrong = problemOf(typed, Boolean(outside));
    setProblem(wrong);
    if (wrong) return;
    setBusy(true);
    try {
      await send({ id: typed.id, opinion: opinionOf(typed), by: by.trim() });
      forget();
    } catch (error) {
      const message = error instanceof Error ? error.message : 'It could not be sent.';
      setProblem({ message, ...(error instanceof RequestProblem && error.body.field ? { field: error.body.field } : {}) });
    }
    setBusy(false);
  };
  return (
    <Card title="What do you make of it?">
      <Stack gap="m">
        <ChoiceGroup
          label="Can it be told?"
          options={[
            { id: 'told', label: 'it can be told' },
            { id: 'untold', label: 'it cannot be told from this' },
          ]}
          chosen={[told ? 'told' : 'untold']}
          onChange={([which]) => change({ told: which === 'told' })}
        />
        {told && (
          <>
            <KindChoice
              label="What it is"
              guide={guide}
              taxon={taxon}
              facets={facets}
              onChange={(next, nextFacets) => change({ taxon: next, facets: nextFacets })}
            />
            {at('opinion.name') && <Notice kind="problem">{at('opinion.name')!}</Notice>}
            <ChoiceGroup
              label="How sure"
              options={CERTAINTIES.map((id) => ({ id, label: CERTAINTY_LABELS[id] }))}
              chosen={[certainty]}
              onChange={([next]) => change({ certainty: next })}
            />
          </>
        )}
        <Disclosure title="What can be seen of it" open={readings.length > 0}>
          <MarksSeen
            guide={guide}
            readings={readings}
            onChange={(next) => change({ readings: next })}
            problem={at('opinion.readings')}
          />
        </Disclosure>
        <TextField
          label={told ? 'Why, or what to look at' : 'Why it cannot be told, or what view would tell'}
          value={note}
          onChangeText={(text) => change({ note: text })}
          multiline
          maxLength={1000}
          problem={at('opinion.note')}
        />
        {outside && (
          <TextField
            label="Your name"
            value={by}
            onChangeText={(text) => change({ by: text })}
            maxLength={120}
            problem={at('by')}
          />
        )}
        {problem && !['opinion.name', 'opinion.readings', 'opinion.note', 'by'].some(at) && (
          <Notice kind="problem">{problem.message}</Notice>
        )}
        <Row>
          <Button kind="main" label="Say so" hint="Say so: it is kept as it is" busy={busy} onPress={() => void submit()} />
        </Row>
      </Stack>
    </Card>
  );
}

const opinionOf = ({ told, taxon, facets, certainty, readings, note }: Typed): Opinion => ({
  readings,
  certainty,
  ...(told && taxon ? { name: { qualifier: 'none', taxon, facets } } : {}),
  ...(note.trim() ? { note: note.trim() } : {}),
});

function problemOf(typed: Typed, outside: boolean): { field?: string; message: string } | undefined {
  if (typed.told && !typed.taxon) return { field: 'opinion.name', message: 'Say what it is, or that it cannot be told.' };
  if (outside && !typed.by.trim()) return { field: 'by', message: 'Say by what name you are known.' };
  const found = OpinionShape.safeParse(opinionOf(typed));
  if (found.success) return undefined;
  const [{ message }] = found.error.issues;
  return { field: 'opinion.note', message: `${message[0].toUpperCase()}${message.slice(1)}.` };
}
