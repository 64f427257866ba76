import { type Lot, type LotWrite, schemas } from '@plesion/contract';
import { useQuery } from '@tanstack/react-query';
import { api, queryClient } from '../../lib/api';
import { omit } from '../../lib/omit';
import { plainKind } from '../../lib/plainKind';
import { createDrafts } from '../../lib/drafts';
import { type Drafted, useDraftOf } from '../../lib/useDraftOf';
import { useSession } from '../session/useSession';

// Fields of a newer server are sent back as they came.
const lotKind = plainKind((lot: Lot): LotWrite => omit(lot, 'id', 'createdAt', 'updatedAt'));

/** The lots worked on, on this device. */
export const lotDrafts = createDrafts<LotWrite, Lot>({
  name: 'lot',
  schema: schemas.LotWrite,
  kind: lotKind,
  send: (id, body) => api('writeLot', { params: { id }, body }),
  onSaved(lot) {
    queryClient.setQueryData(['lot', lot.id], lot);
    void queryClient.invalidateQueries({ queryKey: ['lots'] });
  },
});

export const useLotDraft = (id: string): Drafted<LotWrite, Lot> =>
  useDraftOf(lotDrafts, useSession().station.id, id, 'lot', (signal) => api('lot', { params: { id } }, signal));

export const useLots = () => useQuery({ queryKey: ['lots'], queryFn: ({ signal }) => api('lots', {}, signal) });
