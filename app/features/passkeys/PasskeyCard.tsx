import { zodResolver } from '@hookform/resolvers/zod';
import { nameOfDevice } from '@plesion/contract/device';
import { NewPasskey } from '@plesion/contract/passkeys';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { sayDate } from '../../lib/dates';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Form } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { hasPasskeys } from './hasPasskeys';
import { makePasskey, passkeyApi, PASSKEYS } from './passkeyApi';

const Named = NewPasskey.pick({ name: true });

/** Keys of one's devices, which open the door without a password. */
export function PasskeyCard() {
  const client = useQueryClient();
  const { data, error, refetch } = useQuery({
    queryKey: PASSKEYS,
    queryFn: ({ signal }) => passkeyApi('passkeys', {}, signal),
  });
  const end = useMutation({
    mutationFn: (id: string) => passkeyApi('endPasskey', { params: { id } }),
    onSettled: () => client.invalidateQueries({ queryKey: PASSKEYS }),
  });
  return (
    <Card title="Passkeys">
      <Text quiet size="small">
        A device of yours can open the door by its own lock instead of the password, which stays good beside it.
      </Text>
      {error && <Failed error={error} retry={() => void refetch()} />}
      {data?.passkeys.map(({ id, name, createdAt, usedAt }) => (
        <Row key={id} gap="m" align="center">
          <Box fill least={160}>
            <Text>{name}</Text>
            <Text size="small" quiet>
              {usedAt ? `last used ${sayDate(usedAt, 'minute')}` : `made ${sayDate(createdAt, 'minute')}, not used yet`}
            </Text>
          </Box>
          <Button
            small
            label="End it"
            hint={`End it: the passkey “${name}”`}
            busy={end.isPending && end.variables === id}
            onPress={() => end.mutate(id)}
          />
        </Row>
      ))}
      {end.error && <Notice kind="problem">{end.error.message}</Notice>}
      {hasPasskeys() ? (
        <PasskeyForm onMade={() => void client.invalidateQueries({ queryKey: PASSKEYS })} />
      ) : (
        <Text quiet>This browser makes no passkeys.</Text>
      )}
    </Card>
  );
}

function PasskeyForm({ onMade }: { onMade: () => void }) {
  const form = useForm({
    resolver: zodResolver(Named),
    defaultValues: { name: nameOfDevice(globalThis.navigator?.userAgent ?? '') },
  });
  const make = useMutation({ mutationFn: (name: string) => makePasskey(name), onSuccess: onMade });
  const submit = form.handleSubmit(({ name }) => make.mutate(name));
  return (
    <Form submit={() => void submit()}>
      <FormTextField control={form.control} name="name" label="This device" hint="As you will know it on the list." />
      {make.error && <Notice kind="problem">{make.error.message}</Notice>}
      <Button label="Make a passkey here" busy={make.isPending} onPress={() => void submit()} />
    </Form>
  );
}
