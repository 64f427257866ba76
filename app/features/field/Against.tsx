import type { Capture } from '@plesion/contract';
import type { Contradiction } from '@plesion/core/fieldwork';
import { useState, useSyncExternalStore } from 'react';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { captureDrafts } from '../records/fieldDrafts';
import { RecordTrouble } from '../records/SavingTrouble';
import { useSession } from '../session/useSession';

interface AgainstProps {
  one: Contradiction;
  /** The later of the two captures, at which the reason is kept. */
  later: Capture;
}

const Why = z.object({ reason: z.string() });

/** Two captures that do not go together: both stand, with the reason once there is one. */
export function Against({ one: { code, message, resolved }, later }: AgainstProps) {
  const session = useSession();
  const [{ reason }, change, forget] = useKeptState(`against.${later.id}.${code}`, Why, { reason: '' });
  const [problem, setProblem] = useState<string>();
  const draft = captureDrafts.draftOf(session.station.id, later.id, later)!;
  const state = useSyncExternalStore(draft.subscribe, draft.get);
  if (resolved) return <Notice kind="note" title={message}>{`Settled: ${resolved}`}</Notice>;
  const settle = () => {
    if (!reason.trim()) return setProblem('Say why; nothing is overwritten.');
    const override = { what: code, reason: reason.trim(), by: session.account.name, at: new Date().toISOString() };
    draft.change((now) => ({ ...now, overrides: [...now.overrides, override] }));
    forget();
  };
  return (
    <Notice kind="problem" title={message}>
      <Text size="small">Neither is overwritten. Mend the one that is wrong, or say why both stand.</Text>
      <TextField
        label="Why both stand"
        value={reason}
        onChangeText={(text) => change({ reason: text })}
        problem={problem}
        maxLength={120}
      />
      <RecordTrouble
        draft={draft}
        state={state}
        what="catch"
        sayThere={() => 'There it stands otherwise.'}
        offline="The reason is kept on this device and sent when the server can be reached."
      />
      <Row justify="end">
        <Button small label="Settle it" onPress={settle} />
      </Row>
    </Notice>
  );
}
