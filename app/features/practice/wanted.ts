import type { Guide } from '@plesion/core/guide';
import { groupsAt } from '@plesion/core/practice';
import { drawnViews } from '../plates/plates';
import { compiledOf } from '../records/compiled';
import { levelOf, type Wanted, WAYS } from './ways';

/** What the address of a practice page holds. */
export const FIELDS = ['way', 'view', 'a', 'b', 'mark', 'region', 'month', 'hidden', 'glimpse', 'light', 'far', 'key'] as const;
export type Address = Partial<Record<(typeof FIELDS)[number], string>>;

/** Shares of what is read that leaves may come over. */
export const LEAVES: Record<string, number> = { some: 0.4, much: 0.9 };

/** Lights in which colours are gone. */
export const LIGHTS = ['dusk', 'glare'] as const;
type Light = (typeof LIGHTS)[number];

/** Seconds. */
export const GLIMPSES = ['5', '2', '1'];

/** What the address asks for, as far as the guide has it. */
export function wantedOf(guide: Guide, { way, view, a, b, mark, region, month, hidden, glimpse, light, far }: Address): Wanted {
  const groups = groupsAt(compiledOf(guide), levelOf(guide)).groups.map(({ id }) => id);
  const number = Number(month);
  return {
    way: WAYS.find((one) => one === way) ?? 'need',
    ...(drawnViews(guide).some(({ id }) => id === view) ? { view } : {}),
    ...(a && b && a !== b && groups.includes(a) && groups.includes(b) ? { groups: [a, b] } : {}),
    ...(guide.characters.some(({ id }) => id === mark) ? { character: mark } : {}),
    ...(guide.regions?.some(({ id }) => id === region) ? { region } : {}),
    ...(number >= 1 && number <= 12 ? { month: number } : {}),
    ...(LIGHTS.some((one) => one === light) ? { light: light as Light } : {}),
    ...(far ? { far: true } : {}),
    ...(hidden && hidden in LEAVES ? { hidden: LEAVES[hidden] } : {}),
    ...(glimpse && GLIMPSES.includes(glimpse) ? { glimpse: Number(glimpse) } : {}),
  };
}
