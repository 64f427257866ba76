import type { NamesTried } from '@plesion/contract/guideVersions';
import { inHundred } from '@plesion/core/evidence';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { FirstOf } from '../../ui/FirstOf';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { WorkProgress } from '../../ui/WorkProgress';
import { useNamesTried } from './useNamesTried';

interface Props {
  /** What the names are tried on: `this draft`. */
  on: string;
  ask: (after: string | undefined, signal: AbortSignal) => Promise<NamesTried>;
}

/** Names given with earlier versions, tried on another one: which it would call otherwise. Nothing of it is kept. */
export function NamesTriedCard({ on, ask }: Props) {
  const { trial, start, stop } = useNamesTried(ask);
  const { state, tried, total, changed, error } = trial;
  const label = state === 'none' ? 'Try them' : 'Try them again';
  return (
    <Card title="Names given so far">
      <Text quiet>Each record stays on the version it was named with. Here it is seen what {on} says of the same readings.</Text>
      {error && <Failed error={error} retry={start} />}
      {state === 'running' ? (
        <WorkProgress what="Trying the records" share={total ? tried / total : 0} onCancel={stop} />
      ) : (
        <Row>
          <Button label={label} hint={`${label}: the records, on ${on}`} onPress={start} />
        </Row>
      )}
      {(state === 'done' || tried > 0) && (
        <Text strong role="status">
          {sayTrial(trial)}
        </Text>
      )}
      <FirstOf of={changed} keyOf={({ id }) => id} what="records">
        {(one) => <Changed {...one} />}
      </FirstOf>
    </Card>
  );
}

function sayTrial({ state, tried, total, changed }: { state: string; tried: number; total: number; changed: object[] }): string {
  if (state === 'done' && total === 0) return 'No record was named with another version.';
  const so = state === 'done' ? `${total}` : `the first ${tried} of ${total}`;
  return changed.length === 0 ? `None of ${so} would change.` : `${changed.length} of ${so} would change.`;
}

const share = ({ p }: { p?: number }) => (p === undefined ? 'no name' : inHundred(p));

const Changed = ({ id, label, version, then, now, left }: NamesTried['changed'][number]) => (
  <LinkBox href={`/specimens/${id}`} gap="hair" padY="s" ruled="above">
    <Text strong>{label}</Text>
    <Text>{`${then.name} → ${now.name}`}</Text>
    <Text size="small" quiet>
      {`version ${version}: ${share(then)}; now: ${share(now)}`}
      {left.length > 0 && `; what was read of ${left.join(', ')} counts no more`}
    </Text>
  </LinkBox>
);
