/** Where photos are sent piece by piece, by the open protocol tus 1.0.0. */
export const UPLOADS = '/api/uploads';

/** What is said of a picture as some phones keep it, which browsers cannot show. */
export const NOT_HEIC =
  'This is a HEIC picture, which cannot be measured on here. Let the camera take JPEG (often called “most compatible”), or save it as JPEG, and choose that.';

/** Bytes of a photo as it is sent. */
export const LARGEST_PHOTO = 40 * 1024 * 1024;

/** The kinds of picture in the box format (ISO/IEC 23008-12) that phones write when they are not told otherwise. */
const HEIC = /^ftyp(hei[cxms]|hev[cx]|mif1|msf1)/;

/** @param head the first twelve bytes of a file, or more of it. */
export const isHeic = (head: Uint8Array): boolean => HEIC.test(String.fromCharCode(...head.subarray(4, 12)));
