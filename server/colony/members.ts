import type { ColonyMember } from '@plesion/contract/colony';
import type { Kept } from '@plesion/core/colony/schema';
import type { Pedigree } from '@plesion/core/heredity/schema';
import { inPensNow, type PenName } from '@plesion/core/colony';
import { IndividualEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { penNamesOf } from './pens';

/** Individuals of a book at most. */
const MOST = 2000;

/**
 * Individuals of a guide that the book says something of, the eldest first, each by a name of its own, and in pens by what
 * they are called now.
 *
 * @param known what that is, where it was asked for already.
 */
export async function membersOf(em: Em, stationId: string, guideId: string, known?: PenName): Promise<ColonyMember[]> {
  const now = known ?? (await penNamesOf(em, stationId, guideId));
  const rows = await em.find(
    IndividualEntity,
    { stationId, guideId, hidden: false, kept: { $ne: null } },
    { orderBy: { createdAt: 'asc', id: 'asc' }, limit: MOST },
  );
  const taken = new Map<string, number>();
  return rows.map(({ id, version, label, kept, note }) => {
    const n = (taken.get(label) ?? 0) + 1;
    taken.set(label, n);
    return {
      id,
      version,
      label,
      kept: inPensNow(kept!, now),
      name: n === 1 ? label : `${label} (${n})`,
      ...(note ? { note } : {}),
    };
  });
}

/** The book as a pedigree. Parents that are in it no more are nobody known. */
export function pedigreeOf(members: readonly ColonyMember[]): Pedigree {
  const names = new Map(members.map(({ id, name }) => [id, name]));
  return members.map(({ name, kept }) => {
    const one = (id: string | undefined, role: 'father' | 'mother') => {
      const known = id === undefined ? undefined : names.get(id);
      return known === undefined ? {} : { [role]: known };
    };
    const several = (ids: readonly string[] | undefined, role: 'father' | 'mother') =>
      ids ? { [`${role}s`]: ids.map((id) => ({ id: names.get(id) ?? null, weight: 1 })) } : {};
    return {
      id: name,
      ...sexOf(kept),
      ...(kept.strain ? { strain: kept.strain } : {}),
      ...(kept.fathers ? several(kept.fathers, 'father') : one(kept.father, 'father')),
      ...(kept.mothers ? several(kept.mothers, 'mother') : one(kept.mother, 'mother')),
      phenotypes: kept.phenotypes,
    };
  });
}

/** What is certain is said as such, so that it is named where it does not fit. */
const sexOf = ({ sex }: Kept) => (sex ? { sex: sex.certainty === 1 ? sex.called : sex } : {});
