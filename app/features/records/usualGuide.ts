import { device } from '../../lib/device';

const KEPT = 'plesion.guide';

/** The guide that was worked with last on this device is the one to begin with. */
export const rememberGuide = (id: string): void => void device.write(KEPT, id);

/** The guide to begin with: the one used last where it is still there, else the first. */
export function usualGuide(rows: readonly { id: string }[]): string | undefined {
  const last = device.read(KEPT);
  return rows.some(({ id }) => id === last) ? last : rows[0]?.id;
}
