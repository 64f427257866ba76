import { zodResolver } from '@hookform/resolvers/zod';
import { schemas } from '@plesion/contract';
import { Suspense, useState } from 'react';
import { useForm } from 'react-hook-form';
import { useWide } from '../../theme/index';
import { showProblem } from '../../lib/formProblem';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Form } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Logo } from '../../ui/Logo';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { lazyPart } from '../../ui/lazyPart';
import { Text } from '../../ui/Text';
import { PasskeyDoor } from '../passkeys/PasskeyDoor';
import { useEnter } from '../session/useSession';

/** Drawn when it has come: the door itself does not wait for it. */
const DoorPlate = lazyPart(
  () => import('./DoorPlate'),
  (part) => part.DoorPlate,
  'picture',
);

/** The door: the demo in one press, an account, or a new station. */
export function SignIn() {
  const wide = useWide();
  const { signIn } = useEnter();
  const [making, setMaking] = useState(false);
  return (
    <Screen widest={520}>
      <Stack align="center" padTop={wide ? 'xxl' : 'l'} padBottom="s">
        <Row gap="m" align="center" oneLine>
          <Logo size={48} />
          <PageHeading title="The door">Plesion</PageHeading>
        </Row>
        <Box wide="all" leastTall={110}>
          <Suspense fallback={null}>
            <DoorPlate />
          </Suspense>
        </Box>
        <Text size="lead" quiet set="centre">
          Which of two that look almost alike, and how sure may you be?
        </Text>
      </Stack>
      <Card>
        <Text strong>Look round the demo station</Text>
        <Text quiet size="small">
          A photographed tern waits to be read. Invented islands, invented kinds; nothing to set up.
        </Text>
        <Button
          kind="main"
          label="Open the demo"
          busy={signIn.isPending}
          onPress={() => signIn.mutate({ name: 'demo', password: 'demo' })}
        />
        {signIn.error && <Notice kind="problem">{signIn.error.message}</Notice>}
      </Card>
      <Card title={making ? 'Make a station' : 'Sign in'}>
        {making ? <StationForm /> : <AccountForm />}
        {!making && <PasskeyDoor />}
        <Button
          kind="quiet"
          label={making ? 'I have an account' : 'Make a station of your own'}
          onPress={() => setMaking(!making)}
        />
      </Card>
    </Screen>
  );
}

function AccountForm() {
  const { signIn } = useEnter();
  const form = useForm({ resolver: zodResolver(schemas.Credentials), defaultValues: { name: '', password: '' } });
  const submit = form.handleSubmit((values) =>
    signIn.mutateAsync(values).catch((error: unknown) => showProblem(error, ['name', 'password'], form.setError)),
  );
  return (
    <Form submit={() => void submit()}>
      <FormTextField control={form.control} name="name" label="Account" autoCapitalize="none" autoComplete="username" />
      <FormTextField control={form.control} name="password" label="Password" secureTextEntry autoComplete="current-password" />
      {form.formState.errors.root && <Notice kind="problem">{form.formState.errors.root.message ?? ''}</Notice>}
      <Button label="Sign in" busy={signIn.isPending} onPress={() => void submit()} />
    </Form>
  );
}

function StationForm() {
  const { makeStation } = useEnter();
  const form = useForm({ resolver: zodResolver(schemas.NewStation), defaultValues: { station: '', name: '', password: '' } });
  const submit = form.handleSubmit((values) =>
    makeStation.mutateAsync(values).catch((error: unknown) => showProblem(error, ['station', 'name', 'password'], form.setError)),
  );
  return (
    <Form submit={() => void submit()}>
      <FormTextField
        control={form.control}
        name="station"
        label="Name of the station"
        hint="The group that works together and shares a daybook."
      />
      <FormTextField
        control={form.control}
        name="name"
        label="Your account"
        autoCapitalize="none"
        autoComplete="username"
        hint="It signs your determinations."
      />
      <FormTextField
        control={form.control}
        name="password"
        label="Password"
        secureTextEntry
        autoComplete="new-password"
        hint="8 characters or more."
      />
      {form.formState.errors.root && <Notice kind="problem">{form.formState.errors.root.message ?? ''}</Notice>}
      <Button label="Make the station" busy={makeStation.isPending} onPress={() => void submit()} />
    </Form>
  );
}
