export { crossAsked, kinshipAsked, pairsAsked, posteriorAsked, proofAsked, suspectsAsked } from './asked';
export { seenProblems } from './pedigree';
export { mixedBy, sharesOf, sharesOfYoung, type StrainShares } from './strains';
