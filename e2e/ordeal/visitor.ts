/** Somebody with a session of their own, who asks as a script would. */
export class Visitor {
  private cookie = '';

  constructor(
    private readonly url: string,
    private readonly origin = url,
  ) {}

  /** The same person at another process. */
  at(url: string): Visitor {
    const other = new Visitor(url, this.origin);
    other.cookie = this.cookie;
    return other;
  }

  async ask(method: string, path: string, body?: unknown): Promise<{ status: number; body: unknown }> {
    const answer = await fetch(`${this.url}${path}`, {
      method,
      headers: {
        origin: this.origin,
        connection: 'close',
        ...(this.cookie ? { cookie: this.cookie } : {}),
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(15_000),
    });
    const [cookie] = answer.headers.getSetCookie();
    if (cookie) [this.cookie] = cookie.split(';');
    const text = await answer.text();
    return { status: answer.status, body: text ? (JSON.parse(text) as unknown) : undefined };
  }
}
