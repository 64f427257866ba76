import type { Endpoint } from '@plesion/contract';
import { endpoints } from '@plesion/contract/endpoints';
import * as fc from 'fast-check';
import { z } from 'zod';

/** A request as it goes out: nothing of it is held against the contract on the way. */
export interface HostileRequest {
  name: string;
  method: string;
  path: string;
  query: [string, string][];
  headers: Record<string, string>;
  body?: string;
}

interface JsonSchema {
  type?: string;
  properties?: Record<string, JsonSchema>;
  required?: string[];
  items?: JsonSchema | boolean;
  anyOf?: JsonSchema[];
  oneOf?: JsonSchema[];
  enum?: unknown[];
  const?: unknown;
  format?: string;
  pattern?: string;
  maximum?: number;
  minimum?: number;
  additionalProperties?: JsonSchema | boolean;
  $ref?: string;
  $defs?: Record<string, JsonSchema>;
}

/** What no record should hold, and what some parsers choke on. */
const HOSTILE: unknown[] = [
  null,
  true,
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  'İ̇'.repeat(30),
  '‮⁦',
  '__proto__',
  'constructor',
  '0000-01-01',
  '9999-99-99',
  '%E0%A4%A',
  "'; drop table specimen; --",
  '${7*7}',
  '<svg onload=1>',
  'x'.repeat(5000),
  '9'.repeat(400),
  -1,
  0,
  -0,
  1.5,
  1e308,
  -1e308,
  2 ** 31,
  2 ** 53,
  [],
  {},
  [[[[[[[[[[]]]]]]]]]],
  { __proto__: null, toString: 1 },
  Array.from({ length: 600 }, () => 'x'),
];

const hostile = fc.constantFrom(...HOSTILE);

const inWords = (value: unknown): string => (typeof value === 'string' ? value : JSON.stringify(value));

/** Something of the shape that a schema describes. */
function ofShape(schema: JsonSchema, root: JsonSchema, ids: readonly string[], depth = 0): fc.Arbitrary<unknown> {
  // `false` and `true` are schemas too: nothing more is said.
  const inner = (one: JsonSchema | boolean) => ofShape(typeof one === 'boolean' ? {} : one, root, ids, depth + 1);
  if (schema.$ref) return depth > 12 ? fc.constant(null) : inner(root.$defs?.[schema.$ref.split('/').at(-1)!] ?? {});
  const branches = schema.anyOf ?? schema.oneOf;
  if (branches) return fc.oneof(...branches.map(inner));
  if (schema.enum) return fc.constantFrom(...schema.enum);
  if ('const' in schema) return fc.constant(schema.const);
  switch (schema.type) {
    case 'object': {
      const entries = Object.entries(schema.properties ?? {});
      const required = new Set(schema.required);
      const record = Object.fromEntries(entries.map(([name, one]) => [name, inner(one)]));
      return fc.record(record, { requiredKeys: entries.map(([name]) => name).filter((name) => required.has(name)) });
    }
    case 'array':
      return fc.array(inner(schema.items ?? {}), { maxLength: depth > 4 ? 1 : 3 });
    case 'integer':
    case 'number':
      return fc.oneof(
        fc.integer({
          min: Math.max(-9, Math.ceil(schema.minimum ?? -9)),
          max: Math.max(Math.min(40, Math.floor(schema.maximum ?? 40)), Math.ceil(schema.minimum ?? -9)),
        }),
        fc.double({ noNaN: true, noDefaultInfinity: true }),
      );
    case 'boolean':
      return fc.boolean();
    case 'string':
      if (schema.format === 'uuid') return fc.constantFrom(...ids);
      if (schema.format === 'date') return fc.constantFrom('2026-05-12', '1600-01-01', '2024-02-29');
      if (schema.format === 'date-time') return fc.constant('2026-05-12T10:00:00Z');
      return fc.oneof(
        fc.constantFrom(
          'front-edge',
          'murica',
          'three-teeth',
          'dorsal',
          'adult',
          'c1',
          'a',
          '1a Foo ... Aus bus\n1b Bar ... Aus cus',
        ),
        fc.string({ unit: 'grapheme', maxLength: 12 }),
      );
    default:
      return fc.jsonValue({ maxDepth: 2 });
  }
}

