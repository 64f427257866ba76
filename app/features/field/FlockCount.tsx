import { type Amount, flock } from '@plesion/core/fieldwork';
import { useState } from 'react';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import type { CountProps } from './CountPage';
import { sayInterval } from './countWords';
import { felt } from './felt';
import { numberOf } from '../../lib/numberOf';
import { useKeptText } from '../../lib/useKeptText';

/** Several kinds at once, each counted, estimated in a range, or told as a share. */
export function FlockCount({ id, content, change }: CountProps) {
  const parts = content.flock ?? [];
  const [kind, setKind] = useKeptText(`kind.${id}`);
  const total = content.total?.how === 'shared' ? undefined : content.total;
  const found = parts.length ? flock(parts, total) : undefined;
  return (
    <>
      <Card title="Of all">
        <AmountEntry
          amount={total ?? { how: 'estimated', from: 0, to: 0 }}
          shares={false}
          onChange={(next) => change((now) => ({ ...now, total: next }))}
        />
        {total && (
          <Button
            small
            kind="quiet"
            label="All were not counted"
            onPress={() => change((now) => ({ ...now, total: undefined }))}
          />
        )}
      </Card>
      {parts.map((part, i) => (
        <Card key={i} title={part.kind} aside={found?.ok ? sayInterval(found.value.kinds[i].interval) : undefined}>
          <AmountEntry
            amount={part.amount}
            shares
            onChange={(amount) =>
              change((now) => ({ ...now, flock: now.flock?.map((one, k) => (k === i ? { ...one, amount } : one)) }))
            }
          />
          <Row justify="end">
            <Button
              small
              kind="quiet"
              label="Remove"
              hint={`Remove: ${part.kind}`}
              onPress={() => change((now) => ({ ...now, flock: now.flock?.filter((_, k) => k !== i) }))}
            />
          </Row>
        </Card>
      ))}
      <Card title="Another kind">
        <TextField label="Kind" value={kind} onChangeText={setKind} maxLength={120} />
        <Row justify="end">
          <Button
            small
            label="Add the kind"
            disabled={!kind.trim()}
            onPress={() => {
              change((now) => ({
                ...now,
                flock: [...(now.flock ?? []), { kind: kind.trim(), amount: { how: 'counted', n: 0 } }],
              }));
              setKind('');
            }}
          />
        </Row>
      </Card>
      {found && (
        <Card title="Together">
          {found.ok ? (
            <Text strong>{`${sayInterval(found.value.total)} in all`}</Text>
          ) : (
            <Text role="alert" color={colour.hazard}>
              {found.problems[0].message}
            </Text>
          )}
          <Text size="small" quiet>
            What the statements allow together: each kind bounds the whole, and the whole bounds each kind.
          </Text>
        </Card>
      )}
    </>
  );
}

const HOW = [
  { id: 'counted', label: 'counted' },
  { id: 'estimated', label: 'from–to' },
  { id: 'shared', label: 'share in 100' },
] as const;

interface AmountEntryProps {
  amount: Amount;
  shares: boolean;
  onChange: (amount: Amount) => void;
}

function AmountEntry({ amount, shares, onChange }: AmountEntryProps) {
  const [low, setLow] = useState(
    amount.how === 'counted' ? String(amount.n) : String(amount.how === 'estimated' ? amount.from : amount.fromPercent),
  );
  const [high, setHigh] = useState(
    amount.how === 'counted' ? '' : String(amount.how === 'estimated' ? amount.to : amount.toPercent),
  );
  const give = (how: Amount['how'], a: string, b: string) => {
    setLow(a);
    setHigh(b);
    const from = numberOf(a);
    const to = numberOf(b) ?? from;
    if (from === undefined || from < 0 || to === undefined || to > 1_000_000 || from > 1_000_000) return;
    if (how === 'counted') onChange({ how, n: Math.round(from) });
    else if (how === 'estimated') onChange({ how, from: Math.round(from), to: Math.round(to) });
    else if (to <= 100 && from <= 100) onChange({ how, fromPercent: from, toPercent: to });
  };
  const wrong = (text: string) => (text.trim() && numberOf(text) === undefined ? 'Write a number.' : undefined);
  return (
    <Stack>
      <ChoiceGroup
        label="How many"
        hideLabel
        options={shares ? HOW : HOW.slice(0, 2)}
        chosen={[amount.how]}
        onChange={([how]) => give(how, low, how === 'counted' ? '' : high || low)}
      />
      <Row gap="m" align="end">
        <TextField
          label={amount.how === 'counted' ? 'Number' : 'From'}
          unit={amount.how === 'shared' ? '%' : undefined}
          value={low}
          onChangeText={(text) => give(amount.how, text, high)}
          inputMode="numeric"
          problem={wrong(low)}
        />
        {amount.how !== 'counted' && (
          <TextField
            label="To"
            unit={amount.how === 'shared' ? '%' : undefined}
            value={high}
            onChangeText={(text) => give(amount.how, low, text)}
            inputMode="numeric"
            problem={wrong(high)}
          />
        )}
        {amount.how === 'counted' && (
          <Button
            label="+ 1"
            hint="+ 1: one more"
            onPress={() => {
              felt();
              give('counted', String((numberOf(low) ?? 0) + 1), '');
            }}
          />
        )}
      </Row>
    </Stack>
  );
}
