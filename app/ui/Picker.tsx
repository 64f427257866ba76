import { plainText } from '@plesion/core/guide';
import { type ReactNode, useDeferredValue, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../theme';
import { ChoiceChip } from './ChoiceChip';
import { Option, Options } from './Options';
import type { Placing } from './placing';
import { Text } from './Text';
import { TextField } from './TextField';

/** From so many on one searches; below it all are in sight. */
const MANY = 12;

export interface PickerItem<T extends string> {
  id: T;
  label: string;
  /** What else it is found by. */
  words?: string;
}

interface PickerProps<T extends string> {
  label: string;
  items: readonly PickerItem<T>[];
  chosen?: T;
  onChange: (id: T) => void;
  /** What is chosen may be given up by choosing it again. */
  onClear?: () => void;
  /** What one looks like, and how it stands in its tile; its label in words, where absent. */
  draw?: (item: PickerItem<T>, on: boolean) => ReactNode;
  tile?: Placing;
}

/**
 * One of few or of many. Few are all in sight; of many those are that fit what is typed,
 * and the one that is chosen.
 */
export function Picker<T extends string>({ label, items, chosen, onChange, onClear, draw, tile }: PickerProps<T>) {
  const [text, setText] = useState('');
  const wanted = plainText(useDeferredValue(text)).split(/\s+/).filter(Boolean);
  const many = items.length > MANY;
  const fits = ({ label: own, words = '' }: PickerItem<T>) => {
    const said = plainText(`${own} ${words}`);
    return wanted.every((word) => said.includes(word));
  };
  const found = many ? items.filter(fits) : items;
  const shown = many ? found.slice(0, MANY) : found;
  const held = items.find(({ id }) => id === chosen);
  const all = held && !shown.includes(held) ? [held, ...shown] : shown;
  return (
    <View style={styles.group}>
      {many && (
        <TextField label={`${label}: find one of ${items.length}`} value={text} onChangeText={setText} autoCorrect={false} />
      )}
      {many && (
        <Text size="small" quiet role="status">
          {found.length === 0
            ? 'None is called so. Try fewer letters.'
            : found.length > shown.length
              ? `${found.length} fit, ${shown.length} are shown: add a letter`
              : `${found.length} ${found.length === 1 ? 'fits' : 'fit'}`}
        </Text>
      )}
      <Options label={label} style={styles.row}>
        {all.map((item) => {
          const on = item.id === chosen;
          const press = () => (on && onClear ? onClear() : onChange(item.id));
          if (!draw) return <ChoiceChip key={item.id} on={on} label={item.label} onPress={press} />;
          return (
            <Option key={item.id} on={on} label={item.label} onPress={press} framed round="m" {...tile}>
              {draw(item, on)}
            </Option>
          );
        })}
      </Options>
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
