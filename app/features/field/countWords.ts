import type { CountWrite } from '@plesion/contract';
import { flock, type Interval, type SexTally, writeTally } from '@plesion/core/fieldwork';

/** All sexes of all rows together. */
export const sumOf = ({ tallies }: Pick<CountWrite, 'tallies'>): SexTally =>
  tallies.reduce(
    (sum, { males, females, unsexed }) => ({
      males: sum.males + males,
      females: sum.females + females,
      unsexed: sum.unsexed + unsexed,
    }),
    { males: 0, females: 0, unsexed: 0 },
  );

export const headsOf = (count: Pick<CountWrite, 'tallies'>): number => {
  const { males, females, unsexed } = sumOf(count);
  return males + females + unsexed;
};

/** How many a flock can have been; undefined where its statements do not say. */
export function flockOf({ flock: parts = [], total }: Pick<CountWrite, 'flock' | 'total'>) {
  if (total?.how === 'shared') return undefined;
  const found = flock(parts, total);
  return found.ok ? found.value : undefined;
}

export const sayInterval = ([low, high]: Interval): string => (low === high ? String(low) : `${low}–${high}`);

/** The number a count comes to, and what it is; undefined where it comes to none. */
export function numberOfCount(count: CountWrite): { low: number; high: number; unit: string } | undefined {
  if (count.kind === 'flock') {
    const found = flockOf(count);
    return found && { low: found.total[0], high: found.total[1], unit: 'in all' };
  }
  if (count.kind === 'transect') {
    const area = (count.quadrats ?? []).reduce((sum, one) => sum + one.area, 0);
    const all = (count.quadrats ?? []).reduce((sum, { counts }) => sum + counts.reduce((a, b) => a + b, 0), 0);
    return area > 0 ? { low: all / area, high: all / area, unit: 'a m²' } : undefined;
  }
  const heads = headsOf(count);
  return { low: heads, high: heads, unit: 'heads' };
}

/** A count in a few words. */
export function sayCount(count: CountWrite): string {
  const found = numberOfCount(count);
  if (!found) return 'no number';
  if (count.kind === 'inventory') {
    const missing = (count.expected ?? []).filter(({ seen }) => !seen).map(({ name }) => name);
    return [`${found.low} heads`, writeTally(sumOf(count)), missing.length > 0 && `missing: ${missing.join(', ')}`]
      .filter(Boolean)
      .join(' · ');
  }
  if (count.kind === 'transect') return `${found.low.toFixed(1)} a m² over ${count.quadrats!.length} quadrats`;
  return `${sayInterval([found.low, found.high])} in all`;
}
