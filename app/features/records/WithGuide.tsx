import type { StoredGuide } from '@plesion/contract';
import type { ReactNode } from 'react';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { useGuide } from './useGuide';

/** A page of a guide: while it is fetched, when it cannot be, and once it is here. */
export function WithGuide({ id, what, children }: { id: string; what: string; children: (stored: StoredGuide) => ReactNode }) {
  const stored = useGuide(id);
  return (
    <AsyncScreen what={what} value={stored.data} error={stored.error} retry={() => void stored.refetch()}>
      {children}
    </AsyncScreen>
  );
}
