import { cloneElement, type ReactElement } from 'react';

/** Stands in for the router's link in tests of screens: pressing its child goes there. */
export const linkTo =
  (go: (href: unknown) => void) =>
  ({ href, children }: { href: unknown; children: ReactElement<{ onPress?: () => void }> }) =>
    cloneElement(children, { onPress: () => go(href) });
