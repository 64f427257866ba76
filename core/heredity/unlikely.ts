import { nearOf, partOf, stepsFrom } from './around';
import { networkOf, solve } from './network';
import type { ReadyKin } from './pedigree';
import type { ReadyQuestion } from './posterior';
import { ERROR_BEFOREHAND, recordsOf, withoutRecords } from './records';
import type { HeredityRecord } from './schema';

/** A record that can be true, and that the others speak against. */
export interface Unlikely {
  record: HeredityRecord;
  /** The chance that it is wrong, given all others. */
  p: number;
}

/** Kin no more steps away than these say first whether a record fits; what does not is worked out by all. */
const STEPS = 2;
/** What is no likelier to be wrong than this by its nearest kin is looked at no further. */
const WORTH = 0.2;
/** Told from this chance of being wrong. */
const LEAST = 0.5;

/**
 * The records that are likelier wrong than right, each looked at with all others held true: by Bayes' rule, of how
 * often a record of its kind is wrong beforehand, or how doubtful it was written, and of how likely the others are where
 * it is right and where it is wrong. A parent that is wrong is anybody; a sex that is wrong is the other; a state that
 * is wrong is one of those that were not said.
 *
 * @param ids whose records are looked at.
 * @returns the likeliest to be wrong first; nothing where the records cannot all be true.
 * @throws {TooTangled} where the pedigree cannot be worked out exactly.
 */
export function unlikelyOf(question: ReadyQuestion, ids: Iterable<string> = question.placeOf.keys()): Unlikely[] {
  const near = nearOf(question.kin);
  const suspicious = [...ids].flatMap((id) => {
    const part = partOf(question, stepsFrom(near, [question.placeOf.get(id)!], STEPS).keys());
    return doubtsOf(
      part,
      recordsOf(part).filter((record) => record.id === id),
    ).filter(({ p }) => p >= WORTH);
  });
  return doubtsOf(
    question,
    suspicious.map(({ record }) => record),
  )
    .filter(({ p }) => p >= LEAST)
    .sort((a, b) => b.p - a.p);
}

/** The chance of each record that it is wrong, all others being true. */
function doubtsOf(question: ReadyQuestion, records: readonly HeredityRecord[]): Unlikely[] {
  const logOf = (kin: readonly ReadyKin[]) => solve(networkOf(question.model, kin), false).logSum;
  let written: number | undefined;
  return records.map((record) => {
    const { doubt, wrong, right } = eitherWay(question, record);
    // Where it was written as certain, it is right as it stands.
    const asRight = right ? logOf(right) : (written ??= logOf(question.kin));
    const asWrong = logOf(wrong);
    const odds = Math.log((1 - doubt) / doubt) + asRight - asWrong;
    return { record, p: asWrong === -Infinity ? 0 : 1 / (1 + Math.exp(odds)) };
  });
}

interface EitherWay {
  /** How likely it is wrong beforehand. */
  doubt: number;
  /** The pedigree where it is wrong; and where it is right, if it was not written as certain. */
  wrong: ReadyKin[];
  right?: ReadyKin[];
}

function eitherWay(question: ReadyQuestion, record: HeredityRecord): EitherWay {
  const { kin, model, placeOf } = question;
  const at = placeOf.get(record.id)!;
  const usual = ERROR_BEFOREHAND[record.what];
  const where = (changed: Partial<ReadyKin>) => kin.with(at, { ...kin[at], ...changed });
  if (record.what === 'sex') {
    const { female, male } = kin[at].sex;
    const a = where({ sex: { female: 1, male: 0 } });
    const b = where({ sex: { female: 0, male: 1 } });
    const [right, wrong] = female > male ? [a, b] : [b, a];
    const doubt = Math.min(female, male);
    return doubt > 0 ? { doubt, wrong, right } : { doubt: usual, wrong };
  }
  if (record.what === 'phenotype') {
    const { seen } = kin[at];
    const place = seen.findIndex(({ character }) => model.characters[character].id === record.character);
    const { chances } = seen[place];
    const most = Math.max(...chances);
    const shows = (said: boolean) =>
      where({ seen: seen.with(place, { ...seen[place], chances: chances.map((chance) => Number((chance === most) === said)) }) });
    const doubt = Math.min(...chances);
    return doubt > 0 ? { doubt, wrong: shows(false), right: shows(true) } : { doubt: usual, wrong: shows(false) };
  }
  return { doubt: usual, wrong: withoutRecords(question, [record]) };
}
