import { zodResolver } from '@hookform/resolvers/zod';
import { type MadeToken, schemas, type Token } from '@plesion/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { z } from 'zod';
import { api } from '../../lib/api';
import { sayDate } from '../../lib/dates';
import { showProblem } from '../../lib/formProblem';
import { keptForm } from '../../lib/keptForm';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
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
      <View style={styles.grow}>
        <Text>{name}</Text>
        <Text size="small" quiet>
          {`${may} · ${usedAt ? `last used ${sayDate(usedAt, 'minute')}` : 'not used yet'}`}
        </Text>
      </View>
      <Button small label="End it" hint={`End it: the token “${name}”`} busy={ending} onPress={onEnd} />
    </Row>
  );
}

/** As it is typed; kept over a reload. */
const Typed = z.object({ name: z.string(), scope: z.enum(['read', 'write']) });
const EMPTY: z.output<typeof Typed> = { name: '', scope: 'read' };
const kept = keptForm('token', Typed);

function TokenForm({ onMade }: { onMade: (token: MadeToken) => void }) {
  const form = useForm({ resolver: zodResolver(schemas.NewToken), defaultValues: { ...EMPTY, ...kept.read() } });
  const { watch } = form;
  useEffect(() => {
    const { unsubscribe } = watch((typed) => kept.keep({ ...EMPTY, ...typed }));
    return unsubscribe;
  }, [watch]);
  const make = useMutation({ mutationFn: (body: { name: string; scope: Token['scope'] }) => api('makeToken', { body }) });
  const submit = form.handleSubmit((values) =>
    make.mutateAsync(values).then(
      (token) => {
        form.reset(EMPTY);
        kept.forget();
        onMade(token);
      },
      (error: unknown) => showProblem(error, ['name', 'scope'], form.setError),
    ),
  );
  return (
    <Stack gap="m">
      <FormTextField control={form.control} name="name" label="What it is for" hint="Such as: the weather hut’s computer" />
      <Controller
        control={form.control}
        name="scope"
        render={({ field }) => (
          <ChoiceGroup label="It may" options={SCOPES} chosen={[field.value]} onChange={([scope]) => field.onChange(scope)} />
        )}
      />
      {form.formState.errors.root && <Notice kind="problem">{form.formState.errors.root.message ?? ''}</Notice>}
      <Button label="Make a token" busy={make.isPending} onPress={() => void submit()} />
    </Stack>
  );
}

const styles = StyleSheet.create({
  grow: { flex: 1, minWidth: 160 },
});
