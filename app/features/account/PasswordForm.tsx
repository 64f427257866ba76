import { zodResolver } from '@hookform/resolvers/zod';
import { schemas } from '@plesion/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { api } from '../../lib/api';
import { showProblem } from '../../lib/formProblem';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Form } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { SESSIONS } from './queries';

/** Another password; everywhere else one is signed out by it. */
export function PasswordForm() {
  const client = useQueryClient();
  const form = useForm({ resolver: zodResolver(schemas.PasswordChange), defaultValues: { current: '', next: '' } });
  const change = useMutation({
    mutationFn: (body: { current: string; next: string }) => api('changePassword', { body }),
    onSuccess: async () => {
      form.reset();
      await client.invalidateQueries({ queryKey: SESSIONS });
    },
  });
  const submit = form.handleSubmit((values) =>
    change.mutateAsync(values).catch((error: unknown) => showProblem(error, ['current', 'next'], form.setError)),
  );
  return (
    <Card title="Password">
      <Form submit={() => void submit()}>
        <FormTextField
          control={form.control}
          name="current"
          label="As it is now"
          secureTextEntry
          autoComplete="current-password"
        />
        <FormTextField
          control={form.control}
          name="next"
          label="As it is to be"
          secureTextEntry
          autoComplete="new-password"
          hint="8 characters or more. Everywhere else you are signed out."
        />
        {form.formState.errors.root && <Notice kind="problem">{form.formState.errors.root.message ?? ''}</Notice>}
        {change.isSuccess && !form.formState.isDirty && <Notice kind="note">The password is changed.</Notice>}
        <Button label="Change it" busy={change.isPending} onPress={() => void submit()} />
      </Form>
    </Card>
  );
}
