import type { Shape } from './protocolSchema';

/** Half the width at t of its length from its foot, in lengths. */
type Halves = (t: number) => number;

/** Widest at `at` of its length, where it is `half` a length wide to either side; `blunt` < 1 rounds its ends off. */
const widestAt = (at: number, half: number, blunt = 0.5): Halves => {
  const [a, b] = at < 0.5 ? [blunt, (blunt * (1 - at)) / at] : [(blunt * at) / (1 - at), blunt];
  const most = at ** a * (1 - at) ** b;
  return (t) => (half * t ** a * (1 - t) ** b) / most;
};

const PROFILES: Record<string, Halves> = {
  'a band': (t) => 0.1 * (1 - Math.abs(2 * t - 1) ** 8) ** 0.5,
  'a lance': widestAt(0.35, 0.12, 0.8),
  'an oval': widestAt(0.5, 0.3),
  'an egg': widestAt(0.36, 0.34),
  'a wedge': widestAt(0.74, 0.3, 0.45),
  'a diamond': (t) => 0.25 * (1 - Math.abs(2 * t - 1)),
};

/** Points to a side. */
const STEPS = 24;

const outlineOf = (half: Halves): Shape['points'] => {
  const side = (sign: number) =>
    Array.from({ length: STEPS }, (_, i): [number, number] => {
      // Closer together at the ends, where it is bent most.
      const t = 0.5 - 0.5 * Math.cos((Math.PI * (i + 1)) / (STEPS + 1));
      return [rounded(t), rounded(sign * half(t))];
    });
  return [[0, 0], ...side(1), [1, 0], ...side(-1).reverse()];
};

const rounded = (value: number): number => Math.round(value * 1e4) / 1e4;

/** Outlines with plain names that others can be held against, each begun at its foot and as long as 1. */
export const PLAIN_FORMS: readonly Shape[] = Object.entries(PROFILES).map(([label, half]) => ({
  label,
  points: outlineOf(half),
}));

/** The plain form of a name. */
export function plainForm(label: string): Shape {
  const form = PLAIN_FORMS.find((one) => one.label === label);
  if (!form) throw new Error(`No plain form is called “${label}”.`);
  return form;
}
