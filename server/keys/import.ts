import type { KeyImport, KeyImported } from '@plesion/contract';
import { endpointsOf, type Key, type LineProblem, readKey, readKeyText, withLinks, withTaxa } from '@plesion/core/keys';
import { readSdd } from '@plesion/core/keys/sdd';
import type { Em } from '../database/orm';
import { guideNamed } from '../guides/service';
import { badRequest } from '../http/errors';
import type { Writer } from '../records/write';
import { addKey } from './service';

/** Take in a key: the whole of it, tied to the guide where it names its taxa and characters, or nothing and why. */
export async function importKey(em: Em, writer: Writer, asked: KeyImport): Promise<KeyImported> {
  const guide = (await guideNamed(em, writer.stationId, asked.guideId))?.guide;
  const { key: read, problems } = readFrom(asked);
  const titled = asked.title ? { ...read, title: asked.title } : read;
  const key = guide ? withLinks(withTaxa(titled, guide), guide) : titled;
  const stored = await addKey(em, writer, key, asked.guideId);
  return { keyId: stored.id, couplets: key.couplets.length, endpoints: endpointsOf(key).length, problems };
}

function readFrom({ text, sdd, json, title }: KeyImport): { key: Key; problems: LineProblem[] } {
  if (text !== undefined) {
    const { key, problems } = readKeyText(text, title ?? 'Key');
    if (!key) throw badRequest(problems.slice(0, 200).map((problem) => ({ ...problem, field: 'text' })));
    return { key, problems: problems.slice(0, 200) };
  }
  const outcome = sdd !== undefined ? readSdd(sdd) : readKey(json);
  if (!outcome.ok) throw badRequest(outcome.problems);
  return { key: outcome.value, problems: [] };
}
