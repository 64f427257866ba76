import type { Endpoint, EndpointName, Endpoints } from '@plesion/contract';
import { endpoints } from '@plesion/contract/endpoints';
import { leastRole, mayAsk, type Role } from '@plesion/contract/roles';
import type { Request, RequestHandler, Response, Router } from 'express';
import type { z } from 'zod';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { checkSent, jsonBody } from './body';
import { badShape, notAllowed, notYourRole, signedOut } from './errors';
import type { Em } from '../database/orm';
import type { Writer } from '../records/write';

/** Who asks. */
export interface Caller extends Writer {
  accountId: string;
  /** Who it is, in whichever station. */
  personId: string;
  role: Role;
  /** What the token it asks with allows; absent for a person who is signed in. */
  scope?: 'read' | 'write';
}

declare module 'express-serve-static-core' {
  interface Request {
    caller?: Caller;
  }
}

type Parsed<E, K extends string> = K extends keyof E ? (E[K] extends z.ZodType ? z.output<E[K]> : undefined) : undefined;

export interface Call<N extends EndpointName> {
  params: Parsed<Endpoints[N], 'params'>;
  query: Parsed<Endpoints[N], 'query'>;
  body: Parsed<Endpoints[N], 'body'>;
  caller: Endpoints[N] extends { open: true } ? Caller | undefined : Caller;
  em: Em;
  request: Request;
  response: Response;
}

/** An answer that is JSON already: large, and kept as text, it is not read only to be written again. */
export class JsonText {
  constructor(readonly text: string) {}
}

export type Handler<N extends EndpointName> = (call: Call<N>) => Promise<z.input<Endpoints[N]['response']> | JsonText>;

/**
 * Bind an endpoint of the contract to its handler. Who may not come in is sent away
 * before anything of the body is read, and what comes in is held against the contract
 * before the handler sees it.
 */
export function bind<N extends EndpointName>(
  router: Router,
  em: () => Em,
  name: N,
  handle: Handler<N>,
  /** Reads a body that is not JSON. */
  read?: RequestHandler,
): void {
  const endpoint: Endpoint = endpoints[name];
  const method = endpoint.method.toLowerCase() as 'get' | 'post' | 'put' | 'delete';
  const gate: RequestHandler = (request, _response, next) => {
    if (!endpoint.open && !request.caller) throw signedOut();
    if (request.caller && !endpoint.open && !mayAsk(request.caller.role, endpoint)) throw notYourRole(leastRole(endpoint));
    if (request.caller?.scope && !allows(request.caller.scope, endpoint)) throw notAllowed();
    next();
  };
  router[method](
    endpoint.path,
    gate,
    ...(endpoint.body ? [jsonBody(endpoint.bytes)] : read ? [read] : []),
    async (request, response) => {
      const { caller } = request;
      const parse = (schema: z.ZodType | undefined, value: unknown, root: string) => {
        if (!schema) return undefined;
        checkSent(value, root);
        const parsed = schema.safeParse(value);
        if (!parsed.success) throw badShape(parsed.error, root);
        return parsed.data;
      };
      const call = {
        params: parse(endpoint.params, request.params, 'path'),
        query: parse(endpoint.query, request.query, 'query'),
        body: parse(endpoint.body, request.body, 'body'),
        caller,
        em: em(),
        request,
        response,
      } as Call<N>;
      const answer = await handle(call);
      if (process.env.NODE_ENV === 'test') endpoint.response.parse(answer instanceof JsonText ? JSON.parse(answer.text) : answer);
      // A handler may have said otherwise: long work that was waited for is done, not begun.
      if (response.statusCode === 200) response.status(endpoint.status ?? 200);
      if (endpoint.media) {
        if (!response.get('content-type')) response.type(endpoint.media);
        if (answer instanceof Readable) return pipeline(answer, response);
        response.send(answer);
      } else if (answer instanceof JsonText) response.type('json').send(answer.text);
      else response.json(answer);
    },
  );
}

/** May a token of this scope do it? */
const allows = (scope: 'read' | 'write', { method, asks, personal }: Endpoint): boolean =>
  !personal && (scope === 'write' || method === 'GET' || Boolean(asks));
