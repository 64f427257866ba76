import { urlOf } from '@plesion/contract';
import { useEffect, useMemo } from 'react';
import { outbox } from '../../lib/outbox/outbox';
import { useSession } from '../session/useSession';

/** Where a photo is to be had: from this device while it waits to be sent, else from the server; for measuring as it was sent. */
export function usePhotoUri(hash: string, size: 'whole' | 'small' | 'thumb' | 'original' = 'whole'): string {
  const station = useSession().station.id;
  const file = outbox().file(station, hash);
  const own = useMemo(() => (file ? URL.createObjectURL(file) : undefined), [file]);
  useEffect(() => () => void (own && URL.revokeObjectURL(own)), [own]);
  return own ?? urlOf('photo', { params: { hash }, query: size === 'whole' ? {} : { size } });
}
