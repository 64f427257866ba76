/** How it turned out what something was: by whom or by what it was verified. */
export const VERIFICATION_KINDS = [
  'expert',
  'bred-true',
  'offspring',
  'egg',
  'recapture',
  'dissection',
  'molecular',
  'song',
] as const;
export type VerificationKind = (typeof VERIFICATION_KINDS)[number];

/** Chances that a verification is itself wrong, to choose from. */
export const USUAL_WRONG: Record<VerificationKind, number> = {
  expert: 0.05,
  'bred-true': 0.01,
  offspring: 0.01,
  egg: 0.001,
  recapture: 0.02,
  dissection: 0.005,
  molecular: 0.005,
  song: 0.05,
};

export const VERIFICATION_WORDS: Record<VerificationKind, string> = {
  expert: 'an expert’s word',
  'bred-true': 'breeding true',
  offspring: 'its offspring',
  egg: 'an egg it laid',
  recapture: 'being met again when older',
  dissection: 'dissection',
  molecular: 'a molecular test',
  song: 'its song',
};
