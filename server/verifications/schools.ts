import type { Settings } from '@plesion/core/guide';
import type { Em } from '../database/orm';
import { listGuides } from '../guides/service';
import { guideOf, guideVersions } from '../specimens/list';

type Call = Settings['call'];

/** How each of some guides gives names, as they are now. */
export async function callsOf(
  em: Em,
  stationId: string,
  guides: readonly { id: string; version: number }[],
): Promise<Map<string, Call>> {
  const heads = guides.map(({ id, version }) => ({ guideId: id, guideVersion: version }));
  const versions = await guideVersions(em, stationId, heads);
  return new Map(
    heads.flatMap((head): [string, Call][] => {
      const guide = guideOf(versions, head);
      return guide ? [[head.guideId, guide.settings.call]] : [];
    }),
  );
}

/** The guides that give names in one way; nothing where no way was asked for. */
export async function guidesOfSchool(
  em: Em,
  stationId: string,
  school: Call['school'] | undefined,
): Promise<string[] | undefined> {
  if (!school) return undefined;
  const calls = await callsOf(em, stationId, await listGuides(em, stationId));
  return [...calls].filter(([, call]) => call.school === school).map(([id]) => id);
}

/** As the database takes a set of ids; null for all. */
export const asSet = (ids: readonly string[] | undefined): string | null => (ids ? `{${ids.join(',')}}` : null);
