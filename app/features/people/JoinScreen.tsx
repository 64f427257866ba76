import { zodResolver } from '@hookform/resolvers/zod';
import { type InvitedTo, Joining } from '@plesion/contract/people';
import { ROLE_WORDS } from '@plesion/contract/roles';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useForm } from 'react-hook-form';
import { StyleSheet, View } from 'react-native';
import { showProblem } from '../../lib/formProblem';
import { space } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
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
          <SignedIn />
          <JoinForm token={token} to={to} />
          <LinkBox href="/">
            <Text quiet>To the door</Text>
          </LinkBox>
        </Screen>
      )}
    </AsyncScreen>
  );
}

/** Who is signed in already is told that they come in as another. */
function SignedIn() {
  const { data } = useSessionQuery();
  return data ? (
    <Notice kind="note">{`You are signed in as ${data.account.name}, of ${data.station.name}. With this link you sign in anew; that account stays as it is.`}</Notice>
  ) : null;
}

function JoinForm({ token, to }: { token: string; to: InvitedTo }) {
  const router = useRouter();
  const entered = useEntered();
  const form = useForm({ resolver: zodResolver(Joining), defaultValues: { password: '', ...(to.renews ? {} : { name: '' }) } });
  const join = useMutation({
    mutationFn: (body: Joining) => peopleApi('join', { params: { token }, body }),
    onSuccess: (session) => {
      entered(session);
      router.replace('/');
    },
  });
  const submit = form.handleSubmit((values) =>
    join.mutateAsync(values).catch((error: unknown) => showProblem(error, ['name', 'password'], form.setError)),
  );
  return (
    <Card>
      <View style={styles.form}>
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
          onSubmitEditing={() => void submit()}
        />
        {form.formState.errors.root && <Notice kind="problem">{form.formState.errors.root.message ?? ''}</Notice>}
        <Button
          kind="main"
          label={to.renews ? 'Set it and sign in' : 'Join'}
          busy={join.isPending}
          onPress={() => void submit()}
        />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({ form: { gap: space.m } });
