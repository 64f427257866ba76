import { type Lot, type LotWrite, schemas } from '@plesion/contract';
import { useQuery } from '@tanstack/react-query';
import { api, queryClient } from '../../lib/api';
import type { Kind } from '../../lib/draft';
import { omit } from '../../lib/omit';
import { createDrafts } from '../../lib/drafts';
import { type Drafted, useDraftOf } from '../../lib/useDraftOf';
import { useSession } from '../session/useSession';

// Fields of a newer server are sent back as they came.
const contentOf = (lot: Lot): LotWrite => omit(lot, 'id', 'createdAt', 'updatedAt');
const told = (lot: LotWrite) => JSON.stringify({ ...lot, version: 0 });

const lotKind: Kind<LotWrite, Lot> = {
  contentOf,
  same: (stored, sent) => told(contentOf(stored)) === told({ ...contentOf(stored), ...sent }),
  back: (target) => target,
  merge: (mine) => mine,
};

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
