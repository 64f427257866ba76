import { useMutation } from '@tanstack/react-query';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useEntered } from '../session/useSession';
import { hasPasskeys } from './hasPasskeys';

/** In by a key of the device. What it takes is loaded when it is pressed. */
export function PasskeyDoor() {
  const entered = useEntered();
  const enter = useMutation({
    mutationFn: async () => (await import('./passkeyApi')).enterByPasskey(),
    onSuccess: entered,
  });
  if (!hasPasskeys()) return null;
  return (
    <>
      <Button label="Sign in with a passkey" busy={enter.isPending} onPress={() => enter.mutate()} />
      {enter.error && <Notice kind="problem">{enter.error.message}</Notice>}
    </>
  );
}
