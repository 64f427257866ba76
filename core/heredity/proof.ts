import { carries, type ReadyQuestion } from './posterior';
import { couplesOf, shownBy, youngOf } from './young';

/** Who is suspected to carry what, and by what its young would tell. */
export interface ProofAsked {
  id: string;
  locus: string;
  allele: string;
  /** A young that shows this tells that it does. */
  shows: { character: string; state: string };
  /** With whom. */
  mates: readonly string[];
  /** How sure one wants to be that it does not; above 0, below 1. */
  sure: number;
}

export interface MateProof {
  mate: string;
  /** The chance beforehand that it carries the allele. */
  carrier: number;
  /** Young of the kind that tells, of one that carries it: on average, one in so many. Nothing where none would tell. */
  telling?: number;
  /** Young without any that tells, after which one is sure that it does not carry it; absent where no number would do. */
  young?: number;
  /** The chance to see one that tells within so many young, for 1 and on. */
  found: number[];
}

/** Young counted at most. */
const MOST = 500;
/** Chances told for so many young. */
const TOLD = 12;

/**
 * How many plain young until one is sure that somebody does not carry an allele, and how soon one would find out, for
 * each mate: sequentially by Bayes' rule over everything that the two may be.
 *
 * @returns the quickest mate first; without those that cannot be its mate.
 */
export function proofOf(question: ReadyQuestion, { id, locus, allele, shows, mates, sure }: ProofAsked): MateProof[] {
  const { model } = question;
  const at = model.loci.findIndex((one) => one.id === locus);
  const wanted = model.loci[at].alleles.indexOf(allele);
  return mates
    .flatMap((mate): MateProof[] => {
      // Which of the two is the father is not asked: the one way round that can be.
      const ways = [couplesOf(question, id, mate), couplesOf(question, mate, id)];
      const couples = ways.find(({ length }) => length > 0);
      if (!couples) return [];
      const side = couples === ways[0] ? 'father' : 'mother';
      const chances = couples.map((couple) => ({
        carrier: carries(wanted, ...couple[side][at]),
        p: couple.p,
        tells: youngOf(model, couple).reduce(
          (sum, young) =>
            sum +
            shownBy(model, young).reduce(
              (own, one) => own + (one.shows[shows.character] === shows.state ? young.p * one.p : 0),
              0,
            ),
          0,
        ),
      }));
      const sumOf = (of: (one: (typeof chances)[number]) => number) => chances.reduce((sum, one) => sum + of(one), 0);
      const carrier = sumOf(({ carrier: is, p }) => (is ? p : 0));
      const telling = carrier > 0 ? sumOf(({ carrier: is, p, tells }) => (is ? p * tells : 0)) / carrier : 0;
      const clear = (n: number) =>
        sumOf(({ carrier: is, p, tells }) => (is ? 0 : p * (1 - tells) ** n)) / sumOf(({ p, tells }) => p * (1 - tells) ** n);
      let young: number | undefined;
      for (let n = 0; n <= MOST && young === undefined; n++) if (clear(n) >= sure) young = n;
      return [
        {
          mate,
          carrier,
          ...(telling > 0 ? { telling: 1 / telling } : {}),
          ...(young === undefined ? {} : { young }),
          found: Array.from({ length: TOLD }, (_, i) =>
            sumOf(({ carrier: is, p, tells }) => (is ? p * (1 - (1 - tells) ** (i + 1)) : 0)),
          ),
        },
      ];
    })
    .sort(
      (a, b) =>
        (a.young ?? Infinity) - (b.young ?? Infinity) ||
        (a.telling ?? Infinity) - (b.telling ?? Infinity) ||
        (a.mate < b.mate ? -1 : 1),
    );
}
