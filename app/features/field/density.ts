import { catchRate } from '@plesion/core/fieldwork';

/** How many of a kind a m², over all quadrats, with Garwood's interval. */
export function garwoodOf(quadrats: readonly { area: number; counts: readonly number[] }[], kind: number) {
  const n = quadrats.reduce((sum, { counts }) => sum + (counts[kind] ?? 0), 0);
  const found = catchRate(
    n,
    quadrats.reduce((sum, { area }) => sum + area, 0),
  );
  if (!found.ok) return { n, rate: 0, low: 0, high: 0 };
  const [low, high] = found.value.interval;
  return { n, rate: found.value.rate, low, high };
}
