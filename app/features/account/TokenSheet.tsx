import { type MadeToken, schemas, type Token } from '@plesion/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { z } from 'zod';
import { api } from '../../lib/api';
import { sayDate } from '../../lib/dates';
import { useKeptForm, wrongIn } from '../../lib/useKeptForm';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TOKENS } from './queries';

const SCOPES: { id: Token['scope']; label: string }[] = [
  { id: 'read', label: 'only read' },
  { id: 'write', label: 'read and write' },
];

/** Tokens by which scripts come in: made, told once, and ended. */
export function TokenSheet() {
  const client = useQueryClient();
  const [made, setMade] = useState<MadeToken>();
  const { data, error, refetch } = useQuery({ queryKey: TOKENS, queryFn: ({ signal }) => api('tokens', {}, signal) });
  const again = () => client.invalidateQueries({ queryKey: TOKENS });
  const end = useMutation({
    mutationFn: (id: string) => api('endToken', { params: { id } }),
    onSuccess: (_, id) => setMade((told) => (told?.id === id ? undefined : told)),
    onSettled: again,
  });
  return (
    <Card title="API tokens">
      <Text quiet size="small">
        A script shows a token instead of a password. What it may do is described at /api/openapi.json.
      </Text>
      {error && <Failed error={error} retry={() => void refetch()} />}
      {data?.tokens.map((token) => (
        <TokenLine
          key={token.id}
          token={token}
          ending={end.isPending && end.variables === token.id}
          onEnd={() => end.mutate(token.id)}
        />
      ))}
      {end.error && <Notice kind="problem">{end.error.message}</Notice>}
      {made && (
        <Notice kind="note" title={`“${made.name}”: copy it now, it is not shown again`}>
          <Text selectable testID="token">
            {made.token}
          </Text>
        </Notice>
      )}
      <TokenForm
        onMade={(token) => {
          setMade(token);
          void again();
        }}
      />
    </Card>
  );
}

function TokenLine({ token: { name, scope, usedAt }, ending, onEnd }: { token: Token; ending: boolean; onEnd: () => void }) {
  const may = scope === 'read' ? 'may only read' : 'may read and write';
  return (
    <Row gap="m" align="center">
      <Box fill least={160}>
        <Text>{name}</Text>
        <Text size="small" quiet>
          {`${may} · ${usedAt ? `last used ${sayDate(usedAt, 'minute')}` : 'not used yet'}`}
        </Text>
      </Box>
      <Button small label="End it" hint={`End it: the token “${name}”`} busy={ending} onPress={onEnd} />
    </Row>
  );
}

/** As it is typed; kept over a reload. */
const Typed = z.object({ name: z.string(), scope: z.enum(['read', 'write']) });
type Typed = z.output<typeof Typed>;

function TokenForm({ onMade }: { onMade: (token: MadeToken) => void }) {
  const form = useKeptForm({
    name: 'token',
    typed: Typed,
    first: (): Typed => ({ name: '', scope: 'read' }),
    check: (typed) => wrongIn(schemas.NewToken, typed),
    send: (body) => api('makeToken', { body }),
    onSent(_, token) {
      form.begin();
      onMade(token);
    },
  });
  return (
    <Form submit={form.submit}>
      <FormTextField control={form.control} name="name" label="What it is for" hint="Such as: the weather hut’s computer" />
      <ChoiceGroup label="It may" options={SCOPES} chosen={[form.typed.scope]} onChange={([scope]) => form.change({ scope })} />
      <FormEnd form={form} plain label="Make a token" />
    </Form>
  );
}
