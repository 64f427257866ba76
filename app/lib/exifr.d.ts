/** The light build of exifr, for browsers: its types are those of the whole. */
declare module 'exifr/dist/lite.umd.js' {
  import type whole from 'exifr';
  const exifr: typeof whole;
  export default exifr;
}
