import { Agent, request as httpRequest } from 'node:http';
import { seededRandom } from '@doceo/core';
import { DEMO_ACCOUNTS } from '@doceo/demo';
import { fuzzExamples } from './examples';
import { type FuzzRequest, fuzzRequest } from './requests';
import { pick } from './valid-value';

export interface FuzzReport {
  seed: string;
  /** Answers by status; `none` for a connection that ended without one. */
  counts: Record<string, number>;
  /** Requests that were answered with a failure of the server, as they were sent. */
  failures: { status: number; request: string; reply: string }[];
}

/** Requests on their way at a time. */
const TOGETHER = 8;
const MAX_FAILURES_TOLD = 50;

/** Sends requests, valid by the contract and then changed, to a server with the demo; the same seed sends the same. */
export async function runFuzz(url: string, count: number, seed: string): Promise<FuzzReport> {
  const random = seededRandom(`fuzz/${seed}`);
  const accounts = await Promise.all(DEMO_ACCOUNTS.map((account) => Visitor.of(url, account)));
  const stranger = new Visitor(url, null);
  const ids = (await Promise.all(accounts.map((visitor) => visitor.ids()))).flat();
  const examples = fuzzExamples(new Date());
  const report: FuzzReport = { seed, counts: {}, failures: [] };
  let left = count;
  const work = async (): Promise<void> => {
    while (left > 0) {
      left -= 1;
      const visitor = random() < 0.06 ? stranger : pick(accounts, random);
      const one = fuzzRequest(random, ids, examples);
      const { status, text } = await visitor.send(one);
      report.counts[status || 'none'] = (report.counts[status || 'none'] ?? 0) + 1;
      if (status >= 500 && report.failures.length < MAX_FAILURES_TOLD)
        report.failures.push({ status, request: told(one), reply: text.slice(0, 300) });
      // Some requests end the session, or change the password: whoever was put out comes back.
      if (status === 401 || (one.method === 'delete' && one.path.startsWith('/api/session')))
        await visitor.comeBack();
    }
  };
  await Promise.all(Array.from({ length: TOGETHER }, work));
  for (const visitor of [...accounts, stranger]) visitor.leave();
  return report;
}

/** Somebody with his cookies. */
class Visitor {
  private readonly cookies = new Map<string, string>();
  private readonly connections = new Agent({ keepAlive: true, maxSockets: TOGETHER });

  constructor(
    private readonly url: string,
    private readonly account: { email: string; password: string } | null,
  ) {}

  static async of(url: string, account: { email: string; password: string }): Promise<Visitor> {
    const visitor = new Visitor(url, account);
    await visitor.comeBack();
    return visitor;
  }

  async comeBack(): Promise<void> {
    if (!this.account) return;
    const { email, password } = this.account;
    await this.send({
      method: 'post',
      path: '/api/session',
      headers: { 'content-type': 'application/json' },
      body: Buffer.from(JSON.stringify({ email, password })),
    });
  }

  async ids(): Promise<string[]> {
    const found: string[] = [];
    for (const kind of ['plans', 'lessons', 'students', 'waters', 'rigs', 'readings', 'circles']) {
      const { text } = await this.send({ method: 'get', path: `/api/${kind}`, headers: {}, body: null });
      found.push(...(JSON.parse(text) as { id: string }[]).map(({ id }) => id));
    }
    return found;
  }

  leave(): void {
    this.connections.destroy();
  }

  send({ method, path, headers, body }: FuzzRequest): Promise<{ status: number; text: string }> {
    return new Promise((done) => {
      const cookie = [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ');
      const call = httpRequest(
        `${this.url}${path}`,
        {
          method: method.toUpperCase(),
          agent: this.connections,
          headers: {
            ...(cookie ? { cookie } : {}),
            ...(body ? { 'content-length': body.length } : {}),
            ...headers,
          },
        },
        (reply) => {
          for (const set of reply.headers['set-cookie'] ?? []) {
            const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(set) ?? [];
            this.cookies.set(name, value);
          }
          const parts: Buffer[] = [];
          reply.on('data', (part: Buffer) => parts.push(part));
          reply.on('end', () =>
            done({ status: reply.statusCode ?? 0, text: Buffer.concat(parts).toString() }),
          );
          reply.on('error', () => done({ status: 0, text: '' }));
        },
      );
      call.on('error', () => done({ status: 0, text: '' }));
      call.end(body ?? undefined);
    });
  }
}

function told({ method, path, headers, body }: FuzzRequest): string {
  return `${method} ${path.slice(0, 200)} ${JSON.stringify(headers)} ${body?.toString().slice(0, 400) ?? ''}`;
}
