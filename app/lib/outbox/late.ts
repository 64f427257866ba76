import { z } from 'zod';
import type { KeyValueStore } from '../device';
import { keptIn } from '../kept';
import type { Keeping, Outbox } from './outbox';

const Late: z.ZodType<Keeping> = z.object({
  station: z.string(),
  kind: z.string(),
  id: z.string(),
  content: z.unknown(),
  unanswered: z.unknown().optional(),
  asked: z.boolean().optional(),
});

const keptLate = (device: KeyValueStore) => keptIn(device, 'plesion.late', z.array(Late));

/**
 * A page that is left takes with it what its database has not written yet, and only what is written at once
 * is sure to last: that is put aside when the page goes, and forgotten when it comes back as it was.
 *
 * @param pages tells of the page's going and coming.
 */
export function saveLate(device: KeyValueStore, outbox: Outbox, pages: Pick<EventTarget, 'addEventListener'>): void {
  const late = keptLate(device);
  pages.addEventListener('pagehide', () => {
    const entries = outbox.unwritten();
    // Another page of the station may have put its own aside.
    if (entries.length) late.keep([...(late.read() ?? []), ...entries]);
  });
  pages.addEventListener('pageshow', (event) => (event as PageTransitionEvent).persisted && late.forget());
}

/** What was put aside is kept now: it is newer than what stands here. Where there is no room, it stays put aside as well. */
export async function takeLate(device: KeyValueStore, outbox: Outbox): Promise<void> {
  const late = keptLate(device);
  const kept = await Promise.allSettled((late.read() ?? []).map((one) => outbox.keep(one)));
  if (kept.every(({ status }) => status === 'fulfilled')) late.forget();
}
