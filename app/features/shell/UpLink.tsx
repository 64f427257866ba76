import { Link, usePathname } from 'expo-router';
import { Pressable, StyleSheet } from 'react-native';
import { colour, space, TOUCH } from '../../theme';
import { Box } from '../../ui/Box';
import { Icon } from '../../ui/Icon';
import { Text } from '../../ui/Text';
import { upFrom } from './up';

/** On a phone, where the page belongs, and the way there: an installed application has no button for it. */
export function UpLink() {
  const up = upFrom(usePathname());
  if (!up) return null;
  return (
    <Box role="navigation" aria-label="Up" align="start" padX="xs" tone="mist">
      <Link href={up.href} asChild>
        <Pressable accessibilityLabel={`Up to ${up.label}`} style={styles.link}>
          <Icon name="up" size={20} color={colour.kelp} />
          <Text size="small" strong color={colour.kelp}>
            {up.label}
          </Text>
        </Pressable>
      </Link>
    </Box>
  );
}

const styles = StyleSheet.create({
  link: { minHeight: TOUCH, flexDirection: 'row', alignItems: 'center', gap: space.xs, paddingHorizontal: space.s },
});
