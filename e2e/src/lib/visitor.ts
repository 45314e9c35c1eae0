import { setTimeout as pause } from 'node:timers/promises';

/** A program with a session, as a device has one; it asks again while the server is away. */
export class Visitor {
  private cookie = '';

  constructor(readonly url: string) {}

  async signIn(email: string, password = 'corvane-demo'): Promise<this> {
    const reply = await this.patiently('/api/session', { email, password });
    this.cookie = reply.headers
      .getSetCookie()
      .map((one) => one.split(';')[0])
      .join('; ');
    return this;
  }

  /** One try. A body makes it a POST. */
  once(path: string, body?: unknown, method = body === undefined ? 'GET' : 'POST'): Promise<Response> {
    return fetch(`${this.url}${path}`, {
      method,
      headers: { cookie: this.cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(20_000),
    });
  }

  async json<T>(path: string, body?: unknown): Promise<T> {
    return (await (await this.patiently(path, body)).json()) as T;
  }

  /** Until the server answers with anything but that it is away. */
  private async patiently(path: string, body?: unknown): Promise<Response> {
    for (let tries = 0; ; tries++) {
      try {
        const reply = await this.once(path, body);
        if (reply.status < 500 || tries > 200) return reply;
      } catch (error) {
        if (tries > 200) throw error;
      }
      await pause(150);
    }
  }
}
