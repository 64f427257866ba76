import { overlooked, readTally, sexRatio, type SexTally, writeTally } from '@plesion/core/fieldwork';
import { useState } from 'react';
import { z } from 'zod';
import { colour } from '../../theme';
import { useKeptState } from '../../lib/useKeptState';
import { useKeptText } from '../../lib/useKeptText';
import { Announce } from '../../ui/Announce';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import type { CountProps } from './CountPage';
import { headsOf, sumOf } from './countWords';
import { ConditionNotes } from './ConditionNotes';
import { felt } from './felt';
import { numberOf } from '../../lib/numberOf';
import { inWords } from './words';

const SEXES = [
  ['males', 'male'],
  ['females', 'female'],
  ['unsexed', 'unsexed'],
] as const;

/** Head by head: a row for each stage or kind, a large button for each sex. */
export function InventoryCount({ id, content, change }: CountProps) {
  return (
    <>
      {content.tallies.map((tally, i) => (
        <Tally
          key={i}
          label={tally.label}
          tally={tally}
          onChange={(next) =>
            change((now) => ({ ...now, tallies: now.tallies.map((one, k) => (k === i ? { ...one, ...next } : one)) }))
          }
          onRemove={() => change((now) => ({ ...now, tallies: now.tallies.filter((_, k) => k !== i) }))}
        />
      ))}
      <AddRow
        id={id}
        onAdd={(label) => change((now) => ({ ...now, tallies: [...now.tallies, { label, males: 0, females: 0, unsexed: 0 }] }))}
      />
      <Ratio id={id} content={content} />
      <Expected id={id} content={content} change={change} />
      {content.expected && content.expected.length > 0 && (
        <ConditionNotes
          individuals={content.expected}
          onChange={(name, part) =>
            change((now) => ({ ...now, expected: now.expected?.map((one) => (one.name === name ? { ...one, ...part } : one)) }))
          }
        />
      )}
    </>
  );
}

interface TallyProps {
  label: string;
  tally: SexTally;
  onChange: (next: SexTally) => void;
  onRemove: () => void;
}

function Tally({ label, tally, onChange, onRemove }: TallyProps) {
  const { males, females, unsexed } = tally;
  const now = { males, females, unsexed };
  const [typed, setTyped] = useState<string>();
  const read = typed === undefined ? undefined : readTally(typed);
  return (
    <Card title={label} aside={writeTally(now)}>
      <Announce>{`${label}: ${writeTally(now)}`}</Announce>
      <Row oneLine>
        {SEXES.map(([sex, word]) => (
          <PressBox
            key={sex}
            role="button"
            onPress={() => {
              felt(sex === 'females');
              onChange({ ...now, [sex]: now[sex] + 1 });
            }}
            sinks
            fill
            leastTall={92}
            align="center"
            justify="center"
            ruled="round"
            ruledIn="kelp"
            thick
            round="m"
            tone="kelpWash"
          >
            <Text size="title" strong figures color={colour.kelp}>
              {now[sex]}
            </Text>
            <Text size="small">{word}</Text>
          </PressBox>
        ))}
      </Row>
      <Disclosure title="Write it instead">
        <TextField
          label="males.females.unsexed"
          value={typed ?? writeTally(now)}
          onChangeText={(text) => {
            setTyped(text);
            const found = readTally(text);
            if (found.ok) onChange(found.value);
          }}
          onBlur={() => setTyped(undefined)}
          problem={read && !read.ok ? read.problems[0].message : undefined}
          maxLength={24}
        />
        <Row justify="end" oneLine>
          <Button small kind="quiet" label="Remove the row" hint={`Remove the row: ${label}`} onPress={onRemove} />
        </Row>
      </Disclosure>
    </Card>
  );
}

function AddRow({ id, onAdd }: { id: string; onAdd: (label: string) => void }) {
  const [label, setLabel] = useKeptText(`row.${id}`);
  return (
    <Card title="Another row">
      <TextField
        label="Stage, kind or morph"
        value={label}
        onChangeText={setLabel}
        maxLength={120}
        placeholder="grown, young, pale …"
      />
      <Row justify="end" oneLine>
        <Button
          small
          label="Add the row"
          disabled={!label.trim()}
          onPress={() => {
            onAdd(label.trim());
            setLabel('');
          }}
        />
      </Row>
    </Card>
  );
}

const Ratios = z.object({ expected: z.string() });

