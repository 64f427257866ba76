import { type ReactNode, useEffect, useLayoutEffect, useRef } from 'react';
import { type StyleProp, StyleSheet, View, type ViewStyle } from 'react-native';
import { outOfSight } from './outOfSight';

/**
 * One row of a long list. All rows are in the page, so that the keyboard, a search of the
 * page and a screen reader find them; what is out of sight is neither laid out nor painted.
 */
export const LongRow = ({ height, style, children }: { height: number; style?: StyleProp<ViewStyle>; children: ReactNode }) => (
  <View style={[outOfSight(`auto ${height}px`), style]}>{children}</View>
);

const STOPS = 'main a[href], main button, [role=main] a[href], [role=main] button';

/** Where the end of a list goes with the focus on it, the focus goes on to the first of what has come. */
function onToNext(end: Element | null): void {
  if (!end?.contains?.(document.activeElement)) return;
  const stops = [...document.querySelectorAll<HTMLElement>(STOPS)];
  const last = stops.findLast(
    (stop) => stop.compareDocumentPosition(end) & Node.DOCUMENT_POSITION_FOLLOWING && !end.contains(stop),
  );
  requestAnimationFrame(() => {
    const now = [...document.querySelectorAll<HTMLElement>(STOPS)];
    (now[last ? now.indexOf(last) + 1 : 0] ?? last)?.focus();
  });
}

/** The end of what has come of a list; asks for more as soon as it is nearly in sight. */
export function ListEnd({ onNear, children }: { onNear: () => void; children?: ReactNode }) {
  const end = useRef<View>(null);
  const near = useRef(onNear);
  useEffect(() => {
    near.current = onNear;
  });
  useEffect(() => {
    const element = end.current as unknown as Element | null;
    if (!element || typeof IntersectionObserver === 'undefined') return;
    const watch = new IntersectionObserver(([{ isIntersecting }]) => isIntersecting && near.current(), { rootMargin: '600px' });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  useLayoutEffect(() => {
    const element = end.current as unknown as Element | null;
    return () => onToNext(element);
  }, []);
  return (
    <View ref={end} style={styles.end}>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({ end: { minHeight: 1 } });
