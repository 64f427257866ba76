import { type RandomSource, normal, seeded } from '../probability';

/** A simulated table of lengths: strong overall size, forms that differ in proportion. */
export interface Lengths {
  columns: string[];
  rows: { form: string; x: number[] }[];
}

interface Wanted {
  forms: number;
  columns: number;
  each: number;
  /** Spread of ln size within forms; proportions spread by 0.03 or so. */
  size?: number;
  /** How far proportions of forms lie apart, in ln units. */
  apart?: number;
  noise?: number;
  seed?: string;
  /** Share of specimens measured carelessly, with errors five times larger. */
  careless?: number;
}

/**
 * Specimens whose lengths follow one overall size, with allometry and noise of
 * their own; forms differ in proportion only, so that no single length tells them.
 */
export function lengths({
  forms,
  columns,
  each,
  size = 0.25,
  apart = 0.05,
  noise = 0.03,
  seed = 'lengths',
  careless = 0,
}: Wanted): Lengths {
  const random = seeded(seed);
  const draw = () => normal(random);
  const names = Array.from({ length: columns }, (_, c) => `length ${c + 1}`);
  const usual = names.map(() => 2 + 0.5 * draw());
  const slope = names.map(() => 1 + 0.15 * draw());
  const means = Array.from({ length: forms }, () => usual.map((mean) => mean + apart * draw()));
  const rows = means.flatMap((mean, f) =>
    Array.from({ length: each }, () => {
      const whole = size * draw();
      const slip = random() < careless ? 5 : 1;
      return {
        form: `form ${String.fromCharCode(65 + f)}`,
        x: mean.map((m, c) => Math.exp(m + slope[c] * whole + noise * slip * draw())),
      };
    }),
  );
  return { columns: names, rows: shuffled(rows, random) };
}

export function shuffled<T>(list: readonly T[], random: RandomSource): T[] {
  const out = list.slice();
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j], out[i]];
  }
  return out;
}

export const toCsv = ({ columns, rows }: Lengths): string =>
  [['kind', ...columns].join(','), ...rows.map(({ form, x }) => [form, ...x.map((value) => value.toFixed(3))].join(','))].join(
    '\n',
  );
