import { Agent, request } from 'node:http';

/** Connections kept open to one server. */
const MOST = 100;

/** Asks one server over and over, signed in. */
export class Client {
  private readonly agent = new Agent({ keepAlive: true, maxSockets: MOST });
  private cookie = '';
  constructor(private readonly url: string) {}

  ask(method: string, path: string, body?: string): Promise<string> {
    return new Promise((resolve, reject) => {
      const sent = request(
        `${this.url}${path}`,
        {
          method,
          agent: this.agent,
          headers: {
            origin: this.url,
            cookie: this.cookie,
            ...(body === undefined ? {} : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) }),
          },
        },
        (answer) => {
          let text = '';
          answer.on('data', (chunk: Buffer) => (text += chunk.toString()));
          answer.on('end', () => {
            const [cookie] = answer.headers['set-cookie'] ?? [];
            if (cookie) [this.cookie] = cookie.split(';');
            if (answer.statusCode! < 300) resolve(text);
            else reject(new Error(`${method} ${path}: ${answer.statusCode} ${text.slice(0, 200)}`));
          });
        },
      );
      sent.on('error', reject);
      sent.end(body);
    });
  }
}
