import { Text } from '../../ui/Text';
import type { Bench } from '../analysis/useBench';
import { useMeasuringError } from '../analysis/useMoreRepeats';

/** That it is the measuring error, and not the animal, which keeps a name open; nothing where that is not so. */
export function MeasuringError({ bench }: { bench: Bench }) {
  const said = useMeasuringError(bench);
  return said ? (
    <Text size="small" testID="measuring-error">
      {said}
    </Text>
  ) : null;
}
