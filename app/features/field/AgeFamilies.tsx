import type { SheetWrite } from '@plesion/contract';
import { AGE_FAMILIES, type AgeFamily, convertAge } from '@plesion/core/fieldwork';
import { useState } from 'react';
import { View } from 'react-native';
import { today } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { familyTyped, writtenFamily } from './ageFamily';

interface AgeFamiliesProps {
  families: readonly AgeFamily[];
  family: string;
  onChange: (change: (now: Pick<SheetWrite, 'family' | 'families'>) => Partial<SheetWrite>) => void;
}

/** The family that ages are written in, what its codes say in another, and families of the station's own. */
export function AgeFamilies({ families, family, onChange }: AgeFamiliesProps) {
  const own = families.find(({ id }) => id === family) ?? AGE_FAMILIES[0];
  return (
    <Card title="Codes of age">
      <ChoiceGroup
        label="Family"
        hideLabel
        options={families.map(({ id, label }) => ({ id, label }))}
        chosen={[family]}
        onChange={([next]) => onChange(() => ({ family: next }))}
      />
      {own.codes.map(({ code, label }) => (
        <Text key={code} size="small">{`${code}: ${label}`}</Text>
      ))}
      <Text size="small" quiet>
        {`They turn over on ${own.reference.split('-').reverse().join('.')}.`}
      </Text>
      <Disclosure title="The same in another family">
        <Convert families={families} family={own} />
      </Disclosure>
      <Disclosure title="A family of the station’s own">
        <OwnFamily
          families={families}
          onKeep={(kept) =>
            onChange((now) => ({ family: kept.id, families: [...now.families.filter(({ id }) => id !== kept.id), kept] }))
          }
        />
      </Disclosure>
    </Card>
  );
}

/** A code on a day in another family, or why there is none. */
function Convert({ families, family }: { families: readonly AgeFamily[]; family: AgeFamily }) {
  const others = families.filter(({ id }) => id !== family.id);
  const [code, setCode] = useState<string>();
  const [to, setTo] = useState<string>();
  const [day, setDay] = useState(today());
  const target = others.find(({ id }) => id === to) ?? others[0];
  const known = family.codes.some((one) => one.code === code) ? code : undefined;
  const right = /^\d{4}-\d\d-\d\d$/.test(day) && !Number.isNaN(Date.parse(day));
  const found = known && target && right ? convertAge({ family: family.id, code: known }, target.id, day, families) : undefined;
  return (
    <View>
      <ChoiceGroup
        label="Code"
        options={family.codes.map((one) => ({ id: one.code, label: one.code }))}
        chosen={known ? [known] : []}
        onChange={([next]) => setCode(next)}
      />
      {others.length > 1 && (
        <ChoiceGroup
          label="In"
          options={others.map(({ id, label }) => ({ id, label }))}
          chosen={target ? [target.id] : []}
          onChange={([next]) => setTo(next)}
        />
      )}
      <TextField
        label="On"
        value={day}
        onChangeText={setDay}
        maxLength={10}
        problem={right ? undefined : 'Write the day as 2026-05-12.'}
      />
      {found && (
        <Text role="status" strong={found.ok}>
          {found.ok ? `${known} is ${found.value.codes.join(' or ')} in the ${target.label}.` : found.problems[0].message}
        </Text>
      )}
    </View>
  );
}

function OwnFamily({ families, onKeep }: { families: readonly AgeFamily[]; onKeep: (family: AgeFamily) => void }) {
  const own = families.find(({ id }) => !AGE_FAMILIES.some((known) => known.id === id));
  const [label, setLabel] = useState(own?.label ?? '');
  const [reference, setReference] = useState(own?.reference ?? '01-01');
  const [codes, setCodes] = useState(own ? writtenFamily(own) : '');
  const [said, setSaid] = useState<string>();
  const keep = () => {
    const read = familyTyped({ id: own?.id, label, reference, codes }, families);
    setSaid(read.ok ? `Kept: ${read.value.label}, with ${read.value.codes.length} codes.` : read.problems[0].message);
    if (read.ok) onKeep(read.value);
  };
  return (
    <View>
      <TextField label="What it is called" value={label} onChangeText={setLabel} maxLength={120} />
      <TextField
        label="Day on which its codes turn over"
        value={reference}
        onChangeText={setReference}
        maxLength={5}
        placeholder="05-01"
      />
      <TextField
        label="Its codes, one a line"
        value={codes}
        onChangeText={setCodes}
        multiline
        placeholder={'J; hatched this year; 0; 0\nA; older; 1'}
        hint="Code; what it says; reference days passed at least; at most, where there is a most."
      />
      {said && (
        <Text role="status" size="small">
          {said}
        </Text>
      )}
      <Button label="Save the family" onPress={keep} />
    </View>
  );
}
