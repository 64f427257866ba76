import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { RequestHandler } from 'express';
import type { LevelWithSilent, Logger } from 'pino';
import { pinoHttp } from 'pino-http';

/** What a proxy in front may call a request; anything else is not taken up. */
const GIVEN = /^[\w-]{8,64}$/;

/**
 * A line in the log for each request of the wire, with an id that the answer carries
 * too, so that a person can quote it. Nothing that people write is in it: no body, no
 * search, no names, no cookies.
 */
export function logRequests(log: Logger): RequestHandler {
  return pinoHttp<IncomingMessage, ServerResponse>({
    logger: log,
    genReqId(request: IncomingMessage, response: ServerResponse) {
      const given = request.headers['x-request-id'];
      const id = typeof given === 'string' && GIVEN.test(given) ? given : randomUUID();
      response.setHeader('x-request-id', id);
      return id;
    },
    serializers: {
      req: ({ id, method, url }: { id: string; method: string; url: string }) => ({ id, method, path: url.split('?')[0] }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
      err: ({ type, message, stack }: { type: string; message: string; stack: string }) => ({ type, message, stack }),
    },
    customLogLevel: (_request, { statusCode }, error): LevelWithSilent => (error || statusCode >= 500 ? 'error' : 'info'),
  }) as RequestHandler;
}
