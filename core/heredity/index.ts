export { crossAsked, kinshipAsked, posteriorAsked, proofAsked, suspectsAsked } from './asked';
