import { zodResolver } from '@hookform/resolvers/zod';
import type { Session } from '@plesion/contract';
import { type InvitedTo, NewJoining, OwnJoining } from '@plesion/contract/people';
import { ROLE_WORDS } from '@plesion/contract/roles';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useForm } from 'react-hook-form';
import { showProblem } from '../../lib/formProblem';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Form } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
import { useEntered, useSessionQuery } from '../session/useSession';
import { peopleApi } from './peopleApi';

/** Who was sent a link comes in by it: with a name and a password, or with a new password. */
export function JoinScreen({ token }: { token: string }) {
  const link = useQuery({
    queryKey: ['session', 'link', token],
    queryFn: ({ signal }) => peopleApi('invitedTo', { params: { token } }, signal),
    retry: false,
  });
  return (
    <AsyncScreen what="The link" value={link.data} error={link.error} retry={() => void link.refetch()}>
      {(to) => (
        <Screen widest={520}>
          <PageHeading>{to.renews ? 'A new password' : `Join ${to.station}`}</PageHeading>
          <Text>
            {to.renews
              ? `${to.by} made this link for ${to.renews}, of ${to.station}.`
              : `${to.by} invites you as ${to.role}: a ${to.role} ${ROLE_WORDS[to.role]}.`}
          </Text>
          <SignedIn token={token} to={to} />
          <JoinForm token={token} to={to} />
          <LinkBox href="/">
            <Text quiet>To the door</Text>
          </LinkBox>
        </Screen>
      )}
    </AsyncScreen>
  );
}

/** Who is signed in comes in with the account they have, and then belongs to both stations. */
function SignedIn({ token, to }: { token: string; to: InvitedTo }) {
  const { data } = useSessionQuery();
  const cameIn = useCameIn();
  const form = useForm({ resolver: zodResolver(OwnJoining), defaultValues: { as: 'signed-in' as const } });
  const join = useMutation({
    mutationFn: (body: OwnJoining) => peopleApi('join', { params: { token }, body }),
    onSuccess: cameIn,
  });
  if (!data)
    return to.renews ? null : (
      <Text quiet>With an account here already? Sign in at the door first, then open this link again.</Text>
    );
  const { account, station } = data;
  if (to.renews || station.demo)
    return (
      <Notice kind="note">{`You are signed in as ${account.name}, of ${station.name}. With this link you sign in anew; that account stays as it is.`}</Notice>
    );
  const { errors } = form.formState;
  const submit = form.handleSubmit((values) =>
    join.mutateAsync(values).catch((error: unknown) => showProblem(error, ['name'], form.setError)),
  );
  return (
    <Card title="With the account you have">
      <Form submit={() => void submit()}>
        <Text>{`You are signed in as ${account.name}, of ${station.name}. You will belong to both, and go from one to the other under Account.`}</Text>
        {errors.name && (
          <FormTextField control={form.control} name="name" label={`Your name in ${to.station}`} autoCapitalize="words" />
        )}
        {errors.root && <Notice kind="problem">{errors.root.message ?? ''}</Notice>}
        <Button kind="main" label={`Join as ${account.name}`} busy={join.isPending} onPress={() => void submit()} />
      </Form>
    </Card>
  );
}

/** In the station, at its first page. */
function useCameIn(): (session: Session) => void {
  const router = useRouter();
  const entered = useEntered();
  return (session) => {
    entered(session);
    router.replace('/');
  };
}

function JoinForm({ token, to }: { token: string; to: InvitedTo }) {
  const { data } = useSessionQuery();
  const either = data && !data.station.demo && !to.renews;
  const cameIn = useCameIn();
  const form = useForm({
    resolver: zodResolver(NewJoining),
    defaultValues: { password: '', ...(to.renews ? {} : { name: '' }) },
  });
  const join = useMutation({
    mutationFn: (body: NewJoining) => peopleApi('join', { params: { token }, body }),
    onSuccess: cameIn,
  });
  const submit = form.handleSubmit((values) =>
    join.mutateAsync(values).catch((error: unknown) => showProblem(error, ['name', 'password'], form.setError)),
  );
  return (
    <Card title={either ? 'Or as somebody new' : undefined}>
      <Form submit={() => void submit()}>
        {!to.renews && (
          <FormTextField
            control={form.control}
            name="name"
            label="Your name"
            autoCapitalize="words"
            autoComplete="username"
            hint="By it you sign in; it stands on what you record."
          />
        )}
        <FormTextField
          control={form.control}
          name="password"
          label={to.renews ? 'Your new password' : 'A password'}
          secureTextEntry
          autoComplete="new-password"
          hint="8 characters or more."
        />
        {form.formState.errors.root && <Notice kind="problem">{form.formState.errors.root.message ?? ''}</Notice>}
        <Button
          kind={either ? undefined : 'main'}
          label={to.renews ? 'Set it and sign in' : 'Join'}
          busy={join.isPending}
          onPress={() => void submit()}
        />
      </Form>
    </Card>
  );
}
