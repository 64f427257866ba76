import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';

/** Stands over a specimen that was removed from the daybook. */
export const RemovedNotice = ({ onPutBack }: { onPutBack: () => void }) => (
  <Notice kind="note" title="Removed from the daybook" action={<Button small label="Restore" onPress={onPutBack} />}>
    It is kept and can be restored.
  </Notice>
);
