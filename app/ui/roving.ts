import { useEffect, useRef } from 'react';
import type { View } from 'react-native';

/** What can be chosen, by its role: of radios and tabs one takes the Tab key, each checkbox takes it itself. */
const CHOICES = '[role=radio],[role=checkbox],[role=tab]';
const ROVING = '[role=radio],[role=tab]';

const STEPS: Record<string, 1 | -1> = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 };

const choicesOf = (group: HTMLElement, which = CHOICES) =>
  [...group.querySelectorAll<HTMLElement>(which)].filter((one) => one.getAttribute('aria-disabled') !== 'true');

const isChosen = (one: HTMLElement) => [one.ariaChecked, one.ariaSelected].includes('true');

/** Only this one of its group takes the Tab key. */
function stopAt(stop: HTMLElement | undefined, all: readonly HTMLElement[]): void {
  for (const one of all) one.tabIndex = one === stop ? 0 : -1;
}

/** As much of a key's event as is looked at. */
interface Key {
  key: string;
  target: unknown;
  preventDefault(): void;
}

/**
 * The keys of a group of choices (WAI-ARIA Authoring Practices, radio group and tabs):
 * one Tab stop, at what is chosen; arrows, Home and End go round without choosing;
 * Space chooses, and does not scroll the page. Enter is every part's own.
 */
export function useRoving() {
  const ref = useRef<View>(null);
  useEffect(() => {
    const group = ref.current as unknown;
    if (typeof HTMLElement === 'undefined' || !(group instanceof HTMLElement)) return;
    const all = choicesOf(group, ROVING);
    const held = all.find((one) => one === document.activeElement);
    stopAt(held ?? all.find(isChosen) ?? all[0], all);
  });
  const onKeyDown = (event: Key) => {
    const { target, key } = event;
    const group = ref.current as unknown;
    if (!(target instanceof HTMLElement) || !(group instanceof HTMLElement)) return;
    const at = target.closest<HTMLElement>(CHOICES);
    if (!at) return;
    if (key === ' ') {
      event.preventDefault();
      at.click();
      return;
    }
    const all = choicesOf(group);
    const to =
      key === 'Home' ? all[0] : key === 'End' ? all.at(-1) : STEPS[key] && all.at((all.indexOf(at) + STEPS[key]) % all.length);
    if (!to) return;
    event.preventDefault();
    const roving = choicesOf(group, ROVING);
    if (roving.includes(to)) stopAt(to, roving);
    to.focus();
  };
  return { ref, onKeyDown };
}
