import type { KeyMade, KeyMake } from '@plesion/contract';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { Writer } from '../records/write';
import type { KeyCheck } from './check';
import type { KeyPool } from './pool';
import { addKey } from './service';

/** Make a key in a thread and store it in the station. Nothing is stored when it fails or is cancelled. */
export async function makeKeyFor(
  em: Em,
  pool: KeyPool,
  check: KeyCheck,
  writer: Writer,
  guideId: string,
  asked: KeyMake,
  signal: AbortSignal,
  onProgress: (share: number) => void,
): Promise<KeyMade> {
  const { guide } = await findGuide(em, writer.stationId, guideId);
  const outcome = await pool.run({ guide, asked }, signal, (share) => onProgress(share * 0.97));
  if (!outcome.ok) throw badRequest(outcome.problems);
  signal.throwIfAborted();
  const { key, ...paths } = outcome.value;
  const stored = await addKey(em, check, writer, key, guideId, paths);
  return { ...stored, keyId: stored.id, ...paths };
}
