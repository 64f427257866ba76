export { cholesky, logDeterminant, solveLower } from './cholesky';
export { addOuter, lowerIndex, lowerSize, symmetric } from './lower';
