import { z } from 'zod';
import { type Endpoint, endpoints } from './endpoints';
import { ProblemBody } from './problem';

const json = (schema: z.ZodType) => z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', target: 'openapi-3.0' });

function parameters(schema: z.ZodType | undefined, where: 'path' | 'query') {
  if (!schema) return [];
  const { properties = {}, required = [] } = json(schema) as { properties?: Record<string, unknown>; required?: string[] };
  return Object.entries(properties).map(([name, property]) => ({
    name,
    in: where,
    required: where === 'path' || required.includes(name),
    schema: property,
  }));
}

function requestBody(endpoint: Endpoint) {
  if (endpoint.body) return { requestBody: { required: true, content: { 'application/json': { schema: json(endpoint.body) } } } };
  if (!endpoint.upload) return {};
  const schema = {
    type: 'object',
    required: [endpoint.upload],
    properties: { [endpoint.upload]: { type: 'string', format: 'binary' } },
  };
  return { requestBody: { required: true, content: { 'multipart/form-data': { schema } } } };
}

function operation(name: string, endpoint: Endpoint) {
  const media = endpoint.media ?? 'application/json';
  const problem = (description: string) => ({ description, content: { 'application/json': { schema: json(ProblemBody) } } });
  return {
    operationId: name,
    summary: endpoint.summary,
    parameters: [...parameters(endpoint.params, 'path'), ...parameters(endpoint.query, 'query')],
    ...requestBody(endpoint),
    ...(endpoint.open ? {} : { security: [{ session: [] }] }),
    responses: {
      [endpoint.status ?? 200]: { description: 'Done.', content: { [media]: { schema: json(endpoint.response) } } },
      400: problem('Something in the request is wrong; `field` names it.'),
      ...(endpoint.open ? {} : { 401: problem('Nobody is signed in.') }),
      ...(endpoint.params ? { 404: problem('Not in this station.') } : {}),
      ...(endpoint.method === 'PUT' ? { 409: problem('Changed since the version named; both sides are given.') } : {}),
    },
  };
}

/** OpenAPI 3.0 of the whole table of endpoints. */
export function openApi(version: string) {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const [name, endpoint] of Object.entries(endpoints) as [string, Endpoint][]) {
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [endpoint.method.toLowerCase()]: operation(name, endpoint) };
  }
  return {
    openapi: '3.0.3',
    info: { title: 'Plesion', version, description: 'Telling near-identical living things apart.' },
    paths,
    components: { securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'plesion.session' } } },
  };
}
