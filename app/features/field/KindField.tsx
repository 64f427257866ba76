import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { kindCode, kindsOf } from './words';

/** Kinds that stand ready to be touched. */
const READY = 6;

interface KindFieldProps {
  guide: Guide;
  /** How often each was caught lately. */
  often: ReadonlyMap<string, number>;
  chosen?: string;
  onChange: (taxon: string | undefined) => void;
}

/** The kind: those caught most by one touch, any other by its name or its code. */
export function KindField({ guide, often, chosen, onChange }: KindFieldProps) {
  const [all, setAll] = useState(false);
  const kinds = kindsOf(guide)
    .map(({ id, name, vernacular }) => ({ id, label: vernacular ?? name, words: `${name} ${kindCode(name)}` }))
    .sort((a, b) => (often.get(b.id) ?? 0) - (often.get(a.id) ?? 0));
  const ready = kinds.filter(({ id }, i) => i < READY || id === chosen);
  return (
    <View style={styles.group}>
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
    </View>
  );
}

const styles = StyleSheet.create({ group: { gap: space.xs, alignItems: 'flex-start' } });
