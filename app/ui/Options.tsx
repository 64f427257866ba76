import { createContext, type ReactNode, useContext } from 'react';
import { Pressable, type StyleProp, StyleSheet, View, type ViewStyle } from 'react-native';
import { colour } from '../theme';
import { type Placing, placed } from './placing';
import { useRoving } from './roving';

const Many = createContext(false);

interface OptionsProps extends Placing {
  label: string;
  /** May several be chosen? */
  many?: boolean;
  children: ReactNode;
  style?: StyleProp<ViewStyle>;
}

/** What one chooses from, all in sight: one of them, or several. */
export function Options(props: OptionsProps) {
  const [place, { label, many = false, children, style }] = placed(props);
  return (
    <View {...useRoving()} role={many ? 'group' : 'radiogroup'} aria-label={label} style={[place, style]}>
      <Many.Provider value={many}>{children}</Many.Provider>
    </View>
  );
}

interface OptionProps extends Placing {
  /** Has an edge, which tells whether it is chosen. */
  framed?: boolean;
  on: boolean;
  /** What a screen reader says; the words that are shown stand in it. */
  label: string;
  off?: boolean;
  onPress: () => void;
  children: ReactNode;
  style?: StyleProp<ViewStyle> | ((state: { pressed: boolean }) => StyleProp<ViewStyle>);
}

/** One of {@link Options}. */
export function Option(props: OptionProps) {
  const [place, { on, label, off, framed, onPress, children, style }] = placed(props);
  const many = useContext(Many);
  const look = [place, framed && styles.framed, framed && on && styles.on];
  return (
    <Pressable
      role={many ? 'checkbox' : 'radio'}
      aria-checked={on}
      accessibilityLabel={label}
      disabled={off}
      onPress={onPress}
      style={typeof style === 'function' ? (state) => [look, style(state)] : [look, style]}
    >
      {children}
    </Pressable>
  );
}

const styles = StyleSheet.create({
  framed: { borderWidth: 1, borderColor: colour.hairline },
  // Thicker within, so that nothing moves when one is chosen.
  on: { borderColor: colour.kelp, backgroundColor: colour.kelpWash, boxShadow: `inset 0 0 0 1px ${colour.kelp}` },
});
