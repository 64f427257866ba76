import type { CaptureWrite } from '@plesion/contract';
import { sayDate } from '../../lib/dates';
import { Card } from '../../ui/Card';
import { Text } from '../../ui/Text';
import { NaturalMarkWords } from './NaturalMarkWords';

/** Natural marks as they were told last; what was told before and not since is said so. */
export function KnownBy({ seen }: { seen: readonly Pick<CaptureWrite, 'at' | 'naturalMarks'>[] }) {
  const told = seen.findLast(({ naturalMarks }) => naturalMarks?.length);
  if (!told) return null;
  return (
    <Card title="Known by" aside={sayDate(told.at)}>
      {told.naturalMarks!.map((mark) => (
        <NaturalMarkWords key={mark.id} mark={mark} />
      ))}
      {told !== seen.at(-1) && (
        <Text size="small" quiet>
          Not looked for at its last capture.
        </Text>
      )}
    </Card>
  );
}
