import { createContext, type ReactNode, useContext } from 'react';
import { Pressable, type StyleProp, View, type ViewStyle } from 'react-native';
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

interface OptionProps {
  on: boolean;
  /** What a screen reader says; the words that are shown stand in it. */
  label: string;
  off?: boolean;
  onPress: () => void;
  children: ReactNode;
  style?: StyleProp<ViewStyle> | ((state: { pressed: boolean }) => StyleProp<ViewStyle>);
}

/** One of {@link Options}. */
export function Option({ on, label, off, onPress, children, style }: OptionProps) {
  const many = useContext(Many);
  return (
    <Pressable
      role={many ? 'checkbox' : 'radio'}
      aria-checked={on}
      accessibilityLabel={label}
      disabled={off}
      onPress={onPress}
      style={style}
    >
      {children}
    </Pressable>
  );
}
