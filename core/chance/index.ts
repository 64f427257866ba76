export { seeded, type Chance } from './seeded';
export { normal, pick } from './draw';
export { erf, normalBelow, normalMass } from './normalCurve';
export { lnGamma } from './gamma';
export { multivariateT } from './multivariateT';
export { wilson } from './wilson';
