import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { MEMBERS, peopleApi } from '../people/peopleApi';
import { asksOf, opinionsApi } from './opinionsApi';

/** As it is filled in; kept over a reload. */
const Typed = z.object({ id: z.string(), to: z.array(z.string()), question: z.string() });

/** Whom one asks, and what. */
export function AskForm({ specimenId }: { specimenId: string }) {
  const client = useQueryClient();
  const empty = () => ({ id: mintId(), to: [], question: '' });
  const [{ id, to, question }, change, forget] = useKeptState(`ask.${specimenId}`, Typed, empty());
  const members = useQuery({ queryKey: MEMBERS, queryFn: ({ signal }) => peopleApi('members', {}, signal) });
  const others = members.data?.members.filter(({ you }) => !you) ?? [];
  const ask = useMutation({
    mutationFn: () => opinionsApi('askOpinion', { body: { id, specimenId, to, ...(question.trim() ? { question } : {}) } }),
    onSuccess: async () => {
      change(empty());
      forget();
      await client.invalidateQueries({ queryKey: asksOf(specimenId) });
    },
  });
  return (
    <Stack gap="m">
      {members.data && others.length === 0 && (
        <Text>You are alone in this station. Ask all the same, and make a link for somebody outside.</Text>
      )}
      {others.length > 0 && (
        <ChoiceGroup
          label="Whom (nobody chosen: everybody)"
          many
          clearable
          options={others.map(({ name }) => ({ id: name, label: name }))}
          chosen={to}
          onChange={(names) => change({ to: names })}
        />
      )}
      <TextField
        label="What you want to know"
        value={question}
        onChangeText={(text) => change({ question: text })}
        hint="Without the name you gave it: they are asked blind."
        maxLength={500}
        multiline
      />
      {ask.error && <Notice kind="problem">{ask.error.message}</Notice>}
      <Row>
        <Button kind="main" label="Ask" hint="Ask what they make of it" busy={ask.isPending} onPress={() => ask.mutate()} />
      </Row>
    </Stack>
  );
}
