import { whenIdle } from './whenIdle';

/**
 * Keep the application on the device, so that it opens without a connection. All of it is several megabytes, which
 * would hold up the first screen: they are fetched when the browser has nothing else to do.
 */
export function keepForOffline(): void {
  // Only an exported client has the service worker; a refusal just means no offline start.
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  // In the end it is kept in any case: who opens it may be about to leave the network.
  whenIdle(() => void navigator.serviceWorker.register('/sw.js').catch(() => undefined));
}

/** What was kept of a station must not be seen in the next. */
export async function forgetKept(): Promise<void> {
  if (typeof caches === 'undefined') return;
  const names = await caches.keys();
  await Promise.all(names.filter((name) => name.startsWith('plesion-station')).map((name) => caches.delete(name)));
}
