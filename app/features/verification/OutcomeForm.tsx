import { AttachmentFile } from '@plesion/contract/verifications';
import type { Guide } from '@plesion/core/guide';
import { USUAL_WRONG, VERIFICATION_KINDS, VERIFICATION_WORDS, type VerificationKind } from '@plesion/core/verification';
import { Outcome } from '@plesion/core/verification/schema';
import { useQueryClient } from '@tanstack/react-query';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { today } from '../../lib/dates';
import { useKeptForm } from '../../lib/useKeptForm';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Text } from '../../ui/Text';
import { KindPart } from '../records/KindPart';
import { EvidenceField } from './EvidenceField';
import { idOf, type Verified, verificationApi, verificationsOf } from './verificationApi';

/** Chances that a verification is itself wrong, as they are chosen. */
const CHANCES = ['0.001', '0.005', '0.01', '0.02', '0.05', '0.2'] as const;
const sayChance = (chance: string) => `1 in ${Math.round(1 / Number(chance))}`;

/** As it is filled in; kept over a reload. */
const Typed = z.object({
  id: z.string(),
  kind: z.enum(VERIFICATION_KINDS),
  taxon: z.string().optional(),
  facets: z.record(z.string(), z.string()),
  chance: z.string(),
  on: z.string(),
  note: z.string(),
  sameCall: z.boolean(),
  photo: z.string().optional(),
  file: AttachmentFile.optional(),
});
type Typed = z.output<typeof Typed>;

const empty = (): Typed => ({
  ...{ id: mintId(), kind: 'expert', facets: {}, chance: String(USUAL_WRONG.expert), on: today(), note: '', sameCall: false },
});

const evidenceOf = ({ photo, file }: Typed) => ({ ...(photo ? { photo } : {}), ...(file ? { file } : {}) });

const outcomeOf = ({ kind, taxon = '', facets, chance, on, note, sameCall }: Typed) =>
  Outcome.safeParse({ kind, taxon, facets, wrong: Number(chance), on, sameCall, ...(note.trim() ? { note } : {}) });

interface OutcomeFormProps {
  of: Verified;
  guide: Guide;
  onSaved?: () => void;
}

/** What it turned out to be, by what it is known, and how sure that is. */
export function OutcomeForm({ of, guide, onSaved }: OutcomeFormProps) {
  const client = useQueryClient();
  const form = useKeptForm({
    name: `outcome.${idOf(of)}`,
    typed: Typed,
    first: empty,
    check(typed) {
      const taxon = !typed.taxon && 'Say what it turned out to be.';
      const outcome = outcomeOf(typed);
      return { taxon, on: !taxon && !outcome.success && `${outcome.error.issues[0].message}.` };
    },
    send: (typed) =>
      verificationApi('verify', { body: { ...outcomeOf(typed).data!, ...of, id: typed.id, ...evidenceOf(typed) } }),
    async onSent() {
      form.begin();
      onSaved?.();
      await client.invalidateQueries({ queryKey: verificationsOf(of) });
    },
  });
  const { control, change } = form;
  const { kind, chance, sameCall, photo, file } = form.typed;
  return (
    <Form submit={form.submit}>
      <ChoiceGroup
        label="It is known by"
        options={VERIFICATION_KINDS.map((id) => ({ id, label: VERIFICATION_WORDS[id] }))}
        chosen={[kind]}
        onChange={([next]: VerificationKind[]) => change({ kind: next, chance: String(USUAL_WRONG[next]) })}
      />
      <Text size="small" strong quiet>
        What it is
      </Text>
      <KindPart form={form} guide={guide} />
      <ChoiceGroup
        label="Such a word is itself wrong in"
        options={CHANCES.map((id) => ({ id, label: sayChance(id) }))}
        chosen={CHANCES.filter((id) => Number(id) === Number(chance))}
        onChange={([next]) => change({ chance: next })}
      />
      <FormTextField control={control} name="on" label="When it was known" hint="YYYY-MM-DD" />
      <FormTextField control={control} name="note" label="Note" maxLength={1000} multiline />
      <EvidenceField {...{ photo, file }} onPhoto={(hash) => change({ photo: hash })} onFile={(next) => change({ file: next })} />
      <ChoiceGroup
        label="It rests on"
        options={[
          { id: 'own', label: 'something of its own' },
          { id: 'same', label: 'the same call, looked at again' },
        ]}
        chosen={[sameCall ? 'same' : 'own']}
        onChange={([which]) => change({ sameCall: which === 'same' })}
      />
      {sameCall && <Text size="small">It is kept, and never counts: a call does not verify itself.</Text>}
      <FormEnd form={form} label="Save" hint="Save how it turned out" />
    </Form>
  );
}