/** Males among the sexed, against what is expected, with how it was reckoned. */
function Ratio({ id, content }: Pick<CountProps, 'id' | 'content'>) {
  const [{ expected }, change] = useKeptState(`ratio.${id}`, Ratios, { expected: '50' });
  const share = (numberOf(expected) ?? NaN) / 100;
  const found = sexRatio(sumOf(content), share);
  const percent = (value: number) => `${Math.round(value * 100)}`;
  if (headsOf(content) === 0) return null;
  return (
    <Card title="Sex ratio">
      {found.ok && found.value.share !== undefined ? (
        <>
          <Text strong>{`${percent(found.value.share)} in 100 are males (${found.value.interval!.map(percent).join('–')})`}</Text>
          <Text>{`Against ${expected} in 100: p = ${found.value.p! < 0.001 ? 'under 0.001' : found.value.p!.toPrecision(2)}`}</Text>
          {found.value.unsexed > 0 && (
            <Text size="small">
              {`${inWords(found.value.unsexed, 'head')} unsexed: ${percent(found.value.bounds![0])} if all were females, ${percent(found.value.bounds![1])} if all were males.`}
            </Text>
          )}
        </>
      ) : (
        <Text quiet>{found.ok ? 'Nothing is sexed yet.' : found.problems[0].message}</Text>
      )}
      <TextField
        label="Expected males in 100"
        value={expected}
        onChangeText={(next) => change({ expected: next })}
        inputMode="decimal"
        maxLength={5}
      />
      <Disclosure title="How it was reckoned">
        <Text size="small">
          Share of males among those sexed, with Wilson’s interval of 95 % (1927), and an exact two-sided binomial test against
          the share expected. Unsexed heads count in neither.
        </Text>
      </Disclosure>
    </Card>
  );
}

/** Who should be there: by name, or as a number of heads. */
function Expected({ id, content, change }: CountProps) {
  const [name, setName] = useKeptText(`expected.${id}`);
  const heads = headsOf(content);
  const expected = content.expected ?? [];
  const missing = expected.filter(({ seen }) => !seen);
  const chance = content.heads !== undefined && heads < content.heads ? overlooked(content.heads, heads, 0.02) : undefined;
  return (
    <Card title="Who should be there">
      {expected.length > 0 ? (
        <>
          <Text strong={missing.length > 0} color={missing.length ? colour.hazard : undefined}>
            {missing.length ? `Missing: ${missing.map((one) => one.name).join(', ')}` : 'All are there.'}
          </Text>
          <ChoiceGroup
            label="Seen"
            many
            options={expected.map((one) => ({ id: one.name, label: one.name }))}
            chosen={expected.filter(({ seen }) => seen).map((one) => one.name)}
            onChange={(seen) => {
              felt();
              change((now) => ({ ...now, expected: now.expected?.map((one) => ({ ...one, seen: seen.includes(one.name) })) }));
            }}
          />
        </>
      ) : (
        <TextField
          label="Heads expected"
          value={content.heads === undefined ? '' : String(content.heads)}
          onChangeText={(text) => {
            const value = numberOf(text);
            if (!text.trim()) change((now) => ({ ...now, heads: undefined }));
            else if (value !== undefined && Number.isInteger(value) && value >= 0 && value <= 1_000_000)
              change((now) => ({ ...now, heads: value }));
          }}
          inputMode="numeric"
          maxLength={7}
        />
      )}
      {content.heads !== undefined && expected.length === 0 && (
        <Text color={heads === content.heads ? undefined : colour.hazard}>
          {heads === content.heads
            ? 'The count is what was expected.'
            : heads < content.heads
              ? `${inWords(content.heads - heads, 'head')} missing.${chance?.ok ? ` If each is overlooked 2 times in 100, so many or more are missed ${sayChance(chance.value)}.` : ''}`
              : `${inWords(heads - content.heads, 'head')} more than expected.`}
        </Text>
      )}
      <Disclosure title="By name">
        <TextField label="A name" value={name} onChangeText={setName} maxLength={120} />
        <Row justify="end" oneLine>
          <Button
            small
            label="Add the name"
            disabled={!name.trim() || expected.some((one) => one.name === name.trim())}
            onPress={() => {
              change((now) => ({ ...now, expected: [...(now.expected ?? []), { name: name.trim(), seen: false }] }));
              setName('');
            }}
          />
        </Row>
      </Disclosure>
    </Card>
  );
}

const sayChance = (p: number): string =>
  p < 0.001
    ? 'under 1 time in 1000'
    : p < 0.01
      ? `${(p * 1000).toFixed(0)} times in 1000`
      : `${Math.round(p * 100)} times in 100`;
