import type { FieldSection } from '@plesion/core/guide';
import { CatchCondition } from '@plesion/core/guide/schema';
import { useState } from 'react';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { ConditionForm } from './ConditionForm';
import { freshId } from './freshId';
import { type Check, type Condition, sayCheck, sayCondition } from './ruleWords';
import type { PartProps } from './WritingScreen';

interface Props {
  /** Of the draft. */
  id: string;
  draft: PartProps['draft'];
  onChange: (part: Pick<FieldSection, 'checks'>) => void;
}

/** A rule as it is put together, kept over a reload: which, by its id, `new`, or none. */
const Typed = z.object({
  open: z.string(),
  says: z.string(),
  taxa: z.array(z.string()),
  when: z.array(CatchCondition),
  unless: z.array(CatchCondition),
});
type Typed = z.output<typeof Typed>;
const NOTHING: Typed = { open: '', says: '', taxa: [], when: [], unless: [] };
const NEW = 'new';

/** Rules that a catch is held against on the catch sheet: each by what it says, and when it is broken. */
export function ChecksCard({ id: draftId, draft, onChange }: Props) {
  const checks = draft.field?.checks ?? [];
  const [typed, change] = useKeptState(`rule.${draftId}`, Typed, NOTHING);
  const close = () => change(NOTHING);
  const put = (next: Check) => {
    onChange({
      checks: checks.some(({ id }) => id === next.id)
        ? checks.map((one) => (one.id === next.id ? next : one))
        : [...checks, next],
    });
    close();
  };
  const form = (id: string) => (
    <CheckForm key={id} draft={draft} typed={typed} change={change} id={id} onPut={put} onClose={close} />
  );
  return (
    <Card title="Held against a catch" aside={checks.length ? `${checks.length}` : undefined}>
      <Text quiet>
        What cannot well be, such as a wing too short for its age. Whoever holds the animal is told at once, and may say why it is
        so all the same.
      </Text>
      {checks.map((check) =>
        typed.open === check.id ? (
          form(check.id)
        ) : (
          <Row key={check.id} align="center">
            <Box fill={220}>
              <Text strong>{check.says}</Text>
              <Text size="small" quiet>
                {sayCheck(draft, check)}
              </Text>
            </Box>
            <Row>
              <Button
                small
                label="Change"
                hint={`Change: ${check.says}`}
                onPress={() => change({ ...NOTHING, ...check, open: check.id })}
              />
              <Button
                small
                kind="quiet"
                label="Remove"
                hint={`Remove: ${check.says}`}
                onPress={() => onChange({ checks: checks.filter(({ id }) => id !== check.id) })}
              />
            </Row>
          </Row>
        ),
      )}
      {typed.open === NEW && form(freshId('rule', checks))}
      {typed.open === '' && (
        <Row>
          <Button label="A new rule" onPress={() => change({ ...NOTHING, open: NEW })} />
        </Row>
      )}
    </Card>
  );
}

interface FormProps {
  draft: PartProps['draft'];
  typed: Typed;
  change: (part: Partial<Typed>) => void;
  id: string;
  onPut: (check: Check) => void;
  onClose: () => void;
}

function CheckForm({ draft, typed: { open, says, taxa, when, unless }, change, id, onPut, onClose }: FormProps) {
  const [problem, setProblem] = useState<string>();
  const done = () => {
    if (!says.trim()) return setProblem('Say in a sentence what is wrong then.');
    if (!when.length) return setProblem('Say when it is broken: one thing at the least.');
    onPut({
      ...{ id, says: says.trim(), when },
      ...(taxa.length ? { taxa } : {}),
      ...(unless.length ? { unless } : {}),
    });
  };
  return (
    <Stack>
      <TextField label="What it says" value={says} multiline maxLength={1000} onChangeText={(text) => change({ says: text })} />
      {draft.taxa.length > 0 && draft.taxa.length <= 40 && (
        <ChoiceGroup
          many
          label="Of which; of all where none is chosen"
          options={draft.taxa.map((one) => ({ id: one.id, label: one.name }))}
          chosen={taxa}
          onChange={(chosen) => change({ taxa: chosen })}
        />
      )}
      <Conditions label="Broken when all of this holds" draft={draft} of={when} onChange={(next) => change({ when: next })} />
      <Conditions label="Unless any of this holds" draft={draft} of={unless} onChange={(next) => change({ unless: next })} />
      {problem && <Text role="alert">{problem}</Text>}
      <Row>
        <Button kind="main" label={open === NEW ? 'Add the rule' : 'Save the rule'} onPress={done} />
        <Button kind="quiet" label="Cancel" onPress={onClose} />
      </Row>
    </Stack>
  );
}

interface ConditionsProps {
  label: string;
  draft: PartProps['draft'];
  of: readonly Condition[];
  onChange: (of: Condition[]) => void;
}

function Conditions({ label, draft, of, onChange }: ConditionsProps) {
  const [adding, setAdding] = useState(false);
  return (
    <Stack role="group" aria-label={label}>
      <Text size="small" strong quiet>
        {label}
      </Text>
      {of.map((one, i) => (
        <Row key={i} align="center">
          <Text fill={220}>{sayCondition(draft, one)}</Text>
          <Button
            small
            kind="quiet"
            label="Remove"
            hint={`Remove: ${sayCondition(draft, one)}`}
            onPress={() => onChange(of.filter((_, k) => k !== i))}
          />
        </Row>
      ))}
      {adding ? (
        <ConditionForm
          draft={draft}
          onAdd={(condition) => {
            onChange([...of, condition]);
            setAdding(false);
          }}
          onClose={() => setAdding(false)}
        />
      ) : (
        of.length < 12 && (
          <Row>
            <Button small label="Add one" hint={`Add one: ${label}`} onPress={() => setAdding(true)} />
          </Row>
        )
      )}
    </Stack>
  );
}
