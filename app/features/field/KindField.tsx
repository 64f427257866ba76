import type { GuideRow } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { Stack } from '../../ui/Stack';
import { kindCode, kindsOf } from './words';

/** Kinds that stand ready to be touched. */
const READY = 6;

/** The guides that catches may be recorded by. */
export interface Guides {
  rows: readonly GuideRow[];
  chosen: string;
  choose: (id: string) => void;
}

interface KindFieldProps {
  guide: Guide;
  /** How often each was caught lately. */
  often: ReadonlyMap<string, number>;
  chosen?: string;
  onChange: (taxon: string | undefined) => void;
  /** Absent where the catch is already of one. */
  guides?: Guides;
}

/** The kind: those caught most by one touch, any other by its name or its code, and those of another guide. */
export function KindField({ guide, often, chosen, onChange, guides }: KindFieldProps) {
  const [all, setAll] = useState(false);
  const [among, setAmong] = useState(false);
  const kinds = kindsOf(guide)
    .map(({ id, name, vernacular }) => ({ id, label: vernacular ?? name, words: `${name} ${kindCode(name)}` }))
    .sort((a, b) => (often.get(b.id) ?? 0) - (often.get(a.id) ?? 0));
  const ready = kinds.filter(({ id }, i) => i < READY || id === chosen);
  return (
    <Stack gap="xs" align="start">
      {all ? (
        <Picker label="Kind" items={kinds} chosen={chosen} onChange={onChange} onClear={() => onChange(undefined)} />
      ) : (
        <ChoiceGroup
          label="Kind"
          clearable
          options={ready}
          chosen={chosen ? [chosen] : []}
          onChange={([taxon]) => onChange(taxon)}
        />
      )}
      {kinds.length > ready.length && (
        <Button small kind="quiet" label={all ? 'The usual ones' : 'Another kind, or by its code'} onPress={() => setAll(!all)} />
      )}
      {guides && guides.rows.length > 1 && (
        <Button
          small
          kind="quiet"
          label={among ? `Stay with “${guide.title}”` : 'A kind of another guide'}
          hint={among ? undefined : `A kind of another guide than “${guide.title}”`}
          onPress={() => setAmong(!among)}
        />
      )}
      {guides && among && (
        <Picker
          label="Guide"
          items={guides.rows.map(({ id, title }) => ({ id, label: title }))}
          chosen={guides.chosen}
          onChange={(id) => {
            setAmong(false);
            if (id !== guides.chosen) guides.choose(id);
          }}
        />
      )}
    </Stack>
  );
}
