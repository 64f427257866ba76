import { demoKeys } from '@plesion/demo';
import type { Em } from '../database/orm';
import { listGuides } from '../guides/service';
import type { Writer } from '../records/write';
import { checkHere } from './check';
import { addKey, listKeys } from './service';

/** The keys a station starts with; those it has, hidden ones too, are left as they are. */
export async function putDemoKeys(em: Em, writer: Writer): Promise<void> {
  const { stationId } = writer;
  const guides = new Map((await listGuides(em, stationId)).map(({ slug, id }) => [slug, id]));
  const all = [...(await listKeys(em, stationId, {})), ...(await listKeys(em, stationId, { hidden: 'yes' }))];
  const had = new Set(all.map(({ title }) => title));
  for (const key of demoKeys) if (!had.has(key.title)) await addKey(em, checkHere, writer, key, guides.get(key.guide!));
}
