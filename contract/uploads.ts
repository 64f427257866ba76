/** Where photos are sent piece by piece, by the open protocol tus 1.0.0. */
export const UPLOADS = '/api/uploads';

/** What is said of a picture as some phones keep it, which browsers cannot show. */
export const NOT_HEIC =
  'This is a HEIC picture, which cannot be measured on here. Let the camera take JPEG (often called “most compatible”), or save it as JPEG, and choose that.';
