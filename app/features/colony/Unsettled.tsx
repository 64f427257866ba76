import { useSyncExternalStore } from 'react';
import type { Drafts } from '../../lib/drafts';
import { outbox } from '../../lib/outbox/outbox';
import { RecordTrouble } from '../records/SavingTrouble';
import { useSession } from '../session/useSession';

interface Props<C extends { version: number }, S extends { version: number }> {
  drafts: Drafts<C, S>;
  id: string;
  /** `individual`, `pairing`. */
  what: string;
}

/** What only this device has of a record of the book, and what needs doing about it. */
export function Unsettled<C extends { version: number }, S extends { version: number }>({ drafts, id, what }: Props<C, S>) {
  const station = useSession().station.id;
  useSyncExternalStore(outbox().subscribe, outbox().get);
  const draft = drafts.keptContent(station, id) && drafts.draftOf(station, id);
  return draft ? <Trouble {...{ draft, what }} /> : null;
}

function Trouble<C, S>({ draft, what }: { draft: Parameters<typeof RecordTrouble<C, S>>[0]['draft']; what: string }) {
  const state = useSyncExternalStore(draft.subscribe, draft.get);
  return (
    <RecordTrouble
      draft={draft}
      state={state}
      what={what}
      sayThere={() => 'Keep what was written here on top of it, or take what stands there.'}
      offline="Kept on this device, and sent when the server can be reached. What follows from it is worked out then."
      again
    />
  );
}
