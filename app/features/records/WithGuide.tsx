import type { StoredGuide } from '@plesion/contract';
import type { ReactNode } from 'react';
import { Screen } from '../../ui/Screen';
import { Failed, Loading } from '../../ui/states';
import { useGuide } from './useGuide';

/** A page of a guide: while it is fetched, when it cannot be, and once it is here. */
export function WithGuide({ id, what, children }: { id: string; what: string; children: (stored: StoredGuide) => ReactNode }) {
  const stored = useGuide(id);
  if (stored.error)
    return (
      <Screen>
        <Failed error={stored.error} retry={() => void stored.refetch()} />
      </Screen>
    );
  return stored.data ? children(stored.data) : <Loading what={what} />;
}
