import type { Fix } from '@plesion/core/fieldwork';

/** Milliseconds that the device is given to find out where it is; a fix of a minute ago is as good. */
const PATIENCE = 15_000;
const FRESH = 60_000;

const SAYS: Record<number, string> = {
  1: 'This device may not tell where it is: allow it for this page in the browser’s settings, or write the place by hand.',
  2: 'This device cannot find out where it is just now.',
  3: 'This device did not find out where it is in time. Try again under the open sky.',
};

/** Where the device is, in degrees, and how far off at most, in m. @throws with a sentence where it may or can not tell. */
export function whereAmI(): Promise<Fix> {
  return new Promise((resolve, reject) => {
    if (!globalThis.navigator?.geolocation) return reject(new Error(SAYS[2]));
    navigator.geolocation.getCurrentPosition(
      ({ coords: { latitude, longitude, accuracy } }) =>
        resolve({
          latitude: Number(latitude.toFixed(6)),
          longitude: Number(longitude.toFixed(6)),
          accuracy: Math.min(100_000, Math.ceil(accuracy)),
        }),
      ({ code }) => reject(new Error(SAYS[code] ?? SAYS[2])),
      { enableHighAccuracy: true, timeout: PATIENCE, maximumAge: FRESH },
    );
  });
}
