import { type ReactNode, useEffect } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { colour, radius, space, TOUCH } from '../../theme';
import { Button } from '../../ui/Button';
import { Icon } from '../../ui/Icon';
import { Text } from '../../ui/Text';

/** A character pulled up over the bench on a phone. */
export function CharacterPanel({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  useEffect(() => {
    const press = (event: KeyboardEvent) => event.key === 'Escape' && onClose();
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [onClose]);
  return (
    <View style={styles.veil}>
      <Pressable accessibilityLabel="Close" style={styles.behind} onPress={onClose} />
      <View role="dialog" aria-modal aria-label={title} style={styles.panel}>
        <View style={styles.head}>
          <Text size="title" heading={2} style={styles.title}>
            {title}
          </Text>
          <Pressable role="button" accessibilityLabel="Close this character" onPress={onClose} style={styles.close}>
            <Icon name="close" color={colour.quiet} />
          </Pressable>
        </View>
        <ScrollView contentContainerStyle={styles.body}>{children}</ScrollView>
        <View style={styles.foot}>
          <Button kind="main" label="Done" onPress={onClose} />
        </View>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  veil: { ...StyleSheet.absoluteFill, justifyContent: 'flex-end' },
  behind: { ...StyleSheet.absoluteFill, backgroundColor: colour.shade },
  panel: { maxHeight: '92%', backgroundColor: colour.sheet, borderTopLeftRadius: radius.l, borderTopRightRadius: radius.l },
  head: { flexDirection: 'row', alignItems: 'center', paddingLeft: space.l, paddingRight: space.s, paddingTop: space.s },
  title: { flex: 1 },
  close: { width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center' },
  body: { padding: space.l },
  foot: { padding: space.m, borderTopWidth: 1, borderColor: colour.hairline },
});
