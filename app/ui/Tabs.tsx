import { type ReactNode, useEffect, useId, useRef } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { colour, space, TOUCH, useWide } from '../theme';
import { useRoving } from './roving';
import { Text } from './Text';

interface TabsProps<T extends string> {
  /** What they are parts of, for a screen reader. */
  label: string;
  tabs: readonly { id: T; label: string }[];
  chosen: T;
  onChange: (id: T) => void;
  /** What the chosen one shows. */
  children: ReactNode;
}

/**
 * Parts of a page of which one is in sight, in one row that is pushed along where it is longer
 * than the page is wide (WAI-ARIA Authoring Practices, tabs: arrows go along, Space or Enter shows).
 */
export function Tabs<T extends string>({ label, tabs, chosen, onChange, children }: TabsProps<T>) {
  const id = useId();
  const { ref, onKeyDown } = useRoving();
  const along = useRef<ScrollView>(null);
  const wide = useWide();
  useEffect(() => {
    const row = ref.current as unknown;
    if (typeof HTMLElement === 'undefined' || !(row instanceof HTMLElement)) return;
    const tab = row.querySelector<HTMLElement>('[aria-selected=true]');
    // What comes before it stays partly in sight, so that one sees that there is more.
    if (tab) along.current?.scrollTo({ x: Math.max(0, tab.offsetLeft - LEAD), animated: false });
  }, [chosen, ref]);
  return (
    <>
      <ScrollView ref={along} horizontal showsHorizontalScrollIndicator={false} style={styles.along}>
        <View ref={ref} {...{ onKeyDown }} role="tablist" aria-label={label} style={styles.row}>
          {tabs.map((tab) => (
            <Pressable
              key={tab.id}
              role="tab"
              nativeID={`${id}-${tab.id}`}
              aria-selected={tab.id === chosen}
              aria-controls={tab.id === chosen ? `${id}-shown` : undefined}
              accessibilityLabel={tab.label}
              onPress={() => onChange(tab.id)}
              style={[styles.tab, wide && styles.tabWide, tab.id === chosen && styles.on]}
            >
              <Text
                size={wide ? 'small' : undefined}
                strong={tab.id === chosen}
                color={tab.id === chosen ? colour.kelp : colour.ink}
              >
                {tab.label}
              </Text>
            </Pressable>
          ))}
        </View>
      </ScrollView>
      <View
        role="tabpanel"
        nativeID={`${id}-shown`}
        aria-labelledby={`${id}-${chosen}`}
        style={[styles.shown, wide && styles.shownWide]}
      >
        {children}
      </View>
    </>
  );
}

/** How much is left in sight of what stands before the chosen one, px. */
const LEAD = 48;

const styles = StyleSheet.create({
  along: { flexGrow: 0, borderBottomWidth: 1, borderColor: colour.hairline },
  row: { flexDirection: 'row' },
  tab: {
    minHeight: TOUCH,
    justifyContent: 'center',
    paddingHorizontal: space.m,
    borderBottomWidth: 3,
    borderColor: 'transparent',
  },
  tabWide: { paddingHorizontal: space.s },
  on: { borderColor: colour.kelp },
  shown: { gap: space.m },
  shownWide: { gap: space.l },
});
