import { zodResolver } from '@hookform/resolvers/zod';
import { AttachmentFile, type VerificationWrite } from '@plesion/contract/verifications';
import type { Guide } from '@plesion/core/guide';
import { USUAL_WRONG, VERIFICATION_KINDS, VERIFICATION_WORDS, type VerificationKind } from '@plesion/core/verification';
import { Outcome } from '@plesion/core/verification/schema';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { today } from '../../lib/dates';
import { showProblem } from '../../lib/formProblem';
import { keptForm } from '../../lib/keptForm';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { KindChoice } from '../records/KindChoice';
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
  const kept = keptForm(`outcome.${idOf(of)}`, Typed);
  const client = useQueryClient();
  const form = useForm({ resolver: zodResolver(Typed), defaultValues: kept.read() ?? empty() });
  const { watch, setValue } = form;
  useEffect(() => {
    const { unsubscribe } = watch(() => kept.keep(form.getValues()));
    return unsubscribe;
  }, [form, kept, watch]);
  const send = useMutation({
    mutationFn: (body: VerificationWrite) => verificationApi('verify', { body }),
    onSuccess: async () => {
      form.reset(empty());
      kept.forget();
      onSaved?.();
      await client.invalidateQueries({ queryKey: verificationsOf(of) });
    },
  });
  const submit = form.handleSubmit((typed) => {
    if (!typed.taxon) return form.setError('taxon', { message: 'Say what it turned out to be.' });
    const outcome = outcomeOf(typed);
    if (!outcome.success) return form.setError('on', { message: `${outcome.error.issues[0].message}.` });
    return send
      .mutateAsync({ ...outcome.data, ...of, id: typed.id, ...evidenceOf(typed) })
      .catch((error: unknown) => showProblem(error, ['taxon', 'on', 'note'], form.setError));
  });
  const { taxon, facets, sameCall, photo, file } = watch();
  const { errors } = form.formState;
  return (
    <Stack gap="m">
      <Controller
        control={form.control}
        name="kind"
        render={({ field }) => (
          <ChoiceGroup
            label="It is known by"
            options={VERIFICATION_KINDS.map((id) => ({ id, label: VERIFICATION_WORDS[id] }))}
            chosen={[field.value]}
            onChange={([kind]: VerificationKind[]) => {
              field.onChange(kind);
              setValue('chance', String(USUAL_WRONG[kind]));
            }}
          />
        )}
      />
      <Text size="small" strong quiet>
        What it is
      </Text>
      <KindChoice
        label="What it is"
        guide={guide}
        taxon={taxon}
        facets={facets}
        onChange={(next, nextFacets) => {
          setValue('taxon', next);
          setValue('facets', nextFacets);
        }}
      />
      {errors.taxon && <Notice kind="problem">{errors.taxon.message ?? ''}</Notice>}
      <Controller
        control={form.control}
        name="chance"
        render={({ field }) => (
          <ChoiceGroup
            label="Such a word is itself wrong in"
            options={CHANCES.map((id) => ({ id, label: sayChance(id) }))}
            chosen={CHANCES.filter((id) => Number(id) === Number(field.value))}
            onChange={([chance]) => field.onChange(chance)}
          />
        )}
      />
      <FormTextField control={form.control} name="on" label="When it was known" hint="YYYY-MM-DD" />
      <FormTextField control={form.control} name="note" label="Note" maxLength={1000} multiline />
      <EvidenceField {...{ photo, file }} onPhoto={(hash) => setValue('photo', hash)} onFile={(next) => setValue('file', next)} />
      <ChoiceGroup
        label="It rests on"
        options={[
          { id: 'own', label: 'something of its own' },
          { id: 'same', label: 'the same call, looked at again' },
        ]}
        chosen={[sameCall ? 'same' : 'own']}
        onChange={([which]) => setValue('sameCall', which === 'same')}
      />
      {sameCall && <Text size="small">It is kept, and never counts: a call does not verify itself.</Text>}
      {errors.root && <Notice kind="problem">{errors.root.message ?? ''}</Notice>}
      <Row>
        <Button kind="main" label="Save" hint="Save how it turned out" busy={send.isPending} onPress={() => void submit()} />
      </Row>
    </Stack>
  );
}
