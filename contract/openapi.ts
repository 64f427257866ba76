import * as compare from '@plesion/core/compare/schema';
import * as evidence from '@plesion/core/evidence/schema';
import * as fieldworkShapes from '@plesion/core/fieldwork/schema';
import * as guide from '@plesion/core/guide/schema';
import * as keys from '@plesion/core/keys/schema';
import * as observation from '@plesion/core/observation/schema';
import * as ownShapes from '@plesion/core/own/schema';
import * as practiceShapes from '@plesion/core/practice/schema';
import * as heredityShapes from '@plesion/core/heredity/schema';
import * as reviewShapes from '@plesion/core/review/schema';
import * as specimen from '@plesion/core/specimen/schema';
import { z } from 'zod';
import * as answers from './answers';
import * as calibration from './calibration';
import * as checklists from './checklists';
import * as conversations from './conversations';
import { conflictOf } from './conflict';
import { type Endpoint, endpoints } from './endpoints';
import * as fieldwork from './fieldwork';
import * as imported from './import';
import * as map from './map';
import * as office from './office';
import * as people from './people';
import * as practice from './practice';
import { leastRole } from './roles';
import * as audit from './audit';
import * as authoring from './authoring';
import * as sharing from './sharing';
import * as guideVersions from './guideVersions';
import * as authoringShapes from '@plesion/core/authoring/schema';
import * as opinions from './opinions';
import * as own from './own';
import * as colony from './colony';
import * as pairings from './pairings';
import * as pens from './pens';
import * as colonyShapes from '@plesion/core/colony/schema';
import * as earlier from './earlier';
import * as passkeys from './passkeys';
import * as review from './review';
import * as sets from './sets';
import * as verifications from './verifications';
import * as wire from './schemas';

type Json = Record<string, unknown>;

const target = { io: 'input', unrepresentable: 'any', target: 'openapi-3.0' } as const;
const reference = (id: string) => ({ $ref: `#/components/schemas/${id}` });

/** What a document of its own would need, a component must not have. */
const plainOf = (schema: object): Json =>
  Object.fromEntries(Object.entries(schema).filter(([name]) => name !== '$id' && name !== '$schema'));

/** Everything that has a name, once: shapes of the core, of the wire, and what single endpoints take and give. */
function componentsOf() {
  const registry = z.registry<{ id: string }>();
  const ids = new Map<z.ZodType, string>();
  const used = new Set<string>();
  const name = (schema: z.ZodType, id: string) => {
    if (ids.has(schema)) return;
    const free = used.has(id) ? `Wire${id}` : id;
    ids.set(schema, free);
    used.add(free);
    registry.add(schema, { id: free });
  };
  for (const room of [
    guide,
    observation,
    evidence,
    keys,
    specimen,
    compare,
    fieldworkShapes,
    wire,
    fieldwork,
    checklists,
    imported,
    map,
    office,
    colony,
    colonyShapes,
    pairings,
    pens,
    earlier,
    passkeys,
    people,
    practiceShapes,
    practice,
    audit,
    authoringShapes,
    authoring,
    sharing,
    guideVersions,
    opinions,
    conversations,
    answers,
    ownShapes,
    own,
    heredityShapes,
    reviewShapes,
    review,
    sets,
    verifications,
    calibration,
  ] as Record<string, unknown>[]) {
    for (const [id, schema] of Object.entries(room)) {
      if (/^[A-Z]/.test(id) && schema instanceof z.ZodType) name(schema, id);
    }
  }
  const capital = (text: string) => text[0].toUpperCase() + text.slice(1);
  for (const [id, endpoint] of Object.entries(endpoints) as [string, Endpoint][]) {
    if (endpoint.body) name(endpoint.body, `${capital(id)}Body`);
    if (!endpoint.media) name(endpoint.response, `${capital(id)}Answer`);
  }
  const conflicts = new Map<string, string>();
  for (const [id, endpoint] of Object.entries(endpoints) as [string, Endpoint][]) {
    if (endpoint.method !== 'PUT') continue;
    const conflict = conflictOf(endpoint);
    name(conflict, `${capital(id)}Conflict`);
    conflicts.set(id, ids.get(conflict)!);
  }
  const { schemas } = z.toJSONSchema(registry, { ...target, uri: (id) => reference(id).$ref });
  const plain = Object.entries(schemas).map(([id, schema]) => [id, plainOf(schema)] as const);
  return { schemas: Object.fromEntries(plain), refOf: (schema: z.ZodType) => reference(ids.get(schema)!), conflicts };
}

