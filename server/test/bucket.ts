import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Settings } from '../files/bucket';

/** As much of an object store as files need, on loopback: what stands in it can be looked at, and it can be away. */
export async function openTestBucket() {
  const objects = new Map<string, Buffer>();
  const settings = { bucket: 'isles', region: 'us-east-1', keyId: 'key of the tests', secret: 'secret of the tests' };
  const state = { away: false };
  const server = createServer((request, response) => {
    const answer = (status: number, body: Buffer | string = '') =>
      response.writeHead(status, { 'content-length': Buffer.byteLength(body) }).end(body);
    const problem = (status: number, code: string) =>
      answer(status, `<?xml version="1.0"?><Error><Code>${code}</Code><Message>${code}</Message></Error>`);
    void bodyOf(request).then((body) => {
      if (state.away) return problem(403, 'AccessDenied');
      if (!request.headers.authorization?.includes(`Credential=${settings.keyId}/`)) return problem(403, 'InvalidAccessKeyId');
      const { pathname } = new URL(request.url!, 'http://bucket');
      if (!pathname.startsWith(`/${settings.bucket}/`)) return problem(404, 'NoSuchBucket');
      const key = decodeURIComponent(pathname.slice(settings.bucket.length + 2));
      switch (request.method) {
        case 'PUT':
          objects.set(key, body);
          return answer(200);
        case 'GET':
          return objects.has(key) ? answer(200, objects.get(key)) : problem(404, 'NoSuchKey');
        case 'DELETE':
          objects.delete(key);
          return answer(204);
        default:
          return problem(405, 'MethodNotAllowed');
      }
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  return {
    objects,
    state,
    settings: { ...settings, endpoint: `http://127.0.0.1:${port}` } satisfies Settings,
    close: () => new Promise<unknown>((resolve) => (server.closeAllConnections(), server.close(resolve))),
  };
}

async function bodyOf(request: IncomingMessage): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of request) parts.push(part as Buffer);
  return Buffer.concat(parts);
}
