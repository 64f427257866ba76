import { StyleSheet } from 'react-native';
import { colour, radius, space, TOUCH } from '../theme';
import { Option } from './Options';
import { Text } from './Text';

/** One of some {@link Options}, in words. */
export const ChoiceChip = ({ on, label, onPress }: { on: boolean; label: string; onPress: () => void }) => (
  <Option on={on} label={label} onPress={onPress} style={[styles.chip, on && styles.on]}>
    <Text size="small" strong={on} color={on ? colour.kelp : colour.ink}>
      {label}
    </Text>
  </Option>
);

const styles = StyleSheet.create({
  chip: {
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
