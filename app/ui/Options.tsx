import { createContext, type ReactNode, useContext } from 'react';
import { Pressable, type StyleProp, View, type ViewStyle } from 'react-native';
import { useRoving } from './roving';

const Many = createContext(false);

interface OptionsProps {
  label: string;
  /** May several be chosen? */
  many?: boolean;
  children: ReactNode;
  style?: StyleProp<ViewStyle>;
}

/** What one chooses from, all in sight: one of them, or several. */
export function Options({ label, many = false, children, style }: OptionsProps) {
  return (
    <View {...useRoving()} role={many ? 'group' : 'radiogroup'} aria-label={label} style={style}>
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
