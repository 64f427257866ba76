import type { CountWrite } from '@plesion/contract';
import { CONDITIONS } from '@plesion/core/fieldwork';
import { useState } from 'react';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';

type One = NonNullable<CountWrite['expected']>[number];

interface ConditionNotesProps {
  individuals: readonly One[];
  onChange: (name: string, part: Pick<One, 'condition' | 'note'>) => void;
}

/** How single ones were, noted in passing. */
export function ConditionNotes({ individuals, onChange }: ConditionNotesProps) {
  const [name, setName] = useState<string>();
  const one = individuals.find((each) => each.name === name);
  const noted = individuals.filter(({ condition, note }) => condition ?? note);
  return (
    <Card title="How they were" aside={noted.length ? `${noted.length} noted` : undefined}>
      {noted.map(({ name: whose, condition, note }) => (
        <Text key={whose} size="small">{`${whose}: ${[condition, note].filter(Boolean).join(', ')}`}</Text>
      ))}
      <ChoiceGroup
        label="Of whom"
        clearable
        options={individuals.map((each) => ({ id: each.name, label: each.name }))}
        chosen={name ? [name] : []}
        onChange={([next]) => setName(next)}
      />
      {one && (
        <>
          <ChoiceGroup
            label={`Condition of ${one.name}`}
            clearable
            options={CONDITIONS.map((id) => ({ id, label: id }))}
            chosen={one.condition ? [one.condition] : []}
            onChange={([condition]) => onChange(one.name, { condition, note: one.note })}
          />
          <TextField
            label={`Note on ${one.name}`}
            value={one.note ?? ''}
            onChangeText={(note) => onChange(one.name, { condition: one.condition, note: note || undefined })}
            maxLength={400}
            placeholder="left claw gone, eats"
          />
        </>
      )}
    </Card>
  );
}
