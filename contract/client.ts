import type { z } from 'zod';
import type { Endpoint, EndpointName, Endpoints } from './endpoints';
import { everyday, type EverydayName } from './endpoints/everyday';
import { lenient } from './lenient';
import { ProblemBody } from './problem';

type Part<E, K extends string> = K extends keyof E ? (E[K] extends z.ZodType ? { [k in K]: z.input<E[K]> } : unknown) : unknown;
type OptionalQuery<E> = 'query' extends keyof E
  ? E['query' & keyof E] extends z.ZodType
    ? { query?: z.input<E['query' & keyof E] & z.ZodType> }
    : unknown
  : unknown;

type Upload<E> = 'upload' extends keyof E ? { body: FormData } : unknown;

/** What a call to an endpoint takes. */
export type Asked<N extends EndpointName> = Upload<Endpoints[N]> &
  Part<Endpoints[N], 'params'> &
  Part<Endpoints[N], 'body'> &
  OptionalQuery<Endpoints[N]>;
export type Answer<N extends EndpointName> = z.output<Endpoints[N]['response']>;

/** An answer that is not the one asked for: status 0 when the server could not be reached. */
export class RequestProblem extends Error {
  constructor(
    readonly status: number,
    readonly body: z.output<typeof ProblemBody> & Record<string, unknown>,
  ) {
    super(body.message);
  }
}

/** Where a call of a page goes. */
export const urlOf = (name: EverydayName, asked: { params?: object; query?: object } = {}): string =>
  addressOf(everyday[name], asked);

/** Path and query of a call, with its parameters in place. */
export function addressOf(endpoint: Endpoint, asked: { params?: object; query?: object } = {}): string {
  const path = endpoint.path.replace(/:(\w+)/g, (_, key: string) =>
    encodeURIComponent(String((asked.params as Record<string, unknown> | undefined)?.[key])),
  );
  const query = Object.entries(asked.query ?? {}).filter(([, value]) => value !== undefined && value !== '');
  return query.length
    ? `${path}?${new URLSearchParams(Object.fromEntries(query.map(([k, v]) => [k, String(v)]))).toString()}`
    : path;
}

/**
 * A typed client over `fetch`. JSON answers are checked against the contract, so
 * that a server of another version fails loudly and not in the middle of a screen;
 * what a newer one says beyond it is kept.
 *
 * @param table the endpoints it can ask.
 */
export function createClient<Name extends EndpointName = EverydayName>(
  base: string,
  doFetch: typeof fetch = fetch,
  table: Record<Name, Endpoint> = everyday as unknown as Record<Name, Endpoint>,
) {
  return async function call<N extends Name>(name: N, asked: Asked<N>, signal?: AbortSignal): Promise<Answer<N>> {
    const endpoint = table[name];
    const { params, query, body } = asked as { params?: object; query?: object; body?: unknown };
    const response = await doFetch(base + addressOf(endpoint, { params, query }), {
      method: endpoint.method,
      credentials: 'same-origin',
      signal,
      ...sentAs(body),
    }).catch((cause: unknown) => {
      if (signal?.aborted) throw cause;
      throw new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' });
    });
    if (!response.ok) throw new RequestProblem(response.status, await problemOf(response));
    if (endpoint.media) return (await response.text()) as Answer<N>;
    return lenient(endpoint.response).parse(await response.json()) as Answer<N>;
  };
}

/** Forms go as they are; anything else goes as JSON. */
function sentAs(body: unknown): RequestInit {
  if (body === undefined) return {};
  if (body instanceof FormData) return { body };
  return { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
}

async function problemOf(response: Response) {
  const body: unknown = await response.json().catch(() => undefined);
  const parsed = ProblemBody.loose().safeParse(body);
  if (parsed.success) return parsed.data;
  return { code: 'no-answer', message: `The server answered ${response.status} and did not say why.` };
}
