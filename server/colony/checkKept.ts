import type { Kept } from '@plesion/core/colony/schema';
import { seenProblems } from '@plesion/core/heredity';
import { IndividualEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';

/** Parents are of the station, nobody is its own, and what is shown is of the guide. @throws 400 by the field. */
export async function checkKept(em: Em, stationId: string, id: string, guideId: string | undefined, kept: Kept): Promise<void> {
  if (!guideId) throw badRequest([{ code: 'no-guide', message: 'Choose the guide by which it is kept.', field: 'guideId' }]);
  const { guide } = await findGuide(em, stationId, guideId).catch(() => {
    throw notFound('guide');
  });
  if (!guide.heredity && Object.keys(kept.phenotypes).length) {
    const message = 'The guide does not say how its kinds inherit, so nothing can be told from this. Leave it out.';
    throw badRequest([{ code: 'no-heredity', message, field: 'kept.phenotypes' }]);
  }
  const strange = guide.heredity ? seenProblems(guide.heredity, 'kept.phenotypes', kept.phenotypes) : [];
  if (strange.length) throw badRequest(strange);
  if (kept.hatchedTo && (!kept.hatched || kept.hatchedTo < kept.hatched)) {
    const message = 'Give the first and the last day on which it may have hatched, in this order.';
    throw badRequest([{ code: 'two-hatch-dates', message, field: 'kept.hatchedTo' }]);
  }
  const named = (['father', 'mother', 'fathers', 'mothers'] as const).flatMap((field) =>
    [kept[field] ?? []].flat().map((parent) => ({ field: `kept.${field}`, parent })),
  );
  for (const role of ['father', 'mother'] as const)
    if (kept[role] && kept[`${role}s`])
      throw badRequest([
        { code: 'both', message: 'Give either one parent or several that it may be, not both.', field: `kept.${role}s` },
      ]);
  const own = named.find(({ parent }) => parent === id);
  if (own) throw badRequest([{ code: 'own-parent', message: 'Nobody is its own parent.', field: own.field }]);
  if (!named.length) return;
  const known = await em.find(
    IndividualEntity,
    { stationId, guideId, id: { $in: named.map(({ parent }) => parent) } },
    { fields: ['id'] },
  );
  const circle = await ancestorAmong(
    em,
    stationId,
    id,
    named.map(({ parent }) => parent),
  );
  if (circle !== undefined)
    throw badRequest([
      {
        code: 'own-ancestor',
        message: 'It would be its own ancestor; this parent, or one of that one’s, is wrong.',
        field: named.find(({ parent }) => parent === circle)!.field,
      },
    ]);
  const stranger = named.find(({ parent }) => !known.some((one) => one.id === parent));
  if (stranger)
    throw badRequest([
      {
        code: 'unknown-individual',
        message: 'This parent is not in the book of the guide; write it down first.',
        field: stranger.field,
      },
    ]);
}

/** The first of some parents whose line goes back to one. */
async function ancestorAmong(em: Em, stationId: string, id: string, parents: readonly string[]): Promise<string | undefined> {
  const found = await em.getConnection().execute<{ root: string }[]>(
    `with recursive line (root, id) as (
       select p.id, p.id from individual p where p.station_id = ? and p.id in (${parents.map(() => '?').join(', ')})
       union
       select line.root, parent.id::uuid
       from line join individual i on i.station_id = ? and i.id = line.id and i.kept is not null
       cross join lateral (
         select i.kept->>'father' as id union select i.kept->>'mother'
         union select jsonb_array_elements_text(coalesce(i.kept->'fathers', '[]'))
         union select jsonb_array_elements_text(coalesce(i.kept->'mothers', '[]'))
       ) parent
       where parent.id is not null
     )
     select root from line where id = ? limit 1`,
    [stationId, ...parents, stationId, id],
    'all',
    em.getTransactionContext(),
  );
  return found.at(0)?.root;
}
