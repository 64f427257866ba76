import type { ArchiveContent } from '@plesion/contract';
import { sayCount } from './sizes';

const WORDS: [kind: keyof ArchiveContent, one: string, many: string][] = [
  ['specimens', 'specimen', 'specimens'],
  ['photos', 'photo', 'photos'],
  ['measurements', 'measurement', 'measurements'],
  ['visits', 'visit', 'visits'],
  ['captures', 'capture', 'captures'],
  ['counts', 'count', 'counts'],
  ['individuals', 'individual', 'individuals'],
  ['lots', 'lot', 'lots'],
  ['guides', 'guide', 'guides'],
  ['keys', 'key', 'keys'],
];

/** “311 specimens, 1 photo, 6 guides”: what there is none of is left away. */
export const sayContent = (content: ArchiveContent): string =>
  WORDS.filter(([kind]) => content[kind] > 0)
    .map(([kind, one, many]) => `${sayCount(content[kind])} ${content[kind] === 1 ? one : many}`)
    .join(', ');
