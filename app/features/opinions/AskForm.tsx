import { useQuery, useQueryClient } from '@tanstack/react-query';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptForm } from '../../lib/useKeptForm';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Text } from '../../ui/Text';
import { MEMBERS, peopleApi } from '../people/peopleApi';
import { asksOf, opinionsApi } from './opinionsApi';

/** As it is filled in; kept over a reload. */
const Typed = z.object({ id: z.string(), to: z.array(z.string()), question: z.string() });

/** Whom one asks, and what. */
export function AskForm({ specimenId }: { specimenId: string }) {
  const client = useQueryClient();
  const form = useKeptForm({
    name: `ask.${specimenId}`,
    typed: Typed,
    first: () => ({ id: mintId(), to: [], question: '' }),
    send: ({ id, to, question }) =>
      opinionsApi('askOpinion', { body: { id, specimenId, to, ...(question.trim() ? { question } : {}) } }),
    async onSent() {
      form.begin();
      await client.invalidateQueries({ queryKey: asksOf(specimenId) });
    },
  });
  const members = useQuery({ queryKey: MEMBERS, queryFn: ({ signal }) => peopleApi('members', {}, signal) });
  const others = members.data?.members.filter(({ you }) => !you) ?? [];
  return (
    <Form submit={form.submit}>
      {members.data && others.length === 0 && (
        <Text>You are alone in this station. Ask all the same, and make a link for somebody outside.</Text>
      )}
      {others.length > 0 && (
        <ChoiceGroup
          label="Whom (nobody chosen: everybody)"
          many
          clearable
          options={others.map(({ name }) => ({ id: name, label: name }))}
          chosen={form.typed.to}
          onChange={(to) => form.change({ to })}
        />
      )}
      <FormTextField
        control={form.control}
        name="question"
        label="What you want to know"
        hint="Without the name you gave it: they are asked blind."
        maxLength={500}
        multiline
      />
      <FormEnd form={form} label="Ask" hint="Ask what they make of it" />
    </Form>
  );
}
