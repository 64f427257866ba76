import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { useKeptScroll } from '../lib/keptScroll';
import { colour, space, useWide } from '../theme';
import { useTight } from '../theme/appearance';

interface ScreenProps {
  children: ReactNode;
  /** Stays in sight below the scrolled part. */
  foot?: ReactNode;
  /** The foot makes itself small where there is little room; one that does not ends the scrolled part then. */
  footFolds?: boolean;
  /** Widest the column grows on a wide screen. */
  widest?: number;
}

/** One scrolled column with an optional foot. */
export function Screen({ children, foot, footFolds, widest = 860 }: ScreenProps) {
  const wide = useWide();
  const tight = useTight();
  const fixed = footFolds || !tight;
  return (
    <View style={styles.fill}>
      <ScrollView
        ref={useKeptScroll()}
        style={styles.fill}
        contentContainerStyle={[styles.content, wide && styles.wide, { maxWidth: widest }]}
      >
        {children}
        {foot && !fixed && <View>{foot}</View>}
      </ScrollView>
      {foot && fixed && (
        <View style={styles.foot}>
          <View style={[styles.column, { maxWidth: widest - 2 * (wide ? space.xl : space.m) }]}>{foot}</View>
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1, backgroundColor: colour.mist },
  content: { padding: space.m, gap: space.m, width: '100%', alignSelf: 'center', paddingBottom: space.xxl },
  wide: { padding: space.xl, gap: space.l },
  column: { width: '100%', alignSelf: 'center' },
  foot: { backgroundColor: colour.sheet, borderTopWidth: 1, borderColor: colour.hairline, padding: space.m },
});
