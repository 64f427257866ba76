import type { Character } from '@plesion/core/guide';
import type { PracticeAnswer } from '@plesion/core/practice';
import { useState } from 'react';
import { numberOf } from '../../lib/numberOf';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Picker } from '../../ui/Picker';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';

export type WentBy = NonNullable<PracticeAnswer['wentBy']>;

interface GoneByProps {
  /** Those that can be read from the drawing. */
  characters: readonly Character[];
  /** Of the part that was touched; undefined where nothing was. */
  touched?: readonly Character[];
  value?: WentBy;
  onChange: (value: WentBy | undefined) => void;
  /** The one that is asked about, and no other. */
  only?: boolean;
  /** Is it only to be named, and not read? */
  names?: boolean;
}

/** The mark that one goes by, before a name: which it is, and what is seen in it. */
export function GoneBy({ characters, touched, value, onChange, only, names }: GoneByProps) {
  const [typed, setTyped] = useState('');
  const chosen = characters.find(({ id }) => id === value?.character);
  /** Those of the part that was touched, and one that was chosen from the list. */
  const shown = chosen && !touched?.includes(chosen) ? [chosen] : (touched ?? []);
  const choose = (id: string | undefined) => {
    setTyped('');
    onChange(id === undefined ? undefined : { character: id });
  };
  return (
    <Stack>
      {!only && (
        <Text size="small" strong quiet>
          {touched?.length === 0
            ? 'Nothing is read there: touch a part of it, or choose from the list.'
            : names
              ? 'Touch the mark that decides.'
              : 'First: what do you go by? Touch it on the picture.'}
        </Text>
      )}
      {!only && shown.length > 0 && (
        <ChoiceGroup
          label="The mark"
          hideLabel
          clearable
          options={shown.map(({ id, label }) => ({ id, label }))}
          chosen={value ? [value.character] : []}
          onChange={([id]) => choose(id)}
        />
      )}
      {!only && (
        <Disclosure title={value ? 'Another mark' : 'Or choose it from the list'}>
          <Picker
            label="Marks"
            items={characters.map(({ id, label }) => ({ id, label }))}
            chosen={value?.character}
            onChange={choose}
            onClear={() => choose(undefined)}
          />
        </Disclosure>
      )}
      {chosen &&
        !names &&
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
    </Stack>
  );
}
