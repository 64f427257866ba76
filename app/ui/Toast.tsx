import { createContext, type ReactNode, useCallback, useContext, useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../theme';
import { Button } from './Button';
import { Text } from './Text';

interface Said {
  /** What was done, such as "Removed: Snails of the pools". */
  text: string;
  undo: () => void;
}

const ToastContext = createContext<(said: Said) => void>(() => undefined);

/** Says that something was done which can be undone, until one goes elsewhere or puts it away. */
export const useToast = () => useContext(ToastContext);

interface ToastPlaceProps {
  /** Where one is: what was said on another page is said no more. */
  page: string;
  children: ReactNode;
}

/**
 * Where it is said: below the page, without a clock. What was pressed is often gone with what was removed; who went
 * by keys goes on from "Undo" then, and not from nowhere.
 */
export function ToastPlace({ page, children }: ToastPlaceProps) {
  const [said, setSaid] = useState<Said & { page: string }>();
  const ref = useRef<View>(null);
  const say = useCallback((next: Said) => setSaid({ ...next, page }), [page]);
  const shown = said?.page === page ? said : undefined;
  useEffect(() => {
    if (!shown || typeof HTMLElement === 'undefined') return undefined;
    const toast = ref.current as unknown;
    // What was pressed is taken away a moment after.
    const timer = setTimeout(() => {
      if (toast instanceof HTMLElement && document.activeElement === document.body)
        toast.querySelector<HTMLElement>('[role=button]')?.focus();
    }, 0);
    return () => clearTimeout(timer);
  }, [shown]);
  const away = () => setSaid(undefined);
  return (
    <ToastContext.Provider value={say}>
      {children}
      <View role="status" aria-live="polite" style={styles.place}>
        {shown && (
          <View ref={ref} style={styles.toast}>
            <Text size="small" color={colour.sheet} style={styles.text}>
              {shown.text}
            </Text>
            <Button
              small
              label="Undo"
              hint={`Undo: ${shown.text}`}
              onPress={() => {
                away();
                shown.undo();
              }}
            />
            <Button small label="Close" hint="Close: what was done stays done" onPress={away} />
          </View>
        )}
      </View>
    </ToastContext.Provider>
  );
}

const styles = StyleSheet.create({
  place: { alignItems: 'center', paddingHorizontal: space.s },
  toast: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.s,
    width: '100%',
    maxWidth: 640,
    marginVertical: space.s,
    padding: space.s,
    paddingLeft: space.m,
    borderRadius: radius.m,
    backgroundColor: colour.kelpDeep,
  },
  text: { flex: 1, minWidth: 160 },
});
