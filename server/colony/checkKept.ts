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
