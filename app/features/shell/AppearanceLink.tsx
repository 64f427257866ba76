import { Link } from 'expo-router';
import { Pressable, StyleSheet } from 'react-native';
import { colour, radius, space, TOUCH } from '../../theme';
import { Icon } from '../../ui/Icon';
import { Text } from '../../ui/Text';

/** To day or lamp light, larger letters, less motion. */
export function AppearanceLink({ small }: { small?: boolean }) {
  return (
    <Link href="/appearance" asChild>
      <Pressable accessibilityLabel="Appearance" style={StyleSheet.flatten([styles.link, small && styles.small])}>
        <Icon name="lamp" color={colour.quiet} />
        {!small && (
          <Text size="small" color={colour.quiet}>
            Appearance
          </Text>
        )}
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  link: {
    minHeight: TOUCH,
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    paddingHorizontal: space.m,
    borderRadius: radius.m,
  },
  small: { paddingHorizontal: 0, width: TOUCH, justifyContent: 'center' },
});
