import type { Character } from '@plesion/core/guide';
import type { PracticeAnswer } from '@plesion/core/practice';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { numberOf } from '../../lib/numberOf';
import { space } from '../../theme';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { TextField } from '../../ui/TextField';

export type WentBy = NonNullable<PracticeAnswer['wentBy']>;

interface GoneByProps {
  /** Those that can be read from the drawing. */
  characters: readonly Character[];
  /** Of the part that was touched. */
  touched: readonly Character[];
  value?: WentBy;
  onChange: (value: WentBy | undefined) => void;
  /** The one that is asked about, and no other. */
  only?: boolean;
}

/** The mark that one goes by, before a name: which it is, and what is seen in it. */
export function GoneBy({ characters, touched, value, onChange, only }: GoneByProps) {
  const [typed, setTyped] = useState('');
  const offered = touched.length ? touched : characters;
  const chosen = characters.find(({ id }) => id === value?.character);
  const choose = (id: string) => {
    setTyped('');
    onChange(id === value?.character ? undefined : { character: id });
  };
  return (
    <View style={styles.group}>
      {!only && (
        <Picker
          label={touched.length ? 'What do you go by, there?' : 'What do you go by? Touch it on the picture, or choose it'}
          items={offered.map(({ id, label }) => ({ id, label }))}
          chosen={value?.character}
          onChange={choose}
          onClear={() => onChange(undefined)}
        />
      )}
      {chosen &&
        (chosen.states ? (
          <ChoiceGroup
            label={`${chosen.label}: what do you see?`}
            options={chosen.states.map(({ id, label }) => ({ id, label }))}
            chosen={typeof value?.says === 'string' ? [value.says] : []}
            onChange={([says]) => onChange({ character: chosen.id, says })}
          />
        ) : (
          <TextField
            label={`${chosen.label}: ${chosen.kind === 'count' ? 'how many?' : 'about how much?'}`}
            value={typed}
            unit={chosen.unit}
            inputMode="decimal"
            onChangeText={(text) => {
              setTyped(text);
              onChange({ character: chosen.id, says: numberOf(text) });
            }}
          />
        ))}
    </View>
  );
}

const styles = StyleSheet.create({ group: { gap: space.s } });
