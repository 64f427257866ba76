import { StyleSheet, View } from 'react-native';
import { Text } from './Text';

/**
 * Said by a screen reader when it changes, once what is being said has ended; seen by
 * nobody. For what the eye finds elsewhere on the page: a standing, a support, a count.
 */
export const Announce = ({ children }: { children: string }) => (
  <View role="status" aria-live="polite" style={styles.unseen}>
    <Text>{children}</Text>
  </View>
);

const styles = StyleSheet.create({
  unseen: { position: 'absolute', width: 1, height: 1, overflow: 'hidden', opacity: 0, pointerEvents: 'none' },
});
