/** What a photo may be, told by the first bytes of the file and not by its name. */
const BEGINNINGS: { format: PhotoFormat; says: (file: Buffer) => boolean }[] = [
  { format: 'jpeg', says: (file) => file.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff])) },
  { format: 'png', says: (file) => file.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) },
  {
    format: 'webp',
    says: (file) => file.toString('latin1', 0, 4) === 'RIFF' && file.toString('latin1', 8, 12) === 'WEBP',
  },
];

export type PhotoFormat = 'jpeg' | 'png' | 'webp';

/** The format of a file; undefined where it is no photo that is taken. */
export const formatOf = (file: Buffer): PhotoFormat | undefined => BEGINNINGS.find(({ says }) => says(file))?.format;
