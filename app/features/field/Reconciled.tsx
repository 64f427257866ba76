import type { Count } from '@plesion/contract';
import { byName, twoCounters } from '@plesion/core/fieldwork';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';

/** Hours within which two counts are of the same animals. */
const TOGETHER = 12;

const seenBy = (count: Count): string[] => (count.expected ?? []).filter(({ seen }) => seen).map(({ name }) => name);

/** Two people who counted the same, each by name on a device of their own: who saw whom, and how many there were. */
export function Reconciled({ counts: [one, other] }: { counts: readonly Count[] }) {
  if (!one?.expected || !other?.expected || one.by === other.by) return null;
  if (Math.abs(Date.parse(one.at) - Date.parse(other.at)) > TOGETHER * 3_600_000) return null;
  const [a, b] = [seenBy(one), seenBy(other)];
  const found = twoCounters(a, b);
  if (!found.ok || a.length === 0 || b.length === 0) return null;
  const { missing, surplus } = byName(a, b);
  const { n, interval, overlooks } = found.value;
  const share = (part: number | undefined) => `${Math.round((part ?? 0) * 100)} in 100`;
  return (
    <Notice kind="note" title={`${one.by} and ${other.by} counted the same`}>
      <Text size="small">
        {[
          missing.length > 0 && `Only ${one.by} saw ${missing.join(', ')}.`,
          surplus.length > 0 && `Only ${other.by} saw ${surplus.join(', ')}.`,
          missing.length + surplus.length === 0 && 'Both saw the very same ones.',
        ]
          .filter(Boolean)
          .join(' ')}
      </Text>
      <Text size="small">
        {`About ${n!.toFixed(1)} in all (95 %: ${interval[0]} to ${interval[1] ?? 'no upper bound'}; Chapman). ${one.by} overlooked ${share(overlooks[0])} of what ${other.by} saw, ${other.by} ${share(overlooks[1])}.`}
      </Text>
    </Notice>
  );
}
