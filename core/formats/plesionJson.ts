import type { Guide } from '../guide/working';

/** A guide as the text of a Plesion JSON file: indented, so that people can read and compare it. */
export const printGuide = (guide: Guide): string => `${JSON.stringify(guide, null, 2)}\n`;
