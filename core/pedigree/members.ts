import type { Sex } from '../guide/heredityVocabulary';
import { sharesOf, type StrainShares } from '../heredity/strains';

/** One of a book, as far as its line hangs on it. */
export interface BookMember {
  id: string;
  /** By what answers call it. */
  name: string;
  kept: {
    sex?: { called: Sex; certainty: number };
    father?: string;
    mother?: string;
    fathers?: readonly string[];
    mothers?: readonly string[];
    strain?: string;
    status: string;
  };
}

/** Whoever may be the parents of one of a book. */
export const fathersOf = ({ kept }: BookMember): readonly string[] => kept.fathers ?? (kept.father ? [kept.father] : []);
export const mothersOf = ({ kept }: BookMember): readonly string[] => kept.mothers ?? (kept.mother ? [kept.mother] : []);

/** The share of each strain in everybody of a book, by id. */
export const strainsOf = (members: readonly BookMember[]): Map<string, StrainShares> =>
  sharesOf(members.map((one) => ({ id: one.id, strain: one.kept.strain, fathers: fathersOf(one), mothers: mothersOf(one) })));
