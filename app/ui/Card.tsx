import type { ReactNode } from 'react';
import { StyleSheet, View, type ViewProps } from 'react-native';
import { colour, radius, space } from '../theme';
import { Text } from './Text';
import { useAtRest } from './useAtRest';

interface SheetProps extends Omit<ViewProps, 'children'> {
  children: ReactNode;
  title?: string;
  /** At the right of the title. */
  aside?: ReactNode;
}

/** A white sheet on the mist; with a title it is a region of its own. */
export function Card({ children, title, aside, style, ...rest }: SheetProps) {
  const atRest = useAtRest();
  return (
    <View {...rest} role={title ? 'region' : undefined} aria-label={title} style={[styles.sheet, style, atRest]}>
      {title && (
        <View style={styles.head}>
          <Text strong color={colour.kelp} heading={2} style={styles.title}>
            {title}
          </Text>
          {typeof aside === 'string' ? (
            <Text size="small" quiet>
              {aside}
            </Text>
          ) : (
            aside
          )}
        </View>
      )}
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  sheet: {
    backgroundColor: colour.sheet,
    borderRadius: radius.l,
    borderWidth: 1,
    borderColor: colour.edge,
    padding: space.l,
    gap: space.m,
  },
  head: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'space-between', alignItems: 'center', gap: space.m },
  title: { flexShrink: 1 },
});
