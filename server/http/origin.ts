import { isIP } from 'node:net';
import type { RequestHandler } from 'express';
import { HttpProblem } from './errors';

const SAFE = ['GET', 'HEAD', 'OPTIONS'];

const wrongHost = () =>
  new HttpProblem(421, {
    code: 'wrong-host',
    message: 'This server does not answer to that name. Use the address it was set up for, or set PUBLIC_URL to this one.',
  });

const foreignOrigin = () =>
  new HttpProblem(403, {
    code: 'foreign-origin',
    message: 'This was not sent from Plesion’s own pages, so nothing was done. Reload the page, or send an API token.',
  });

/**
 * Only names that the server is known by are answered: its public one, this machine's
 * own, and plain addresses, which no foreign name can be made to point at by stealth.
 */
export function ownHost(publicUrl: string | undefined): RequestHandler {
  const known = publicUrl === undefined ? undefined : new URL(publicUrl).hostname;
  return (request, _response, next) => {
    const host = hostnameOf(request.headers.host);
    if (host === undefined || !(host === known || host === 'localhost' || isIP(host))) throw wrongHost();
    next();
  };
}

/** What changes anything comes from the application's own pages, or from a script that shows a token. */
export function ownOrigin(publicUrl: string | undefined): RequestHandler {
  const known = publicUrl === undefined ? undefined : new URL(publicUrl).origin;
  return (request, _response, next) => {
    const { origin, host } = request.headers;
    const own = origin !== undefined && (origin === known || origin === `${request.protocol}://${host}`);
    if (!SAFE.includes(request.method) && !own && !request.headers.authorization) throw foreignOrigin();
    next();
  };
}

function hostnameOf(host: string | undefined): string | undefined {
  if (!host || !URL.canParse(`http://${host}`)) return undefined;
  return new URL(`http://${host}`).hostname.replace(/^\[|\]$/g, '');
}
