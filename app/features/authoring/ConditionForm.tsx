import { SEX_METHODS, SEXES } from '@plesion/core/guide';
import { useState } from 'react';
import { numberOf } from '../../lib/numberOf';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { type Condition, CONDITION_KINDS } from './ruleWords';
import type { PartProps } from './WritingScreen';

interface Props {
  draft: PartProps['draft'];
  onAdd: (condition: Condition) => void;
  onClose: () => void;
}

type Typed = { kind?: Condition['kind']; character?: string; chosen: string[]; low: string; high: string };
const NOTHING: Typed = { chosen: [], low: '', high: '' };

/** One thing that a rule looks at in a catch. */
export function ConditionForm({ draft, onAdd, onClose }: Props) {
  const [typed, setTyped] = useState(NOTHING);
  const [problem, setProblem] = useState<string>();
  const { kind, character, chosen, low, high } = typed;
  const change = (part: Partial<Typed>) => setTyped({ ...typed, ...part });
  const told = draft.characters.filter(({ states }) => (kind === 'states') === (states !== undefined));
  const states = kind === 'states' ? draft.characters.find(({ id }) => id === character)?.states : undefined;
  const options: readonly { id: string; label: string }[] | undefined =
    kind === 'sex'
      ? SEXES.map((id) => ({ id, label: id }))
      : kind === 'sexBy'
        ? SEX_METHODS.map((id) => ({ id, label: id.replace('-', ' ') }))
        : states;
  const add = () => {
    const made = conditionOf(typed);
    if (typeof made === 'string') return setProblem(made);
    onAdd(made);
  };
  return (
    <Stack>
      <ChoiceGroup
        label="What it looks at"
        options={(Object.keys(CONDITION_KINDS) as Condition['kind'][]).map((id) => ({ id, label: CONDITION_KINDS[id] }))}
        chosen={kind ? [kind] : []}
        onChange={([next]) => setTyped({ ...NOTHING, kind: next })}
      />
      {(kind === 'states' || kind === 'value') &&
        (told.length ? (
          <>
            <Text size="small" strong quiet>
              Which character
            </Text>
            <Picker
              label="Which character"
              items={told}
              chosen={character}
              onChange={(next) => change({ character: next, chosen: [] })}
            />
          </>
        ) : (
          <Text quiet>{kind === 'states' ? 'No character is told by states yet.' : 'No character is measured yet.'}</Text>
        ))}
      {options && (
        <ChoiceGroup many label="Any of" options={options} chosen={chosen} onChange={(next) => change({ chosen: next })} />
      )}
      {(kind === 'value' || kind === 'mass' || kind === 'age') && (
        <Row>
          <TextField
            label={kind === 'age' ? 'From' : 'Over'}
            value={low}
            inputMode="decimal"
            onChangeText={(text) => change({ low: text })}
          />
          <TextField
            label={kind === 'age' ? 'To' : 'Under'}
            value={high}
            inputMode="decimal"
            onChangeText={(text) => change({ high: text })}
          />
        </Row>
      )}
      {kind === 'age' && <Text quiet>Reference days passed since it hatched, as its code says: 0 for the year’s young.</Text>}
      {problem && <Text role="alert">{problem}</Text>}
      <Row>
        <Button small label="Add this" disabled={!kind} onPress={add} />
        <Button small kind="quiet" label="Cancel" onPress={onClose} />
      </Row>
    </Stack>
  );
}

/** What was put together, or what is to be done before it is a condition. */
function conditionOf({ kind, character, chosen, low, high }: Typed): Condition | string {
  if ((kind === 'states' || kind === 'value') && !character) return 'Choose a character.';
  if ((kind === 'states' || kind === 'sex' || kind === 'sexBy') && chosen.length === 0) return 'Choose one at the least.';
  const [least, most] = [numberOf(low), numberOf(high)];
  if ((low.trim() && least === undefined) || (high.trim() && most === undefined)) return 'Write a number, such as 28.4.';
  const bounds = { ...(least === undefined ? {} : { over: least }), ...(most === undefined ? {} : { under: most }) };
  if ((kind === 'value' || kind === 'mass') && least === undefined && most === undefined) return 'Say over or under what.';
  if (least !== undefined && most !== undefined && (kind === 'age' ? most < least : most <= least))
    return 'The second is to be more than the first.';
  if (kind === 'age' && [least, most].some((one) => one !== undefined && !(Number.isInteger(one) && one >= 0)))
    return 'An age is a whole number, from 0 on.';
  switch (kind) {
    case 'states':
      return { kind, character: character!, states: chosen };
    case 'value':
      return { kind, character: character!, ...bounds };
    case 'mass':
      return { kind, ...bounds };
    case 'age':
      return { kind, ...(least === undefined ? {} : { from: least }), ...(most === undefined ? {} : { to: most }) };
    case 'sex':
      return { kind, sexes: SEXES.filter((one) => chosen.includes(one)) };
    case 'sexBy':
      return { kind, methods: SEX_METHODS.filter((one) => chosen.includes(one)) };
    case undefined:
      return 'Choose what it looks at.';
  }
}
