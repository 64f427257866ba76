import { useMutation } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../../lib/api';
import { pickFile } from '../../lib/files';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';

/** Choose or take a photo and send it; its hash goes to the specimen. */
export function PhotoButton({ has, onPhoto }: { has: boolean; onPhoto: (hash: string | undefined) => void }) {
  const send = useMutation({
    mutationFn: async () => {
      const file = await pickFile('image/*');
      if (!file) return undefined;
      const body = new FormData();
      body.append('photo', file);
      return api('addPhoto', { body });
    },
    onSuccess: (photo) => photo && onPhoto(photo.hash),
  });
  return (
    <View style={{ gap: space.s, alignItems: 'flex-start' }}>
      <View style={{ flexDirection: 'row', gap: space.s }}>
        <Button small label={has ? 'Another photo' : 'Add a photo'} busy={send.isPending} onPress={() => send.mutate()} />
        {has && <Button small kind="quiet" label="Take the photo off" onPress={() => onPhoto(undefined)} />}
      </View>
      {send.error && <Notice kind="problem">{send.error.message}</Notice>}
    </View>
  );
}
