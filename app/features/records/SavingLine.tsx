import { StyleSheet, View } from 'react-native';
import { space } from '../../theme/index';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import type { Draft, DraftState } from './draft';

const SAID = {
  saved: 'Saved',
  waiting: 'Saving …',
  sending: 'Saving …',
  'kept-here': 'Kept on this device; will be sent',
  refused: 'Not saved',
  conflict: 'Changed elsewhere',
} as const;

/** Where the changes are, in two words. */
export function SavingLine({ state }: { state: DraftState }) {
  return (
    <Text size="small" quiet role="status" testID="saving">
      {state.unkept && state.saving.at !== 'saved' ? 'Not kept on this device' : SAID[state.saving.at]}
    </Text>
  );
}

/** What needs doing about saving: a refusal, a conflict, no connection. */
export function SavingTrouble({ draft, state }: { draft: Draft; state: DraftState }) {
  const { saving } = state;
  if (saving.at === 'refused') {
    return (
      <Notice
        kind="problem"
        title="The station’s server did not take this"
        action={<Button small label="Try again" onPress={() => void draft.flush()} />}
      >
        {`${saving.message} ${whereKept(state)}`}
      </Notice>
    );
  }
  if (state.unkept && saving.at !== 'saved' && saving.at !== 'conflict') return <NoRoom onSend={() => void draft.flush()} />;
  if (saving.at === 'kept-here') {
    return (
      <Notice kind="note" title="No connection" action={<Button small label="Send now" onPress={() => void draft.flush()} />}>
        Everything is kept on this device and sent when the server can be reached.
      </Notice>
    );
  }
  if (saving.at !== 'conflict') return null;
  const theirs = saving.stored;
  return (
    <Notice kind="problem" title="This specimen was changed elsewhere">
      <Text size="small">
        {`Here: ${state.content.readings.length} readings. There: ${theirs.readings.length} readings, ${theirs.summary.name}. Names given on either side stay in the history.`}
      </Text>
      <View style={styles.choices}>
        <Button small label="Keep mine" onPress={() => void draft.settle('mine')} />
        <Button small label="Take theirs" onPress={() => void draft.settle('stored')} />
      </View>
    </Notice>
  );
}

/** Where a refused change is now. */
export const whereKept = ({ unkept }: { unkept?: boolean }) =>
  unkept ? 'This device has no room for it either: leave this page open.' : 'It is kept on this device.';

/** Nothing is promised that the device does not hold. */
export function NoRoom({ onSend }: { onSend: () => void }) {
  return (
    <Notice kind="problem" title="This device has no room" action={<Button small label="Send now" onPress={onSend} />}>
      Your last changes are not kept on it. Leave this page open until they are sent, or make room.
    </Notice>
  );
}

const styles = StyleSheet.create({ choices: { flexDirection: 'row', gap: space.s, paddingTop: space.s } });
