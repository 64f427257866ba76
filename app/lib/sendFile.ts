import { RequestProblem } from '@plesion/contract';

/** Told by nobody but the person: not a status that a server gives. */
const STOPPED = 499;

/**
 * Send a form with a file that may be large, and hear how far it is: what `fetch` does not tell.
 *
 * @param onProgress share sent, 0..1.
 * @throws RequestProblem as every other request does; status 0 when the server could not be reached.
 */
export function sendFile(
  url: string,
  form: Record<string, File | string>,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<unknown> {
  const body = new FormData();
  for (const [field, value] of Object.entries(form)) body.append(field, value);
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', url);
    request.responseType = 'json';
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0);
    request.onerror = () =>
      reject(new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' }));
    request.onload = () => {
      const answer: unknown = request.response;
      if (request.status < 300) return resolve(answer);
      const { code = 'no-answer', message = `The server answered ${request.status} and did not say why.` } = (answer ?? {}) as {
        code?: string;
        message?: string;
      };
      reject(new RequestProblem(request.status, { code, message }));
    };
    signal.addEventListener('abort', () => request.abort());
    request.onabort = () => reject(new RequestProblem(STOPPED, { code: 'stopped', message: 'Stopped. Nothing was sent.' }));
    request.send(body);
  });
}
