import { StyleSheet, View } from 'react-native';
import { space } from '../theme';
import { ChoiceChip } from './ChoiceChip';
import { Options } from './Options';
import { Text } from './Text';

interface ChoiceProps<T extends string> {
  label: string;
  options: readonly { id: T; label: string }[];
  /** One, or several where `many`. */
  chosen: readonly T[];
  onChange: (chosen: T[]) => void;
  many?: boolean;
  /** May the last one be taken back? */
  clearable?: boolean;
  hideLabel?: boolean;
}

/** A row of choices, all in sight. */
export function ChoiceGroup<T extends string>({ label, options, chosen, onChange, many, clearable, hideLabel }: ChoiceProps<T>) {
  const press = (id: T) => {
    const on = chosen.includes(id);
    if (many) onChange(on ? chosen.filter((c) => c !== id) : [...chosen, id]);
    else onChange(on && clearable ? [] : [id]);
  };
  return (
    <Options label={label} many={many} style={styles.group}>
      {!hideLabel && (
        <Text size="small" strong quiet>
          {label}
        </Text>
      )}
      <View style={styles.row}>
        {options.map(({ id, label: said }) => (
          <ChoiceChip key={id} on={chosen.includes(id)} label={said} onPress={() => press(id)} />
        ))}
      </View>
    </Options>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.xs + 2, maxWidth: '100%' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
