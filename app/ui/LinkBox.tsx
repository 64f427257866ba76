import { type Href, Link } from 'expo-router';
import type { ReactNode } from 'react';
import { Pressable, type StyleProp, StyleSheet, type ViewStyle } from 'react-native';
import { TOUCH } from '../theme';
import { type Placing, placed } from './placing';

interface LinkBoxProps extends Placing {
  href: Href;
  /** What it is called where its words do not say enough; it begins with them. */
  label?: string;
  style?: StyleProp<ViewStyle>;
  testID?: string;
  children: ReactNode;
}

/** A row, a tile or a card that leads somewhere: a link with an address, to open, copy or open in another tab. */
export function LinkBox(props: LinkBoxProps) {
  const [place, { href, label, style, testID, children }] = placed(props);
  return (
    <Link href={href} asChild>
      <Pressable accessibilityLabel={label} testID={testID} style={StyleSheet.flatten([styles.box, place, style])}>
        {children}
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({ box: { minHeight: TOUCH } });
