import { inHundred } from '../evidence';
import type { Look, ReviewReason } from './schema';

/** What else is known of a record. */
export interface Circumstances {
  /** P of the name when it was given. */
  p: number;
  /** Who named it, and how often the mark it rests on told them right, where it is known what it was. */
  by: string;
  record?: { mark: string; n: number; hits: number };
  /** Opinions of others that name something, and those that differ. */
  opinions?: { n: number; differing: number };
  /** Names given by this guide, and those that are this one. */
  names: { n: number; alike: number };
}

/** What a look is worth, in ordinary wrong names that it may find; and why. */
export interface LookWorth {
  worth: number;
  /** The chance that the name is wrong. */
  wrong: number;
  reasons: ReviewReason[];
}

/** The stated chance counts for as many earlier calls, and for as many opinions. */
const STATED = { calls: 10, opinions: 2 };

/** A margin below this many bits is told as thin: odds of sixteen to one. */
const THIN = 4;

/** A name is told as rare from this share of all names down, once there are so many. */
const RARE = { share: 0.03, names: 20 };

/**
 * What a look at a named record is worth: the chance that the name is wrong times what that costs, and what it would
 * cost to miss a dangerous one.
 *
 * The stated chance 1 − p is taken as a Beta prior (Gelman et al. 2013, § 2.4) that weighs as much as ten earlier
 * calls of the observer on the same mark and as two opinions, and is updated by those. A rare name wrongly given costs
 * more: 1 + log10(names ÷ names that are this one).
 */
export function worthOf(look: Look, { p, by, record, opinions, names }: Circumstances): LookWorth {
  let wrong = 1 - p;
  if (record) wrong = (STATED.calls * wrong + record.n - record.hits) / (STATED.calls + record.n);
  if (opinions) wrong = (STATED.opinions * wrong + opinions.differing) / (STATED.opinions + opinions.n);
  const alike = Math.max(1, names.alike);
  const rarity = 1 + Math.log10(Math.max(names.n, alike) / alike);
  const reasons: ReviewReason[] = [];
  const { danger, margin } = look;
  if (danger) reasons.push({ kind: 'danger', text: `May be ${danger.name}, which can hurt: ${inHundred(danger.p)}` });
  if (opinions?.differing)
    reasons.push({ kind: 'dispute', text: `${opinions.differing} of ${opinions.n} others call it something else` });
  if (margin !== undefined && margin < THIN)
    reasons.push({
      kind: 'thin',
      text: margin <= 0 ? 'What was read is more like another' : `Only ${oddsText(margin)} to one for it, by what was read`,
    });
  if (record && record.hits < record.n)
    reasons.push({ kind: 'record', text: `${by}, by ${record.mark}: right ${record.hits} of ${record.n} times` });
  if (names.n >= RARE.names && alike / names.n <= RARE.share)
    reasons.push({ kind: 'rare', text: names.alike <= 1 ? 'The first of its kind here' : `${alike} of ${names.n} names here` });
  return { worth: wrong * rarity + look.missed, wrong, reasons };
}

const oddsText = (bits: number): string => {
  const odds = 2 ** bits;
  return odds < 2 ? odds.toFixed(1) : String(Math.round(odds));
};
