import { type CatchCheck, type CatchCondition, type Guide, lineage } from '../guide/working';
import { AGE_FAMILIES, codeOf } from './ageCodes';
import type { AgeFamily, CaptureContent } from './schema';

type Caught = Pick<CaptureContent, 'taxon' | 'age' | 'sex' | 'sexBy' | 'mass' | 'readings'>;

/** Rules of a guide that a catch breaks, in their order; what was not recorded breaks none. */
export function brokenChecks(
  guide: Pick<Guide, 'field' | 'taxa'>,
  caught: Caught,
  families: readonly AgeFamily[] = AGE_FAMILIES,
): CatchCheck[] {
  const line = caught.taxon ? lineage(guide, caught.taxon).map(({ id }) => id) : [];
  return (guide.field?.checks ?? []).filter(
    ({ taxa, when, unless = [] }) =>
      (!taxa || taxa.some((taxon) => line.includes(taxon))) &&
      when.every((condition) => holds(condition, caught, families)) &&
      !unless.some((condition) => holds(condition, caught, families)),
  );
}

function holds(condition: CatchCondition, { age, sex, sexBy, mass, readings }: Caught, families: readonly AgeFamily[]): boolean {
  switch (condition.kind) {
    case 'states':
      return readings.some(
        ({ character, states, status }) =>
          character === condition.character && !status && states?.every((state) => condition.states.includes(state)) === true,
      );
    case 'value':
      return readings.some(
        ({ character, value, parts, status }) =>
          character === condition.character &&
          !status &&
          within(value ?? (parts && parts.numerator / parts.denominator), condition),
      );
    case 'mass':
      return within(mass, condition);
    case 'age': {
      const code = age && codeOf(age, families);
      if (!code) return false;
      return (
        code.from >= (condition.from ?? 0) && (condition.to === undefined || (code.to !== undefined && code.to <= condition.to))
      );
    }
    case 'sex':
      return sex !== undefined && condition.sexes.includes(sex);
    case 'sexBy':
      return sexBy !== undefined && condition.methods.includes(sexBy);
  }
}

const within = (value: number | undefined, { under, over }: { under?: number; over?: number }): boolean =>
  value !== undefined && (under === undefined || value < under) && (over === undefined || value > over);
