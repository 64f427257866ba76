import { RequestProblem, UPLOADS } from '@plesion/contract';
import { api } from './api';
import { omit } from './omit';
import { createStore } from './store';

/** How much of each file that is on its way has arrived, 0..1, by its hash. */
export const uploads = createStore<Readonly<Record<string, number>>>({});

/** Bytes sent at once: what a proxy in between lets through, and no more is sent twice. */
const PIECE = 4 * 1024 * 1024;

const STOPPED = { code: 'stopped', message: 'Stopped. Nothing of it was kept.' };
const running = new Map<string, () => void>();

const tell = (hash: string, share: number | undefined) => {
  const others = omit(uploads.get(), hash);
  uploads.set(share === undefined ? others : { ...others, [hash]: share });
};

/** No longer send a file; what of it has arrived is forgotten by the server. */
export const stopUpload = (hash: string): void => running.get(hash)?.();

/**
 * Send a photo piece by piece. Where an earlier try was cut off, by the connection or
 * by a reload, it goes on from there.
 *
 * @throws RequestProblem as every other request does; status 0 when the server could not be reached, or it was stopped.
 */
export async function uploadPhoto(station: string, hash: string, file: Blob): Promise<void> {
  tell(hash, 0);
  try {
    if ((await api('photoKnown', { params: { hash } })).known) return;
    const { Upload } = await import('tus-js-client');
    await new Promise<void>((resolve, reject) => {
      const upload = new Upload(file as File, {
        endpoint: UPLOADS,
        chunkSize: PIECE,
        // A retry is the outbox's business, which knows when there is a connection.
        retryDelays: [],
        fingerprint: async () => `plesion ${station} ${hash}`,
        removeFingerprintOnSuccess: true,
        onProgress: (sent, all) => tell(hash, all > 0 ? sent / all : 0),
        onSuccess: () => resolve(),
        onError: (error) => reject(problemOf(error)),
      });
      running.set(hash, () => {
        void upload.abort(true).catch(() => undefined);
        reject(new RequestProblem(0, STOPPED));
      });
      void upload.findPreviousUploads().then(([earlier]) => {
        if (earlier) upload.resumeFromPreviousUpload(earlier);
        upload.start();
      }, reject);
    });
  } finally {
    running.delete(hash);
    tell(hash, undefined);
  }
}

/** The server's own words where it gave some; else it was not reached. */
function problemOf(error: unknown): RequestProblem {
  const { originalResponse } = error as { originalResponse?: { getStatus(): number; getBody(): string } | null };
  const status = originalResponse?.getStatus() ?? 0;
  if (status < 400) return new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' });
  try {
    const said = JSON.parse(originalResponse!.getBody()) as { code: string; message: string; field?: string };
    return new RequestProblem(status, said);
  } catch {
    return new RequestProblem(status, { code: 'no-answer', message: `The server answered ${status} and did not say why.` });
  }
}
