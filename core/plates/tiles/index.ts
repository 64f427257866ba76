export * from '../../guide/tileVocabulary';
export { drawTile } from './draw';
export { type TiledGuide, tilesPlan } from './plan';
