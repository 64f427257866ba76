import { Pressable, StyleSheet, View } from 'react-native';
import { colour, radius, space, TOUCH } from '../theme';
import { Words } from './Words';

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
export function Choice<T extends string>({ label, options, chosen, onChange, many, clearable, hideLabel }: ChoiceProps<T>) {
  const press = (id: T) => {
    const on = chosen.includes(id);
    if (many) onChange(on ? chosen.filter((c) => c !== id) : [...chosen, id]);
    else onChange(on && clearable ? [] : [id]);
  };
  return (
    <View role={many ? 'group' : 'radiogroup'} aria-label={label} style={styles.group}>
      {!hideLabel && (
        <Words size="small" strong quiet>
          {label}
        </Words>
      )}
      <View style={styles.row}>
        {options.map((option) => {
          const on = chosen.includes(option.id);
          return (
            <Pressable
              key={option.id}
              role={many ? 'checkbox' : 'radio'}
              aria-checked={on}
              accessibilityLabel={option.label}
              onPress={() => press(option.id)}
              style={[styles.option, on && styles.on]}
            >
              <Words size="small" strong={on} color={on ? colour.kelp : colour.ink}>
                {option.label}
              </Words>
            </Pressable>
          );
        })}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.xs + 2 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  option: {
    minHeight: TOUCH,
    paddingHorizontal: space.m + 2,
    justifyContent: 'center',
    borderRadius: radius.m,
    borderWidth: 1,
    borderColor: colour.hairline,
    backgroundColor: colour.sheet,
  },
  on: { borderColor: colour.kelp, borderWidth: 2, backgroundColor: colour.kelpWash, paddingHorizontal: space.m + 1 },
});
