export { type Analysis, analyse, keyedBy, type Walked } from './analyse';
export { weigh, type WeighAnswer, type WeighRequest } from './weigher';
