import type { ReactNode } from 'react';
import { type GestureResponderEvent, Pressable, StyleSheet, View } from 'react-native';
import { colour, radius, space, TOUCH } from '../theme';
import { Spinner } from './Spinner';
import { Text } from './Text';

interface ButtonProps {
  label: string;
  onPress: () => void;
  /** `main` once a screen; `plain` beside it; `quiet` for what is rarely wanted. */
  kind?: 'main' | 'plain' | 'quiet';
  disabled?: boolean;
  busy?: boolean;
  icon?: ReactNode;
  /** What a screen reader says, where the label alone is too short. */
  hint?: string;
  small?: boolean;
}

const nothing = () => undefined;

const isSecondClick = (event?: GestureResponderEvent): boolean =>
  ((event?.nativeEvent as { detail?: number } | undefined)?.detail ?? 0) > 1;

export function Button({ label, onPress, kind = 'plain', disabled, busy, icon, hint, small }: ButtonProps) {
  const off = disabled || busy;
  return (
    <Pressable
      role="button"
      accessibilityLabel={hint ?? label}
      aria-disabled={off}
      aria-busy={busy}
      disabled={disabled}
      // One that is busy is not `disabled`: it keeps the focus, which would fall to the page.
      // The second click of a double one makes no second thing.
      onPress={busy ? nothing : (event) => (kind === 'main' && isSecondClick(event) ? undefined : onPress())}
      style={({ pressed }) => [
        styles.base,
        small && styles.small,
        styles[kind],
        pressed && pressedStyles[kind],
        disabled && styles.off,
      ]}
    >
      <View style={styles.row}>
        {busy ? <Spinner size="small" color={kind === 'main' ? colour.sheet : colour.kelp} /> : icon && <View>{icon}</View>}
        <Text strong style={styles.label} size={small ? 'small' : 'body'} color={kind === 'main' ? colour.sheet : colour.kelp}>
          {label}
        </Text>
      </View>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  base: {
    minHeight: TOUCH,
    borderRadius: radius.m,
    paddingHorizontal: space.l,
    justifyContent: 'center',
    alignItems: 'center',
    maxWidth: '100%',
    flexShrink: 1,
  },
  small: { paddingHorizontal: space.m },
  row: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  label: { flexShrink: 1 },
  main: { backgroundColor: colour.kelp },
  plain: { backgroundColor: colour.sheet, borderWidth: 1, borderColor: colour.hairline },
  quiet: { backgroundColor: 'transparent' },
  off: { opacity: 0.5 },
});

const pressedStyles = StyleSheet.create({
  main: { backgroundColor: colour.kelpDeep },
  plain: { backgroundColor: colour.kelpWash },
  quiet: { backgroundColor: colour.kelpWash },
});
