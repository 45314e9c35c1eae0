import { connect, createServer, type AddressInfo, type Server, type Socket } from 'node:net';

/** A way to the database that can be cut and mended. */
export interface DatabaseWay {
  /** The database's address by this way. */
  url: string;
  cut: () => Promise<void>;
  mend: () => Promise<void>;
}

/** Puts a way of its own before the database of this address. */
export async function wayTo(databaseUrl: string): Promise<DatabaseWay> {
  const target = new URL(databaseUrl);
  const open = new Set<Socket>();
  let server: Server | null = null;
  let port = 0;
  const mend = (): Promise<void> =>
    new Promise((resolve, reject) => {
      server = createServer((near) => {
        const far = connect(Number(target.port), target.hostname);
        for (const [socket, other] of [
          [near, far],
          [far, near],
        ] as const) {
          open.add(socket);
          socket.on('error', () => other.destroy());
          socket.on('close', () => open.delete(socket) && other.destroy());
        }
        near.pipe(far).pipe(near);
      });
      server.once('error', reject);
      server.listen(port, '127.0.0.1', () => {
        port = (server?.address() as AddressInfo).port;
        resolve();
      });
    });
  const cut = (): Promise<void> =>
    new Promise((resolve) => {
      server?.close(() => resolve());
      for (const socket of open) socket.destroy();
    });
  await mend();
  const url = new URL(databaseUrl);
  url.port = String(port);
  return { url: url.href, cut, mend };
}
