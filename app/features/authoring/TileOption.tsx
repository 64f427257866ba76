import type { ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Option } from '../../ui/Options';
import { Text } from '../../ui/Text';

interface Props {
  on: boolean;
  /** What a screen reader says; what is shown begins it. */
  label: string;
  shown: string;
  onPress: () => void;
  /** The tile. */
  children: ReactNode;
}

/** A tile to choose, with its word below it. */
export const TileOption = ({ on, label, shown, onPress, children }: Props) => (
  <Option on={on} label={label} onPress={onPress} style={[styles.option, on && styles.on]}>
    {children}
    <Text size="small" strong={on} set="centre">
      {shown}
    </Text>
  </Option>
);

const styles = StyleSheet.create({
  option: {
    minWidth: 84,
    maxWidth: 140,
    alignItems: 'center',
    gap: 2,
    padding: space.xs,
    borderRadius: radius.s,
    borderWidth: 1.5,
    borderColor: colour.mist,
    backgroundColor: colour.paper,
  },
  on: { borderColor: colour.kelp, backgroundColor: colour.kelpWash },
});