/** The same with one part, somewhere, put in that does not belong there. */
function spoilt(value: unknown, by: unknown, at: number): unknown {
  const places: (() => void)[] = [];
  const copy = structuredClone(value);
  const visit = (node: unknown) => {
    if (typeof node !== 'object' || node === null) return;
    for (const key of Object.keys(node)) {
      places.push(() => ((node as Record<string, unknown>)[key] = by));
      visit((node as Record<string, unknown>)[key]);
    }
    if (!Array.isArray(node)) places.push(() => ((node as Record<string, unknown>)[inWords(by).slice(0, 20)] = by));
  };
  visit(copy);
  if (places.length === 0) return by;
  places[at % places.length]();
  return copy;
}

/** What is sent: as it should be, spoilt in one place, no JSON at all, or nothing. */
function bodies(schema: z.ZodType, ids: readonly string[]): fc.Arbitrary<string> {
  const json = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as JsonSchema;
  const good = ofShape(json, json, ids);
  return fc.oneof(
    { weight: 3, arbitrary: good.map((value) => JSON.stringify(value)) },
    {
      weight: 5,
      arbitrary: fc.tuple(good, hostile, fc.nat(200)).map(([value, by, at]) => JSON.stringify(spoilt(value, by, at))),
    },
    { weight: 1, arbitrary: hostile.map((value) => JSON.stringify(value)) },
    {
      weight: 1,
      arbitrary: fc.constantFrom(
        '',
        '{',
        '{"a":',
        '[',
        'nonsense',
        '\0',
        '['.repeat(20_000),
        `{"a":${'{"a":'.repeat(900)}`,
        '"\\ud800"',
      ),
    },
  );
}

const HEADERS: Record<string, string>[] = [
  {},
  {},
  {},
  { 'content-type': 'application/json; charset=utf-7' },
  { 'content-type': 'text/plain' },
  { 'content-type': 'multipart/form-data' },
  { 'content-type': 'multipart/form-data; boundary=x' },
  { 'content-encoding': 'br' },
  { 'content-encoding': 'snappy' },
  { accept: 'nonsense' },
  { range: 'bytes=9-1' },
];

/** Requests to one endpoint, sound and hostile. */
export function hostileRequests(name: string, endpoint: Endpoint, ids: readonly string[]): fc.Arbitrary<HostileRequest> {
  const names = [...endpoint.path.matchAll(/:([a-z]+)/g)].map(([, param]) => param);
  const part = fc.oneof(
    { weight: 6, arbitrary: fc.constantFrom(...ids) },
    { weight: 1, arbitrary: fc.constantFrom('%E0%A4%A', '%00', '..%2f..%2fetc', 'x', '%F0%9F', 'a'.repeat(900)) },
  );
  const query = endpoint.query
    ? (z.toJSONSchema(endpoint.query, { io: 'input', unrepresentable: 'any' }) as JsonSchema)
    : undefined;
  const queries = query
    ? fc.oneof(
        ofShape(query, query, ids).map((value) =>
          Object.entries(value as object).map(([key, one]): [string, string] => [key, inWords(one)]),
        ),
        fc
          .tuple(fc.constantFrom(...Object.keys(query.properties ?? { x: {} })), hostile)
          .map(([key, by]): [string, string][] => [[key, inWords(by)]]),
      )
    : fc.constant([] as [string, string][]);
  return fc
    .record({
      params: fc.tuple(...names.map(() => part)),
      query: queries,
      headers: fc.constantFrom(...HEADERS),
      body: endpoint.body || endpoint.upload ? bodies(endpoint.body ?? z.unknown(), ids) : fc.constant(undefined),
    })
    .map(({ params, query: asked, headers, body }) => ({
      name,
      method: endpoint.method,
      path: names.reduce((path, param, i) => path.replace(`:${param}`, params[i]), endpoint.path),
      query: asked,
      headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      ...(body === undefined ? {} : { body }),
    }));
}

/** Every endpoint's requests in equal parts, mixed. */
export function hostileSample(
  count: number,
  seed: number,
  ids: readonly string[],
  leftOut: readonly string[] = [],
): HostileRequest[] {
  const all = Object.entries(endpoints as Record<string, Endpoint>).filter(([name]) => !leftOut.includes(name));
  const each = Math.ceil(count / all.length);
  return all.flatMap(([name, endpoint], i) => fc.sample(hostileRequests(name, endpoint, ids), { numRuns: each, seed: seed + i }));
}
