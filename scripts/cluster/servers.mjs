import { spawn } from 'node:child_process';
import { openSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { freePort } from '../lib/database.mjs';
import { serverArguments } from '../lib/server-command.mjs';
import { findProgram, ROOT } from '../lib/shell.mjs';

const READY_MS = 120_000;

/** Where each server looks for the database first. */
export const ORDERS = [
  [0, 1, 2],
  [1, 2, 0],
];

/** Two servers of the application, each on a port of its own, with what shares requests out between them. */
export class Servers {
  ports = [];
  children = [];
  port = 0;

  constructor(folder) {
    this.folder = folder;
  }

  async share(count) {
    for (let i = 0; i < count; i++) this.ports.push(await freePort());
    this.port = await freePort();
    const path = join(this.folder, 'haproxy.cfg');
    writeFileSync(path, sharing(this.port, this.ports));
    const log = openSync(join(this.folder, 'haproxy.log'), 'a');
    this.sharer = spawn(findProgram('haproxy'), ['-db', '-f', path], { stdio: ['ignore', log, log] });
  }

  /** Starts one; resolves when it is ready, or says that it ended. */
  async start(index, databaseUrl, { root = ROOT, demo = true } = {}) {
    const log = openSync(join(this.folder, `server-${index}.log`), 'a');
    const child = spawn(process.execPath, serverArguments(root), {
      stdio: ['ignore', log, log],
      env: {
        ...process.env,
        ...{ DOCEO_DB_URL: databaseUrl, DOCEO_ROOT: root, PORT: String(this.ports[index]) },
        ...{ DOCEO_DEMO: demo ? '1' : '0', DOCEO_SESSION_SECRET: 'only for the cluster, long enough' },
        ...{ DOCEO_MAIL: 'none', DOCEO_TRUST_PROXY: '1', DOCEO_LOG: 'warn' },
      },
    });
    this.children[index] = child;
    let ended = false;
    child.once('exit', () => (ended = true));
    for (const until = Date.now() + READY_MS; Date.now() < until; await pause(100)) {
      if (ended) throw new Error(`Server ${index} ended at its start; see server-${index}.log`);
      if ((await this.health(index)) === 200) return;
    }
    throw new Error(`Server ${index} does not get ready.`);
  }

  /** What it answers to who asks how it is; 0 when nothing. */
  async health(index) {
    const asked = fetch(`http://127.0.0.1:${this.ports[index]}/api/health`, {
      signal: AbortSignal.timeout(5000),
    });
    return asked.then(
      async (answer) => (await answer.arrayBuffer(), answer.status),
      () => 0,
    );
  }

  async end(index, signal = 'SIGKILL') {
    const child = this.children[index];
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await ended;
  }

  /** As a machine that is cut off or stands still. */
  freeze(index) {
    this.children[index].kill('SIGSTOP');
  }

  thaw(index) {
    this.children[index].kill('SIGCONT');
  }

  async stop() {
    for (const index of this.children.keys()) await this.end(index);
    this.sharer?.kill('SIGKILL');
  }

  get origin() {
    return `http://127.0.0.1:${this.port}`;
  }
}

/** What a server did not answer is asked of the other one: entries are the same when they come twice. */
const sharing = (port, ports) => `global
  maxconn 2000
defaults
  mode http
  timeout connect 1s
  timeout client 60s
  timeout server 30s
  timeout check 2s
  retries 3
  option redispatch 1
  retry-on conn-failure empty-response
frontend all
  bind 127.0.0.1:${port}
  default_backend servers
backend servers
  balance roundrobin
  option httpchk GET /api/health
  http-check expect status 200
  default-server check inter 500ms fall 2 rise 1 on-marked-down shutdown-sessions
${ports.map((own, index) => `  server s${index} 127.0.0.1:${own}`).join('\n')}
`;
