import type { Settings } from '@plesion/core/guide';
import type { Em } from '../database/orm';
import { findGuide, listGuides } from '../guides/service';

type Call = Settings['call'];

/** How each guide gives names. */
export async function callsOf(em: Em, stationId: string, ids: readonly string[]): Promise<Map<string, Call>> {
  const calls = new Map<string, Call>();
  for (const id of ids) calls.set(id, (await findGuide(em, stationId, id)).guide.settings.call);
  return calls;
}

/** The guides that give names in one way; nothing where no way was asked for. */
export async function guidesOfSchool(
  em: Em,
  stationId: string,
  school: Call['school'] | undefined,
): Promise<string[] | undefined> {
  if (!school) return undefined;
  const ids = (await listGuides(em, stationId)).map(({ id }) => id);
  const calls = await callsOf(em, stationId, ids);
  return ids.filter((id) => calls.get(id)?.school === school);
}

/** As the database takes a set of ids; null for all. */
export const asSet = (ids: readonly string[] | undefined): string | null => (ids ? `{${ids.join(',')}}` : null);
