import { type ReactNode, useEffect, useRef } from 'react';
import { createPortal } from 'react-dom';
import { Platform, Pressable, ScrollView, StyleSheet, View, type ViewStyle } from 'react-native';
import { colour, radius, space, TOUCH } from '../theme';
import { Icon } from './Icon';
import { Text } from './Text';

interface DialogProps {
  title: string;
  onClose: () => void;
  children: ReactNode;
  /** Stays in sight below what is scrolled. */
  foot?: ReactNode;
}

const FOCUSABLE = 'a[href],button,input,textarea,select,[tabindex]:not([tabindex="-1"])';

/**
 * What is to be seen to before anything else (WAI-ARIA Authoring Practices, dialog): the
 * focus goes in, stays in, and comes back to where it was; Escape closes it, and what lies
 * behind can neither be touched nor read.
 */
export function Dialog({ title, onClose, children, foot }: DialogProps) {
  const panel = useRef<View>(null);
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    const element = panel.current as unknown;
    if (typeof HTMLElement === 'undefined' || !(element instanceof HTMLElement)) return;
    const before = document.activeElement;
    const rest = outside(element);
    for (const one of rest) one.inert = true;
    element.focus();
    const press = (event: KeyboardEvent) => {
      if (event.key === 'Escape') {
        event.stopPropagation();
        close.current();
      } else if (event.key === 'Tab') goRound(event, element);
    };
    element.addEventListener('keydown', press);
    return () => {
      element.removeEventListener('keydown', press);
      for (const one of rest) one.inert = false;
      if (before instanceof HTMLElement && before.isConnected) before.focus();
    };
  }, []);
  const shown = (
    <View style={styles.veil}>
      <Pressable aria-hidden tabIndex={-1} style={styles.behind} onPress={onClose} />
      <View ref={panel} role="dialog" aria-modal aria-label={title} tabIndex={-1} style={styles.panel}>
        <View style={styles.head}>
          <Text size="title" heading={2} style={styles.title}>
            {title}
          </Text>
          <Pressable role="button" accessibilityLabel={`Close ${title}`} onPress={onClose} style={styles.close}>
            <Icon name="close" color={colour.quiet} />
          </Pressable>
        </View>
        <ScrollView contentContainerStyle={styles.body}>{children}</ScrollView>
        {foot && <View style={styles.foot}>{foot}</View>}
      </View>
    </View>
  );
  // Over the whole page, whatever part of it opened the dialog.
  return Platform.OS === 'web' ? createPortal(shown, document.body) : shown;
}

/** All that lies beside the way from the dialog up to the page. */
function outside(dialog: HTMLElement): HTMLElement[] {
  const found: HTMLElement[] = [];
  for (let at: HTMLElement = dialog; at.parentElement && at !== document.body; at = at.parentElement)
    for (const sibling of at.parentElement.children)
      if (sibling !== at && sibling instanceof HTMLElement && !sibling.inert && sibling.getAttribute('aria-hidden') !== 'true')
        found.push(sibling);
  return found;
}

function goRound(event: KeyboardEvent, dialog: HTMLElement): void {
  const all = [...dialog.querySelectorAll<HTMLElement>(FOCUSABLE)].filter(
    (one) => one.offsetParent !== null && one.tabIndex >= 0,
  );
  const [first, last] = [all[0], all.at(-1)];
  const at = document.activeElement;
  const to = event.shiftKey ? (at === first || at === dialog ? last : undefined) : at === last ? first : undefined;
  if (!to) return;
  event.preventDefault();
  to.focus();
}

const styles = StyleSheet.create({
  veil: { ...StyleSheet.absoluteFill, position: 'fixed' as ViewStyle['position'], justifyContent: 'flex-end' },
  behind: { ...StyleSheet.absoluteFill, backgroundColor: colour.shade },
  panel: { maxHeight: '92%', backgroundColor: colour.sheet, borderTopLeftRadius: radius.l, borderTopRightRadius: radius.l },
  head: { flexDirection: 'row', alignItems: 'center', paddingLeft: space.l, paddingRight: space.s, paddingTop: space.s },
  title: { flex: 1 },
  close: { width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center' },
  body: { padding: space.l },
  foot: { padding: space.m, borderTopWidth: 1, borderColor: colour.hairline },
});
