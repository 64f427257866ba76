import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import type { Specimen } from '@plesion/contract';
import type { RandomSource } from '@plesion/core/probability';
import type { Visitor } from './visitor';

/** What one specimen was acknowledged to be. */
export interface Kept {
  id: string;
  /** Version and label of the last write that was answered with 200; version 0 for none. */
  version: number;
  label: string;
}

export interface Tally {
  acknowledged: number;
  unanswered: number;
  duplicates: number;
  late: number;
  /** What should never be answered. */
  faults: string[];
}

const SPECIMENS = 4;

/**
 * Writes some specimens over and over, each version on top of the one acknowledged:
 * now and then twice at once, and now and then an old write comes late once more.
 * What was not answered is sent again until it is.
 */
export async function writeOn(
  visitor: Visitor,
  name: string,
  guideId: string,
  random: RandomSource,
  tally: Tally,
  /** Begin nothing more; and: do not even wait for answers. */
  { stop, over }: { stop: AbortSignal; over: AbortSignal },
): Promise<Kept[]> {
  const kept: Kept[] = Array.from({ length: SPECIMENS }, () => ({ id: randomUUID(), version: 0, label: '' }));
  const put = (one: Kept, version: number, label: string) =>
    visitor.ask('PUT', `/api/specimens/${one.id}`, {
      version,
      guideId,
      label,
      situation: { note: `${name} wrote ${label}` },
      readings: [],
      determinations: [],
      hidden: false,
    });
  /** Sent until it is answered; a refusal is a fault, for nobody else writes this specimen. */
  const write = async (one: Kept, label: string) => {
    const twice = random() < 0.2;
    while (!over.aborted) {
      try {
        const sent = twice
          ? await Promise.all([put(one, one.version, label), put(one, one.version, label)])
          : [await put(one, one.version, label)];
        const answered = sent.find(({ status }) => status === 200);
        if (twice) tally.duplicates++;
        if (answered) {
          const { version } = answered.body as Specimen;
          if (version !== one.version + 1) tally.faults.push(`${label}: version ${version} after ${one.version}`);
          Object.assign(one, { version, label });
          tally.acknowledged++;
          return;
        }
        const refused = sent.find(({ status }) => status < 500 && status !== 429);
        if (refused) {
          tally.faults.push(`${label}: ${refused.status} ${JSON.stringify(refused.body).slice(0, 200)}`);
          return;
        }
      } catch {
        // Nobody answered: what was sent may be stored or not.
      }
      tally.unanswered++;
      await pause(100);
    }
  };
  for (let i = 1; !stop.aborted; i++) {
    const one = kept[Math.floor(random() * kept.length)];
    const before = { ...one };
    await write(one, `${name}-${i}`);
    // A write that was answered long ago comes once more: it may not undo what came after it.
    if (before.version > 0 && random() < 0.2) {
      const late = await put(one, before.version - 1, before.label).catch(() => undefined);
      tally.late++;
      if (late && late.status !== 409 && late.status < 500)
        tally.faults.push(`${before.label} came late and was answered ${late.status}`);
    }
  }
  return kept;
}
