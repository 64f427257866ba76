import { isItalic } from '@plesion/core/guide';
import type { Face } from '../print/fonts';

/** A name of the genus and below is set in italics. */
export const faceOf = (rank: string): Face => (isItalic(rank) ? 'name' : 'upright');
