export { type Chart, type ChartKin, CELL, chartOf, HALF } from './chart';
export { type BookMember, drawnBook, fathersOf, mothersOf, type SymbolFacts, type Wish } from './drawn';
export { facetsShown, kindForm } from './kind';
export { BAND, bandOf, DEAD, outlinePath, shadedPath } from './symbol';
