let worker: Worker | undefined;

/** The worker that weighs: one, until it is ended. */
export const weighWorker = (): Worker => (worker ??= new Worker(new URL('./weigh.worker', window.location.href)));

/** It takes a telephone a moment to get up: a page that will ask it wakes it while it fetches what it asks about. */
export function wakeWorker(): void {
  if (typeof Worker !== 'undefined') weighWorker();
}

export function endWorker(): void {
  worker?.terminate();
  worker = undefined;
}
