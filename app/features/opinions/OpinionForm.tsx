import type { Guide } from '@plesion/core/guide';
import type { Opinion } from '@plesion/core/opinions';
import { Opinion as OpinionShape } from '@plesion/core/opinions/schema';
import { CERTAINTIES } from '@plesion/core/observation';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { sentence } from '../../lib/sentence';
import { useKeptForm, type Wrongs } from '../../lib/useKeptForm';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { KindPart } from '../records/KindPart';
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
  const form = useKeptForm({
    name: `opinion.${askId}`,
    typed: Typed,
    first: (): Typed => ({
      ...{ id: mintId(), by: '', told: true, facets: {}, certainty: 'likely', readings: [], note: '' },
    }),
    check: (typed) => problemsOf(typed, Boolean(outside)),
    fieldOf: (path) => FIELDS.find((field) => path.startsWith(SENT_AS[field])),
    send: (typed) => send({ id: typed.id, opinion: opinionOf(typed), by: typed.by.trim() }),
  });
  const { control, change } = form;
  const { told, certainty, readings } = form.typed;
  return (
    <Card title="What do you make of it?">
      <Form submit={form.submit}>
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
            <KindPart form={form} guide={guide} />
            <ChoiceGroup
              label="How sure"
              options={CERTAINTIES.map((id) => ({ id, label: CERTAINTY_LABELS[id] }))}
              chosen={[certainty]}
              onChange={([next]) => change({ certainty: next })}
            />
          </>
        )}
        <Disclosure title="What can be seen of it" open={readings.length > 0}>
          <FormPart control={control} name="readings">
            <MarksSeen guide={guide} readings={readings} onChange={(next) => change({ readings: next })} />
          </FormPart>
        </Disclosure>
        <FormTextField
          control={control}
          name="note"
          label={told ? 'Why, or what to look at' : 'Why it cannot be told, or what view would tell'}
          multiline
          maxLength={1000}
        />
        {outside && <FormTextField control={control} name="by" label="Your name" maxLength={120} />}
        <FormEnd form={form} label="Say so" hint="Say so: it is kept as it is" />
      </Form>
    </Card>
  );
}

const opinionOf = ({ told, taxon, facets, certainty, readings, note }: Typed): Opinion => ({
  readings,
  certainty,
  ...(told && taxon ? { name: { qualifier: 'none', taxon, facets } } : {}),
  ...(note.trim() ? { note: note.trim() } : {}),
});

const FIELDS = ['taxon', 'readings', 'note', 'by'] as const;
/** As the wire calls them. */
const SENT_AS = { taxon: 'opinion.name', readings: 'opinion.readings', note: 'opinion.note', by: 'by' };

function problemsOf(typed: Typed, outside: boolean): Wrongs<Typed> {
  const taxon = typed.told && !typed.taxon && 'Say what it is, or that it cannot be told.';
  const found = taxon ? undefined : OpinionShape.safeParse(opinionOf(typed)).error?.issues[0].message;
  return {
    taxon,
    by: outside && !typed.by.trim() && 'Say by what name you are known.',
    note: found && sentence(found),
  };
}
