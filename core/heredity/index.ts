export { crossAsked, kinshipAsked, pairsAsked, posteriorAsked, proofAsked, suspectsAsked } from './asked';
export { heredityCharacters, seenProblems } from './pedigree';
export { mixedBy, sharesOf, sharesOfYoung, type StrainShares } from './strains';
