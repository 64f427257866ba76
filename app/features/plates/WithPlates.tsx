import type { StoredGuide } from '@plesion/contract';
import type { ReactNode } from 'react';
import { Empty } from '../../ui/states';
import { WithGuide } from '../records/WithGuide';
import { mainView } from './plates';

interface WithPlatesProps {
  id: string;
  what: string;
  /** What there is none of, where the guide draws nothing. */
  none: string;
  children: (stored: StoredGuide) => ReactNode;
}

/** A page of a guide that lives from its drawings; it says so where there are none. */
export function WithPlates({ id, what, none, children }: WithPlatesProps) {
  return (
    <WithGuide id={id} what={what}>
      {(stored) =>
        mainView(stored.guide) ? (
          children(stored)
        ) : (
          <Empty title={none}>Nothing of this guide is drawn: it names no body plan.</Empty>
        )
      }
    </WithGuide>
  );
}
