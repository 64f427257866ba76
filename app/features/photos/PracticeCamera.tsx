import { RequestProblem, urlOf } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { useMutation } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../../lib/api';
import { hashOf } from '../../lib/files';
import { outbox } from '../../lib/outbox/outbox';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { useSession } from '../session/useSession';

/** A made-up individual of the guide, photographed by the practice camera with a scale beside it: to try the measuring on. */
export function PracticeCamera({
  guideId,
  guide,
  view,
  onPhoto,
}: {
  guideId: string;
  guide: Guide;
  view: string;
  onPhoto: (hash: string) => void;
}) {
  const station = useSession().station.id;
  const take = useMutation({
    mutationFn: async () => {
      const { id } = await api('takeShot', { body: { guide: guideId, view, scaleBar: 'bar' } });
      const answer = await fetch(urlOf('shot', { params: { id } }));
      if (!answer.ok) throw new Error('The picture could not be fetched.');
      const file = new File([await answer.blob()], 'practice.png', { type: 'image/png' });
      const hash = await hashOf(file);
      if (hash === undefined) throw new Error('This browser cannot keep photos.');
      await outbox().keepFile(station, hash, file);
      return hash;
    },
    onSuccess: onPhoto,
  });
  if (!guide.plan) return null;
  return (
    <View style={{ gap: space.s, alignItems: 'flex-start' }}>
      <Button
        small
        label="Practice camera"
        hint="Practice camera: photograph a made-up individual of this guide"
        busy={take.isPending}
        onPress={() => take.mutate()}
      />
      {take.error && (
        <Notice kind="problem">
          {take.error instanceof RequestProblem && take.error.status === 0
            ? 'The practice camera needs a connection.'
            : `The photo was not taken. ${take.error.message}`}
        </Notice>
      )}
    </View>
  );
}
