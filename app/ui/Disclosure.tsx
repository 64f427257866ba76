import { type ReactNode, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, space, TOUCH } from '../theme';
import { Text } from './Text';

/** More of something, where one asks for it. */
export function Disclosure({ title, open: first = false, children }: { title: string; open?: boolean; children: ReactNode }) {
  const [open, setOpen] = useState(first);
  return (
    <View style={styles.group}>
      <Pressable role="button" aria-expanded={open} accessibilityLabel={title} onPress={() => setOpen(!open)} style={styles.head}>
        <Text strong color={colour.kelp} aria-hidden>
          {open ? '–' : '+'}
        </Text>
        <Text strong color={colour.kelp} style={styles.title}>
          {title}
        </Text>
      </Pressable>
      {open && children}
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.s },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.s, minHeight: TOUCH },
  title: { flexShrink: 1 },
});
