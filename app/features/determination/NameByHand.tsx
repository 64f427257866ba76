import type { SpecimenWrite } from '@plesion/contract';
import { QUALIFIERS, type Qualifier } from '@plesion/core/specimen';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { TextField } from '../../ui/TextField';
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
  const [{ qualifier, name, other, reason }, change, forget] = useKeptState<Typed>(`name.${id}`, Typed, {
    qualifier: 'none',
    name: suggested ?? '',
    other: '',
    reason: '',
  });
  const [problem, setProblem] = useState<{ at: 'name' | 'other'; message: string }>();
  const write = async () => {
    const wrong = problemOf(qualifier, name, other);
    setProblem(wrong);
    if (wrong) return;
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
    forget();
    await draft.flush();
    router.replace(`/specimens/${id}`);
  };
  return (
    <Screen widest={760} foot={<Button kind="main" label="Into the daybook" onPress={() => void write()} />}>
      <PageHeading>Name it by hand</PageHeading>
      <Notice kind="note" title="No guide stands behind it">
        Nothing was weighed: the name rests on you and on what you say of it.
      </Notice>
      <Card>
        <ChoiceGroup
          label="Said"
          options={SAID.map((one) => ({ id: one, label: QUALIFIER_LABELS[one] }))}
          chosen={[qualifier]}
          onChange={([next]) => change({ qualifier: next })}
        />
        {needsTaxon(qualifier) && (
          <TextField
            label={qualifier === 'or' ? 'One' : 'Name'}
            value={name}
            maxLength={200}
            onChangeText={(text) => change({ name: text })}
            placeholder="genus and species, as it is written"
            problem={problem?.at === 'name' ? problem.message : undefined}
          />
        )}
        {qualifier === 'or' && (
          <TextField
            label="The other"
            value={other}
            maxLength={200}
            onChangeText={(text) => change({ other: text })}
            problem={problem?.at === 'other' ? problem.message : undefined}
          />
        )}
        <TextField
          label="What it rests on"
          value={reason}
          multiline
          maxLength={2000}
          onChangeText={(text) => change({ reason: text })}
          hint="The key, the book, the one who told you."
        />
      </Card>
      <Notice kind="caution" title="A name is not a promise">
        No result says that an animal is safe to touch, keep or eat. Local law, permits and licensed advice come first.
      </Notice>
    </Screen>
  );
}

function problemOf(qualifier: Qualifier, name: string, other: string): { at: 'name' | 'other'; message: string } | undefined {
  if (!needsTaxon(qualifier)) return undefined;
  if (!name.trim()) return { at: 'name', message: 'Write the name, or say that it is unknown.' };
  if (qualifier === 'or' && (!other.trim() || other.trim() === name.trim()))
    return { at: 'other', message: 'Write two different names for “one of two”.' };
  return undefined;
}
