import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { api } from '../../lib/api';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';

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
    <View style={styles.block}>
      <Button label="Try it on a photographed tern" busy={take.isPending} onPress={() => take.mutate()} />
      {take.error && <Notice kind="problem">{take.error.message}</Notice>}
    </View>
  );
}

const styles = StyleSheet.create({ block: { gap: space.s, alignItems: 'center' } });
