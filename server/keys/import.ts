import type { KeyImport, KeyImported } from '@plesion/contract';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { guideNamed } from '../guides/service';
import { badRequest } from '../http/errors';
import type { Writer } from '../records/write';
import { checkInThread } from './check';
import { addKey } from './service';

/** Import a key: the whole of it, tied to the guide where it names its taxa and characters, or nothing and why. */
export async function importKey(em: Em, analysis: AnalysisPool, writer: Writer, asked: KeyImport): Promise<KeyImported> {
  const { guideId, ...source } = asked;
  const behind = await guideNamed(em, writer.stationId, guideId);
  const read = await analysis.ask(writer.stationId, 'readKey', source, behind);
  if (!read.ok) throw badRequest(read.problems);
  const { key, problems, endpoints } = read.value;
  const stored = await addKey(em, checkInThread(analysis, writer.stationId), writer, key, guideId);
  return { keyId: stored.id, couplets: key.couplets.length, endpoints, problems };
}
