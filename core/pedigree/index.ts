export { type Chart, type ChartKin, CELL, chartOf, HALF } from './chart';
export { drawnBook, type SymbolFacts, type Wish } from './drawn';
export { type BookMember, fathersOf, mothersOf, strainsOf } from './members';
export { facetsShown, kindForm } from './kind';
export { BAND, bandOf, DEAD, outlinePath, shadedPath } from './symbol';
