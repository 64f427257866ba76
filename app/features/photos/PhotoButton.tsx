import { useMutation } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../../lib/api';
import { hashOf, isPicture, pickFile } from '../../lib/files';
import { outbox } from '../../lib/outbox/outbox';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useSession } from '../session/useSession';

interface PhotoButtonProps {
  has: boolean;
  onPhoto: (hash: string | undefined) => void;
  /** Told of a photo that was kept. */
  onFile?: (file: File) => void;
}

/** Choose or take a photo. It is kept on the device, and goes to the server with the specimen that names it. */
export function PhotoButton({ has, onPhoto, onFile }: PhotoButtonProps) {
  const station = useSession().station.id;
  const take = useMutation({
    networkMode: 'always',
    mutationFn: async () => {
      const file = await pickFile('image/*');
      if (!file) return undefined;
      if (!(await isPicture(file))) throw new Error('This file is not a photo that can be read. Choose a JPEG, PNG or WebP.');
      const hash = await hashOf(file);
      if (hash !== undefined) await outbox().keepFile(station, hash, file);
      const kept = hash ?? (await sendNow(file));
      onFile?.(file);
      return kept;
    },
    onSuccess: (hash) => hash !== undefined && onPhoto(hash),
  });
  return (
    <View style={{ gap: space.s, alignItems: 'flex-start' }}>
      <View style={{ flexDirection: 'row', gap: space.s }}>
        <Button small label={has ? 'Another photo' : 'Add a photo'} busy={take.isPending} onPress={() => take.mutate()} />
        {has && <Button small kind="quiet" label="Take the photo off" onPress={() => onPhoto(undefined)} />}
      </View>
      {take.error && <Notice kind="problem">{`The photo was not kept. ${take.error.message}`}</Notice>}
    </View>
  );
}

async function sendNow(file: File): Promise<string> {
  const body = new FormData();
  body.append('photo', file);
  return (await api('addPhoto', { body })).hash;
}
