export { seeded, type RandomSource } from './seeded';
export { normal, pick } from './draw';
export { erf, normalBelow, normalMass } from './normalCurve';
export { lnGamma } from './gamma';
export { multivariateT } from './multivariateT';
export { wilson } from './wilson';
