import { RequestProblem } from '@plesion/contract';
import type { Colony } from '@plesion/contract/colony';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { today } from '../../lib/dates';
import { useParams } from '../../lib/useParams';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { pairingDrafts, sendRecord } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { KnownField } from './KnownField';
import { useBook } from './useBook';
import { useColonyForm } from './useColonyWrite';
import { WhoPicker } from './WhoPicker';
import { penNamesIn } from './words';

/** As it is typed; kept over a reload. */
const Typed = z.object({
  id: z.string(),
  fathers: z.array(z.string()),
  mothers: z.array(z.string()),
  pen: z.string(),
  from: z.string(),
  override: z.string(),
});

/** Put two together, or a group. */
export function NewPairing() {
  const { guide: guideId, father, mother } = useParams<{ guide: string; father?: string; mother?: string }>();
  const { book, error, retry } = useBook(guideId);
  return (
    <AsyncScreen what="The keeper’s book" value={book} error={error} retry={retry}>
      {({ colony }) => (
        <Screen widest={860}>
          <PageHeading>New pairing</PageHeading>
          <PairingForm {...{ guideId, colony, father, mother }} />
        </Screen>
      )}
    </AsyncScreen>
  );
}

function PairingForm({ guideId, colony, father, mother }: { guideId: string; colony: Colony; father?: string; mother?: string }) {
  const router = useRouter();
  const station = useSession().station.id;
  /** The two are kept apart, and the server asks why they are paired all the same. */
  const [asked, setAsked] = useState(false);
  const form = useColonyForm(guideId, {
    name: `pairing.${guideId}`,
    typed: Typed,
    first: () => ({
      ...{ id: mintId(), from: today(), pen: '', override: '' },
      fathers: father ? [father] : [],
      mothers: mother ? [mother] : [],
    }),
    check: ({ fathers, mothers }) => ({
      fathers: !fathers.length && 'Say who is the father, or who may be.',
      mothers: !mothers.length && 'Say who is the mother, or who may be.',
    }),
    async send({ id, fathers, mothers, from, ...typed }) {
      const [pen, override] = [typed.pen.trim(), typed.override.trim()];
      const more = { ...(pen ? { pen } : {}), ...(override ? { override } : {}) };
      const body = { version: 0, hidden: false, guideId, fathers, mothers, from, clutches: [], ...more };
      try {
        return await sendRecord(pairingDrafts, station, id, body);
      } catch (error) {
        if (error instanceof RequestProblem && error.body.field === 'override') setAsked(true);
        throw error;
      }
    },
    onSent: ({ id }) => router.replace(`/field/colony/pairings/${id}?guide=${guideId}`),
  });
  const { control, typed, change } = form;
  const able = (not: 'female' | 'male') =>
    colony.members
      .filter(({ kept }) => kept.status === 'here' && !(kept.sex?.called === not && kept.sex.certainty === 1))
      .map(({ id, name }) => ({ id, label: name }));
  return (
    <Card>
      <Form submit={form.submit}>
        <FormPart control={control} name="fathers">
          <WhoPicker label="Father" items={able('female')} chosen={typed.fathers} onChange={(fathers) => change({ fathers })} />
        </FormPart>
        <FormPart control={control} name="mothers">
          <WhoPicker label="Mother" items={able('male')} chosen={typed.mothers} onChange={(mothers) => change({ mothers })} />
        </FormPart>
        <KnownField control={control} name="pen" label="Pen or cage" known={penNamesIn(colony)} />
        <FormTextField control={control} name="from" label="From" hint="As YYYY-MM-DD." />
        {(asked || typed.override !== '') && (
          <FormTextField
            control={control}
            name="override"
            label="Why all the same"
            hint="It is kept with the pairing; their young keep their share of both strains."
            autoFocus={asked}
            multiline
          />
        )}
        <FormEnd form={form} label="Pair them" />
      </Form>
    </Card>
  );
}
