import { Text } from '../../ui/Text';
import type { DraftState } from './draft';

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
