import { conflictOf, createClient, RequestProblem, urlOf } from '.';
import { endpoints } from './endpoints';
import { openApi } from './openapi';

const answering = (status: number, body: unknown) => {
  const asked: { url: string; init?: RequestInit }[] = [];
  const doFetch = (async (url: string, init?: RequestInit) => {
    asked.push({ url, init });
    return new Response(typeof body === 'string' ? body : JSON.stringify(body), { status });
  }) as typeof fetch;
  return { asked, call: createClient('http://station', doFetch) };
};
const ID = '0192f3a0-0000-7001-8000-000000000001';
const session = { account: { id: ID, name: 'ann', role: 'keeper' }, station: { id: ID, name: 'Quell', demo: false }, others: [] };

describe('paths', () => {
  it('hold their parameters, and only the filters that are set', () => {
    expect(urlOf('standing', { params: { id: ID } })).toBe(`/api/guides/${ID}/standing`);
    expect(urlOf('specimens', { query: { search: 'a & b', place: '', named: undefined } })).toBe('/api/specimens?search=a+%26+b');
  });
});

describe('the client', () => {
  it('sends JSON and gives back what the contract promises', async () => {
    const { asked, call } = answering(200, session);
    expect(await call('signIn', { body: { name: 'ann', password: 'x' } })).toEqual(session);
    expect(asked[0]).toMatchObject({
      url: 'http://station/api/session',
      init: { method: 'POST', body: '{"name":"ann","password":"x"}' },
    });
  });

  it('does not take an answer that breaks the contract', async () => {
    await expect(answering(200, { account: {} }).call('session', {})).rejects.toThrow();
  });

  it('gives the server’s problem with its status, field and all', async () => {
    const problem = {
      code: 'unknown-state',
      message: 'No such state.',
      field: 'readings[0].states',
      problems: [{ code: 'a', message: 'b' }],
    };
    const error: unknown = await answering(400, problem)
      .call('session', {})
      .catch((e: unknown) => e);
    expect(error).toBeInstanceOf(RequestProblem);
    expect(error).toMatchObject({ status: 400, body: problem, message: 'No such state.' });
  });

  it('says so when the answer is no problem it knows, or when there is none at all', async () => {
    await expect(answering(502, '<html>').call('session', {})).rejects.toMatchObject({
      status: 502,
      body: { code: 'no-answer' },
    });
    const down = createClient('', () => Promise.reject(new TypeError('down')));
    await expect(down('session', {})).rejects.toMatchObject({ status: 0, body: { code: 'offline' } });
  });

  it('leaves text as text', async () => {
    expect(await answering(200, 'a,b').call('exportOccurrences', {})).toBe('a,b');
  });
});

describe('OpenAPI', () => {
  const described = openApi('1') as {
    paths: Record<
      string,
      Record<
        string,
        { operationId: string; responses: Record<string, unknown>; requestBody?: unknown; parameters: { name: string }[] }
      >
    >;
  };
  const operations = Object.values(described.paths).flatMap((path) => Object.values(path));

  it('has every endpoint once', () => {
    expect(operations.map((o) => o.operationId).sort()).toEqual(Object.keys(endpoints).sort());
  });

  it('tells parameters, bodies and refusals', () => {
    const write = operations.find((o) => o.operationId === 'writeSpecimen')!;
    expect(write.parameters.map((p) => p.name)).toEqual(['id']);
    expect(write.requestBody).toBeDefined();
    expect(Object.keys(write.responses)).toEqual(expect.arrayContaining(['200', '400', '401', '404', '409']));
  });
});

describe('the components of OpenAPI', () => {
  const described = openApi('1');
  const text = JSON.stringify(described);
  const references = [...new Set([...text.matchAll(/"\$ref":"([^"]+)"/g)].map((match) => match[1]))];

  it('hold every shape that is referred to, and each once', () => {
    const known = new Set(Object.keys(described.components.schemas));
    expect(references.length).toBeGreaterThan(40);
    expect(references.filter((ref) => !known.has(ref.replace('#/components/schemas/', '')))).toEqual([]);
    expect(text).not.toContain('__shared');
  });

  it('let bodies, answers and the parts of other shapes be references', () => {
    const write = (
      described.paths['/api/specimens/{id}'] as Record<string, { requestBody: unknown; responses: Record<string, unknown> }>
    ).put;
    expect(write.requestBody).toMatchObject({
      content: { 'application/json': { schema: { $ref: '#/components/schemas/SpecimenWrite' } } },
    });
    expect(described.components.schemas.SpecimenWrite).toMatchObject({
      properties: { situation: { $ref: '#/components/schemas/Situation' } },
    });
  });

  it('show both sides of a conflict, for every endpoint that writes', () => {
    const puts = Object.values(described.paths).flatMap((path) => ('put' in path ? [path.put as { operationId: string }] : []));
    expect(puts.length).toBeGreaterThan(2);
    for (const { operationId } of puts) {
      const name = `${operationId[0].toUpperCase()}${operationId.slice(1)}Conflict`;
      expect(described.components.schemas[name]).toMatchObject({
        properties: { stored: { $ref: expect.any(String) }, sent: { $ref: expect.any(String) } },
        required: expect.arrayContaining(['stored', 'sent']),
      });
    }
  });
});

describe('an answer of a newer server', () => {
  const at = '2026-05-12T10:00:00Z';
  const lot = { id: ID, version: 1, guideId: ID, label: 'L', specimens: [], hidden: false, createdAt: at, updatedAt: at };

  it('keeps what this contract does not know, at every depth', async () => {
    const walk = { keyId: ID, keyVersion: 1, answers: [{ couplet: '1', mood: 'good' }], pace: 3 };
    const newer = { lots: [{ ...lot, walk, weather: { wind: 4 } }], more: true };
    expect(await answering(200, newer).call('lots', {})).toEqual(newer);
  });

  it('is still refused where it breaks what is known', async () => {
    await expect(answering(200, { lots: [{ ...lot, version: 'one' }] }).call('lots', {})).rejects.toThrow();
  });
});

describe('a stale write', () => {
  const Conflict = conflictOf(endpoints.writeSpecimen);
  const sent = { version: 1, guideId: ID, label: 'mine', situation: {}, readings: [], determinations: [], hidden: false };
  const summary = { name: 'Not yet named', qualifier: 'unknown', facets: {}, p: 0, leadingForm: 'x', text: '' };
  const at = '2026-05-12T10:00:00Z';
  const stored = { ...sent, id: ID, version: 2, label: 'theirs', guideVersion: 1, summary, createdAt: at, updatedAt: at };

  it('is answered with both versions', () => {
    const body = { code: 'stale-version', message: 'Changed elsewhere.', stored, sent };
    expect(Conflict.parse(body)).toMatchObject({ stored: { version: 2, label: 'theirs' }, sent: { version: 1, label: 'mine' } });
  });

  it('is no such answer with one of them missing', () => {
    expect(Conflict.safeParse({ code: 'stale-version', message: 'Changed elsewhere.', stored }).success).toBe(false);
    expect(Conflict.safeParse({ code: 'other', message: 'Changed elsewhere.', stored, sent }).success).toBe(false);
  });
});
