import type { Draft as AnyDraft, DraftState as AnyState } from '../../lib/draft';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import type { Draft, DraftState } from './draft';

interface TroubleProps<C, S> {
  draft: AnyDraft<C, S>;
  state: AnyState<C, S>;
  /** `specimen`, `lot`, `key`. */
  what: string;
  /** What stands on the other side, in a sentence. */
  sayThere: (stored: S) => string;
  /** What is said without a connection; nothing where it is sent by hand. */
  offline?: string;
  /** How to keep what is here. */
  mine?: string;
  /** Can a refusal be tried again from here? */
  again?: boolean;
}

/** What needs doing about saving a record of any kind: a refusal, no room, no connection, a conflict. */
export function RecordTrouble<C, S>({ draft, state, what, sayThere, offline, mine, again }: TroubleProps<C, S>) {
  const { saving, unkept } = state;
  const send = () => void draft.flush();
  if (saving.at === 'saved') return null;
  if (saving.at === 'refused') {
    return (
      <Notice
        kind="problem"
        title="The station’s server did not take this"
        action={again && <Button small label="Try again" onPress={send} />}
      >
        {`${saving.message} ${unkept ? 'This device has no room for it either: leave this page open.' : 'It is kept on this device.'}`}
      </Notice>
    );
  }
  if (saving.at === 'conflict') {
    return (
      <Notice kind="problem" title={`This ${what} was changed elsewhere`}>
        <Text size="small">{sayThere(saving.stored)}</Text>
        <Row padTop="s" oneLine>
          <Button small label={mine ?? 'Keep mine'} onPress={() => void draft.settle('mine')} />
          <Button small label="Use theirs" onPress={() => void draft.settle('stored')} />
        </Row>
      </Notice>
    );
  }
  if (unkept) return <NoRoom onSend={send} />;
  if (saving.at !== 'kept-here' || !offline) return null;
  return (
    <Notice kind="note" title="No connection" action={<Button small label="Send now" onPress={send} />}>
      {offline}
    </Notice>
  );
}

/** {@link RecordTrouble} of a specimen. */
export const SavingTrouble = ({ draft, state }: { draft: Draft; state: DraftState }) => (
  <RecordTrouble
    draft={draft}
    state={state}
    what="specimen"
    sayThere={({ readings, summary }) =>
      `Here: ${state.content.readings.length} readings. There: ${readings.length} readings, ${summary.name}. Names given on either side stay in the history.`
    }
    offline="Everything is kept on this device and sent when the server can be reached."
    again
  />
);

/** Nothing is promised that the device does not hold. */
function NoRoom({ onSend }: { onSend: () => void }) {
  return (
    <Notice kind="problem" title="This device has no room" action={<Button small label="Send now" onPress={onSend} />}>
      Your last changes are not kept on it. Leave this page open until they are sent, or make room.
    </Notice>
  );
}
