export { seeded, type RandomSource } from './seeded';
export { normal, pick } from './draw';
export { erf, normalBelow, normalMass, normalQuantile } from './normalCurve';
export { fQuantile, tBelow, tQuantile } from './studentT';
export { gammaBelow, gammaQuantile, lnChoose, lnGamma } from './gamma';
export { binomialTest, fisherTest, garwood } from './exact';
export { multivariateT } from './multivariateT';
export { wilson } from './wilson';
