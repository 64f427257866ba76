import type { Fix } from '@plesion/core/fieldwork';
import { useMutation } from '@tanstack/react-query';
import { View } from 'react-native';
import { whereAmI } from '../../lib/position';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';

/** Take a position from the device, where it may tell. */
export function WhereAmI({ label, onFix }: { label: string; onFix: (fix: Fix) => void }) {
  const ask = useMutation({ networkMode: 'always', mutationFn: whereAmI, onSuccess: onFix });
  return (
    <View>
      {ask.error && <Notice kind="problem">{ask.error.message}</Notice>}
      <Button small label={label} busy={ask.isPending} onPress={() => ask.mutate()} />
    </View>
  );
}
