import { useSyncExternalStore } from 'react';
import { useWindowDimensions } from 'react-native';
import { z } from 'zod';
import { device } from '../lib/device';
import { keptIn } from '../lib/kept';
import { createStore } from '../lib/store';
import { DAY, LAMP, type Palette } from './palette';

/** How the person wants to see things; kept on this device. */
const Appearance = z.object({
  light: z.enum(['day', 'lamp', 'device']).catch('day'),
  letters: z.enum(['usual', 'large', 'larger', 'twice']).catch('usual'),
  motion: z.enum(['device', 'less']).catch('device'),
  /** Does a single letter, digit or sign do something? */
  shortcuts: z.enum(['on', 'off']).catch('on'),
});
export type Appearance = z.infer<typeof Appearance>;

const KEY = 'plesion.look';
const kept = keptIn(device, KEY, Appearance);

/** How much larger letters are set. */
const SCALES: Record<Appearance['letters'], number> = { usual: 1, large: 1.2, larger: 1.45, twice: 2 };

const store = createStore<Appearance>(kept.read() ?? Appearance.parse({}));

const darkDevice = () => globalThis.matchMedia?.('(prefers-color-scheme: dark)').matches ?? false;
const isLamp = ({ light }: Appearance): boolean => light === 'lamp' || (light === 'device' && darkDevice());

const variables = (palette: Palette): string =>
  Object.entries(palette)
    .map(([name, value]) => `--${name}:${value}`)
    .join(';');

const STILL =
  'animation-duration:.01ms!important;animation-iteration-count:1!important;transition:none!important;scroll-behavior:auto!important';

/** How much larger letters need rows that break, and room for a word in each part that shares one (`ui/placing.ts`). */
const ROOM =
  ':root{--lines:nowrap;--word:0px;--letters:1}' +
  ':root[data-letters=larger],:root[data-letters=twice]{--lines:wrap;--word:120px}' +
  ':root[data-letters=twice]{--word:190px}' +
  Object.entries(SCALES)
    .map(([letters, scale]) => `:root[data-letters=${letters}]{--letters:${scale}}`)
    .join('');

/** Both looks as a sheet of styles; which is in force is an attribute of the page. */
const SHEET =
  `:root{${variables(DAY)};--plate:none;--photo:none;color-scheme:light}` +
  `:root[data-light=lamp]{${variables(LAMP)};--plate:invert(1) grayscale(.75) sepia(1) saturate(2.1) hue-rotate(-20deg) brightness(.8);--photo:sepia(.7) saturate(1.3) hue-rotate(-12deg) brightness(.5);color-scheme:dark}` +
  ROOM +
  `:focus-visible{outline:3px solid var(--kelp);outline-offset:2px}` +
  `:root[data-motion=less] *,:root[data-motion=less]{${STILL}}` +
  `@media (prefers-reduced-motion:reduce){*{${STILL}}}` +
  `body{background:var(--mist)!important}`;

/** Put the look in force, and keep to it: once, before the first screen. */
export function startAppearance(): void {
  if (typeof document === 'undefined' || document.getElementById('look')) return;
  const style = document.createElement('style');
  style.id = 'look';
  style.textContent = SHEET;
  document.head.append(style);
  apply();
  globalThis.matchMedia?.('(prefers-color-scheme: dark)').addEventListener?.('change', apply);
  // Another page of this device was set to another look: all follow.
  window.addEventListener('storage', ({ key }) => {
    if (key !== KEY) return;
    store.set(kept.read() ?? Appearance.parse({}));
    apply();
  });
}

function apply(): void {
  if (typeof document === 'undefined') return;
  const look = store.get();
  const { dataset } = document.documentElement;
  dataset.light = isLamp(look) ? 'lamp' : 'day';
  dataset.motion = look.motion;
  dataset.letters = look.letters;
}

export function setAppearance(change: Partial<Appearance>): void {
  store.set({ ...store.get(), ...change });
  apply();
  kept.keep(store.get());
}

export const useAppearance = (): Appearance => useSyncExternalStore(store.subscribe, store.get, store.get);

/** Is there little room for what stays in sight: large letters, or a small window? Bars fold then. */
export const useTight = (): boolean => {
  const { width, height } = useWindowDimensions();
  return useLetterScale() > 1.3 || height < 600 || width < 360;
};

/** By how much letters are to be set larger. */
export const useLetterScale = (): number => SCALES[useAppearance().letters];
