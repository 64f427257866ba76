export { eigenSymmetric } from './eigen';
export { inverse, solve } from './solve';
export { cholesky, logDeterminant, solveLower } from './cholesky';
export { addOuter, lowerIndex, lowerSize, symmetric } from './lower';
