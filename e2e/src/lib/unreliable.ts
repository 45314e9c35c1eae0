import { createServer, type IncomingMessage, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';

/** Longest time a request is held back, milliseconds: later ones overtake it. */
const HELD_MS = 250;
/** Of so many answers one is lost on its way back. */
const LOST_OF = 3;

export interface Unreliable {
  url: string;
  /** Requests that came, and how many went on to the server. */
  counts: () => { came: number; went: number; lost: number };
  close: () => Promise<void>;
}

/**
 * A way to the server on which every request of the bank book is sent twice, each held back for a while so that they
 * overtake each other, and one answer of a few never arrives. Everything else passes as it is.
 */
export async function unreliableWay(target: string): Promise<Unreliable> {
  let [came, went, lost] = [0, 0, 0];
  const to = new URL(target);
  const server: Server = createServer((incoming, outgoing) => {
    void bodyOf(incoming).then(async (body) => {
      const twice = incoming.method === 'POST' && incoming.url === '/api/events';
      const send = (): Promise<IncomingMessage> =>
        new Promise((resolve, reject) => {
          const onward = request(
            {
              host: to.hostname,
              port: to.port,
              method: incoming.method,
              path: incoming.url,
              headers: incoming.headers,
            },
            resolve,
          );
          onward.once('error', reject);
          onward.end(body);
        });
      try {
        if (!twice) {
          const answer = await send();
          outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
          answer.pipe(outgoing);
          return;
        }
        came += 1;
        const number = came;
        const [first, second] = await Promise.all(
          [0, 1].map(async (copy) => {
            await new Promise((resolve) =>
              setTimeout(resolve, ((number * 7 + copy * 3) % 11) * (HELD_MS / 10)),
            );
            went += 1;
            return send();
          }),
        );
        // The answer to the copy that was sent last is the one that comes back.
        first?.resume();
        if (number % LOST_OF === 0) {
          second?.resume();
          lost += 1;
          outgoing.destroy();
          return;
        }
        outgoing.writeHead(second?.statusCode ?? 502, second?.headers);
        second?.pipe(outgoing);
      } catch {
        outgoing.destroy();
      }
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    counts: () => ({ came, went, lost }),
    close: () =>
      new Promise((resolve) => {
        server.closeAllConnections();
        server.close(() => resolve());
      }),
  };
}

async function bodyOf(incoming: IncomingMessage): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of incoming) parts.push(part as Buffer);
  return Buffer.concat(parts);
}
