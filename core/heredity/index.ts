export {
  crossAsked,
  kinshipAsked,
  pairsAsked,
  posteriorAsked,
  proofAsked,
  reasonsAsked,
  simulateAsked,
  suspectsAsked,
  unlikelyAsked,
} from './asked';
export { heredityCharacters, seenProblems } from './pedigree';
export { mixedBy, sharesOfYoung, type StrainShares } from './strains';
