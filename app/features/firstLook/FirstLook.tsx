import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { api } from '../../lib/api';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Stack } from '../../ui/Stack';

/** For an empty daybook: a photographed tern to try the eye on. */
export function FirstLook() {
  const router = useRouter();
  const client = useQueryClient();
  const take = useMutation({
    mutationFn: () => api('firstLook', {}),
    onSuccess: ({ id }) => {
      void client.invalidateQueries({ queryKey: ['specimens'] });
      router.push(`/specimens/${id}/bench`);
    },
  });
  return (
    <Stack align="center">
      <Button label="Try it on a photographed tern" busy={take.isPending} onPress={() => take.mutate()} />
      {take.error && <Notice kind="problem">{take.error.message}</Notice>}
    </Stack>
  );
}