function parameters(schema: z.ZodType | undefined, where: 'path' | 'query') {
  if (!schema) return [];
  const { properties = {}, required = [] } = z.toJSONSchema(schema, target) as { properties?: Json; required?: string[] };
  return Object.entries(properties).map(([name, property]) => ({
    name,
    in: where,
    required: where === 'path' || required.includes(name),
    schema: property,
  }));
}

type Components = ReturnType<typeof componentsOf>;

function requestBody(endpoint: Endpoint, { refOf }: Components) {
  if (endpoint.body)
    return { requestBody: { required: true, content: { 'application/json': { schema: refOf(endpoint.body) } } } };
  if (!endpoint.upload) return {};
  const fields = endpoint.form ? (z.toJSONSchema(endpoint.form, target).properties as Json) : {};
  const schema = {
    type: 'object',
    // With other fields, they may stand for the file.
    ...(endpoint.form ? {} : { required: [endpoint.upload] }),
    properties: { [endpoint.upload]: { type: 'string', format: 'binary' }, ...fields },
  };
  return { requestBody: { required: true, content: { 'multipart/form-data': { schema } } } };
}

function operation(name: string, endpoint: Endpoint, components: Components) {
  const { refOf, conflicts } = components;
  const answer = (description: string, schema: Json, media = 'application/json') => ({
    description,
    content: { [media]: { schema } },
  });
  const problem = (description: string) => answer(description, refOf(wire.ProblemBody));
  const conflict = conflicts.get(name);
  return {
    operationId: name,
    summary: endpoint.summary,
    parameters: [...parameters(endpoint.params, 'path'), ...parameters(endpoint.query, 'query')],
    ...requestBody(endpoint, components),
    ...(endpoint.open
      ? {}
      : { 'x-least-role': leastRole(endpoint), security: [{ session: [] }, ...(endpoint.personal ? [] : [{ token: [] }])] }),
    responses: {
      [endpoint.status ?? 200]: endpoint.media
        ? answer('Done.', { type: 'string', format: 'binary' }, endpoint.media)
        : answer('Done.', refOf(endpoint.response)),
      400: problem('Something in the request is wrong; `field` names it.'),
      ...(endpoint.open
        ? {}
        : { 401: problem('Nobody is signed in.'), 403: problem('Not for this role, or not with this token.') }),
      ...(endpoint.params ? { 404: problem('Not in this station.') } : {}),
      ...(conflict ? { 409: answer('Changed since the version named; both sides are given.', reference(conflict)) } : {}),
    },
  };
}

/** OpenAPI 3.0 of the whole table of endpoints; every shape stands once among its components. */
export function openApi(version: string) {
  const components = componentsOf();
  const paths: Record<string, Json> = {};
  for (const [name, endpoint] of Object.entries(endpoints) as [string, Endpoint][]) {
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [endpoint.method.toLowerCase()]: operation(name, endpoint, components) };
  }
  return {
    openapi: '3.0.3',
    info: { title: 'Plesion', version, description: 'Telling near-identical living things apart.' },
    paths,
    components: {
      schemas: components.schemas,
      securitySchemes: {
        session: { type: 'apiKey', in: 'cookie', name: 'plesion.session' },
        token: { type: 'http', scheme: 'bearer', description: 'An API token of an account, to read or to read and write.' },
      },
    },
  };
}
