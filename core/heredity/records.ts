import type { Sex } from '../guide/heredityVocabulary';
import { type ReadyKin, strangerOf } from './pedigree';
import type { ReadyQuestion } from './posterior';
import type { HeredityRecord } from './schema';

/**
 * The chance beforehand that a record of its kind is wrong, where nothing else is known: a sex called in the hand, a
 * father that was only near, a mother that laid in another's nest, a state that was misread. Only their order matters.
 */
export const ERROR_BEFOREHAND: Record<HeredityRecord['what'], number> = {
  sex: 0.02,
  father: 0.05,
  mother: 0.01,
  phenotype: 0.01,
};

/** Everything that was written down and could be doubted. */
export function recordsOf({ kin, model }: ReadyQuestion): HeredityRecord[] {
  return kin.flatMap(({ id, sex, father, mother, seen }): HeredityRecord[] => {
    if (id === undefined) return [];
    const known = (parents: ReadyKin['father']) => parents?.some(({ at }) => kin[at].id !== undefined);
    return [
      ...(sex.female !== sex.male ? [{ id, what: 'sex' as const }] : []),
      ...(known(father) ? [{ id, what: 'father' as const }] : []),
      ...(known(mother) ? [{ id, what: 'mother' as const }] : []),
      ...seen.map(({ character }) => ({ id, what: 'phenotype' as const, character: model.characters[character].id })),
    ];
  });
}

/** The pedigree as if some records had not been written: a parent that is doubted may be anybody. */
export function withoutRecords({ kin, model, placeOf }: ReadyQuestion, dropped: readonly HeredityRecord[]): ReadyKin[] {
  const left = [...kin];
  const stranger = (sex: Sex) => left.push(strangerOf(sex)) - 1;
  for (const record of dropped) {
    const at = placeOf.get(record.id)!;
    if (record.what === 'sex') left[at] = { ...left[at], sex: { female: 1, male: 1 } };
    else if (record.what === 'phenotype')
      left[at] = {
        ...left[at],
        seen: left[at].seen.filter(({ character }) => model.characters[character].id !== record.character),
      };
    else left[at] = { ...left[at], [record.what]: [{ at: stranger(record.what === 'father' ? 'male' : 'female'), weight: 1 }] };
  }
  return left;
}

/** A record as a person says it. */
export const sayRecord = (record: HeredityRecord): string =>
  record.what === 'phenotype'
    ? `${record.id}: ${record.character}`
    : `${record.what === 'sex' ? 'sex' : record.what} of ${record.id}`;
