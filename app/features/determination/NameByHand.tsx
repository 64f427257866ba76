import type { SpecimenWrite } from '@plesion/contract';
import { QUALIFIERS } from '@plesion/core/specimen';
import { useRouter } from 'expo-router';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptForm, type Wrongs } from '../../lib/useKeptForm';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { PageHeading } from '../../ui/PageHeading';
import type { Draft } from '../records/draft';
import { useSession } from '../session/useSession';
import { needsTaxon, QUALIFIER_LABELS } from './qualifiers';

type Name = SpecimenWrite['determinations'][number];

/** As it is typed; kept over a reload. */
const Typed = z.object({ qualifier: z.enum(QUALIFIERS), name: z.string(), other: z.string(), reason: z.string() });
type Typed = z.infer<typeof Typed>;

/** What may be said where no guide stands behind it: nothing is outside a guide that is not there. */
const SAID = QUALIFIERS.filter((qualifier) => qualifier !== 'outside');

/** Write a name down as it is written: for a specimen without a guide, keyed with a printed key or known by eye. */
export function NameByHand({ id, draft, suggested }: { id: string; draft: Draft; suggested?: string }) {
  const router = useRouter();
  const by = useSession().account.name;
  const form = useKeptForm({
    name: `name.${id}`,
    typed: Typed,
    first: (): Typed => ({ qualifier: 'none', name: suggested ?? '', other: '', reason: '' }),
    check: problemsOf,
    async send({ qualifier, name, other, reason }) {
      const written = { name: name.trim(), ...(qualifier === 'or' ? { other: other.trim() } : {}) };
      const determination: Name = {
        id: mintId(),
        qualifier,
        facets: {},
        ...(needsTaxon(qualifier) ? { written } : {}),
        by,
        at: new Date().toISOString(),
        p: 0,
        recommended: suggested ? `The key came to ${suggested}.` : '',
        overruled: false,
        ...(reason.trim() ? { reason: reason.trim() } : {}),
      };
      draft.change((content) => ({ ...content, determinations: [...content.determinations, determination] }));
      await draft.flush();
    },
    onSent: () => router.replace(`/specimens/${id}`),
  });
  const { control } = form;
  const { qualifier } = form.typed;
  return (
    <Screen widest={760} foot={<Button kind="main" label="Into the daybook" busy={form.busy} onPress={form.submit} />}>
      <PageHeading>Name it by hand</PageHeading>
      <Notice kind="note" title="No guide stands behind it">
        Nothing was weighed: the name rests on you and on what you say of it.
      </Notice>
      <Card>
        <Form submit={form.submit}>
          <ChoiceGroup
            label="Said"
            options={SAID.map((one) => ({ id: one, label: QUALIFIER_LABELS[one] }))}
            chosen={[qualifier]}
            onChange={([next]) => form.change({ qualifier: next })}
          />
          {needsTaxon(qualifier) && (
            <FormTextField
              control={control}
              name="name"
              label={qualifier === 'or' ? 'One' : 'Name'}
              maxLength={200}
              placeholder="genus and species, as it is written"
            />
          )}
          {qualifier === 'or' && <FormTextField control={control} name="other" label="The other" maxLength={200} />}
          <FormTextField
            control={control}
            name="reason"
            label="What it rests on"
            multiline
            maxLength={2000}
            hint="The key, the book, the one who told you."
          />
        </Form>
      </Card>
      <Notice kind="caution" title="A name is not a promise">
        No result says that an animal is safe to touch, keep or eat. Local law, permits and licensed advice come first.
      </Notice>
    </Screen>
  );
}

function problemsOf({ qualifier, name, other }: Typed): Wrongs<Typed> {
  if (!needsTaxon(qualifier)) return {};
  const same = !other.trim() || other.trim() === name.trim();
  return {
    name: !name.trim() && 'Write the name, or say that it is unknown.',
    other: qualifier === 'or' && same && 'Write two different names for “one of two”.',
  };
}
