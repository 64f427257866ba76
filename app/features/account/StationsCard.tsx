import { zodResolver } from '@hookform/resolvers/zod';
import { schemas, type Session } from '@plesion/contract';
import { useMutation } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { api } from '../../lib/api';
import { showProblem } from '../../lib/formProblem';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Form } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { useEntered, useSession } from '../session/useSession';

/** The stations one belongs to: go on in another, or make one more. */
export function StationsCard() {
  const { account, station, others } = useSession();
  const goIn = useGoIn();
  const [making, setMaking] = useState(false);
  const change = useMutation({
    mutationFn: (stationId: string) => api('changeStation', { body: { stationId } }),
    onSuccess: goIn,
  });
  return (
    <Card title="Stations">
      <Row gap="m" align="center">
        <Box fill least={160}>
          <Text strong>{`${station.name}, here`}</Text>
          <Text size="small" quiet>
            {account.role}
          </Text>
        </Box>
      </Row>
      {others.map(({ id, name, role }) => (
        <Row key={id} gap="m" align="center">
          <Box fill least={160}>
            <Text>{name}</Text>
            <Text size="small" quiet>
              {role}
            </Text>
          </Box>
          <Button
            small
            label="Switch to it"
            hint={`Switch to it: ${name}`}
            busy={change.isPending && change.variables === id}
            onPress={() => change.mutate(id)}
          />
        </Row>
      ))}
      {change.error && <Notice kind="problem">{change.error.message}</Notice>}
      {making ? (
        <StationForm onMade={goIn} />
      ) : (
        <Button kind="quiet" label="Make one more station" onPress={() => setMaking(true)} />
      )}
    </Card>
  );
}

/** Into a station, at its first page: what was open belongs to another. */
function useGoIn(): (session: Session) => void {
  const entered = useEntered();
  const router = useRouter();
  return (session) => {
    entered(session);
    router.replace('/');
  };
}

function StationForm({ onMade }: { onMade: (session: Session) => void }) {
  const form = useForm({ resolver: zodResolver(schemas.FurtherStation), defaultValues: { station: '' } });
  const make = useMutation({ mutationFn: (body: { station: string }) => api('makeFurtherStation', { body }), onSuccess: onMade });
  const submit = form.handleSubmit((values) =>
    make.mutateAsync(values).catch((error: unknown) => showProblem(error, ['station'], form.setError)),
  );
  return (
    <Form submit={() => void submit()}>
      <FormTextField
        control={form.control}
        name="station"
        label="Name of the new station"
        hint="With a daybook and people of its own; you keep it, with the account you have."
      />
      {form.formState.errors.root && <Notice kind="problem">{form.formState.errors.root.message ?? ''}</Notice>}
      <Button label="Make it" busy={make.isPending} onPress={() => void submit()} />
    </Form>
  );
}
