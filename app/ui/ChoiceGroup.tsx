import { StyleSheet, View } from 'react-native';
import { colour, radius, space, TOUCH } from '../theme';
import { Option, Options } from './Options';
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
        {options.map((option) => {
          const on = chosen.includes(option.id);
          return (
            <Option
              key={option.id}
              on={on}
              label={option.label}
              onPress={() => press(option.id)}
              style={[styles.option, on && styles.on]}
            >
              <Text size="small" strong={on} color={on ? colour.kelp : colour.ink}>
                {option.label}
              </Text>
            </Option>
          );
        })}
      </View>
    </Options>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.xs + 2, maxWidth: '100%' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  option: {
    minHeight: TOUCH,
    maxWidth: '100%',
    paddingHorizontal: space.m + 2,
    justifyContent: 'center',
    borderRadius: radius.m,
    borderWidth: 1,
    borderColor: colour.hairline,
    backgroundColor: colour.sheet,
  },
  on: { borderColor: colour.kelp, borderWidth: 2, backgroundColor: colour.kelpWash, paddingHorizontal: space.m + 1 },
});
