import { type ReactNode, useEffect, useLayoutEffect, useRef } from 'react';
import { type Text as NativeText, useWindowDimensions, View } from 'react-native';
import { omit } from '../lib/omit';
import { Text, type TextProps } from './Text';

interface OwnWords extends Omit<TextProps, 'heading' | 'children' | 'ref'> {
  children: string;
  /** What the page is called in the browser, where that is not its heading. */
  title?: string;
}

interface Drawn {
  /** A heading of more than words, a name for instance. */
  children: ReactNode;
  title: string;
}

/**
 * Where one came last: the first page of a visit leaves the focus where the browser puts it, and one that is left
 * before its heading is there counts as well.
 */
let lastPath = cameTo();

/** The page that a visit began with; the address may be another by the time that the first heading is drawn. */
function cameTo(): string | undefined {
  if (typeof performance === 'undefined' || !performance.getEntriesByType) return undefined;
  const [visit] = performance.getEntriesByType('navigation');
  return visit && new URL(visit.name).pathname;
}

/** The page on which something was put in focus last. */
let focusedOn: string | undefined;
if (typeof document !== 'undefined') document.addEventListener('focusin', () => (focusedOn = window.location.pathname), true);

/** Is somebody at something on the new page already: a field of it, or a link of the rail they went to while it was on its way? */
const isTaken = (path: string) => {
  const at = document.activeElement;
  return at != null && at !== document.body && (at.closest('main, [role=main]') != null || focusedOn === path);
};

/** The page whose heading went with the focus on it: the one that comes in its place has it then. */
let goneWithFocus: string | undefined;

/** Put the focus on the heading, where a page begins anew without another address. */
export function focusHeading(): void {
  if (typeof document === 'undefined') return;
  const heading = document.querySelector<HTMLElement>('h1, [role=heading][aria-level="1"]');
  if (!heading) return;
  focusOn(heading);
}

/** A heading takes the focus only when it is put there. */
export function focusOn(heading: HTMLElement, options?: FocusOptions): void {
  heading.tabIndex = -1;
  heading.focus(options);
}

/** The heading of a page, once on each: it gives the page its title, and takes the focus when one comes to it. */
export function PageHeading(props: OwnWords | Drawn) {
  const { width } = useWindowDimensions();
  const words = useRef<NativeText>(null);
  const drawn = useRef<View>(null);
  const title = props.title ?? props.children;
  useEffect(() => {
    if (typeof HTMLElement === 'undefined') return;
    document.title = `${String(title)} · Plesion`;
    const path = window.location.pathname;
    const moved = lastPath !== path || goneWithFocus === path;
    lastPath = path;
    goneWithFocus = undefined;
    const heading = (words.current ?? drawn.current) as unknown;
    if (!moved || !(heading instanceof HTMLElement) || isTaken(path)) return;
    focusOn(heading, { preventScroll: true });
  }, [title]);
  useLayoutEffect(() => {
    if (typeof HTMLElement === 'undefined') return;
    const heading = (words.current ?? drawn.current) as unknown;
    return () => {
      if (heading === document.activeElement) goneWithFocus = window.location.pathname;
    };
  }, []);
  if (isOwnWords(props)) {
    const { children, size = 'display', ...rest } = omit(props, 'title');
    return (
      <Text {...rest} ref={words} size={size} highest={fitting(children, width)} heading={1}>
        {children}
      </Text>
    );
  }
  return (
    <View ref={drawn} role="heading" aria-level={1}>
      {props.children}
    </View>
  );
}

const isOwnWords = (props: OwnWords | Drawn): props is OwnWords => typeof props.children === 'string';

/** As high as letters may be for the longest word to stay whole on a screen so wide, its margins and a button beside it taken off. */
const fitting = (words: string, width: number): number =>
  (width - 96) / (0.6 * Math.max(...words.split(/\s+/).map((word) => word.length)));
