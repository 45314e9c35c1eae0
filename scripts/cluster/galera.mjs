import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdirSync, openSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { createConnection } from 'mysql2/promise';
import { freePort } from '../lib/database.mjs';
import { GALERA } from '../lib/setup.mjs';
import { findProgram } from '../lib/shell.mjs';

const PASSWORD = 'only-on-this-loopback';
/** The programs that carry a whole copy over give up being root; the nodes must then not be root's. */
const USER = process.getuid?.() === 0 ? 'mysql' : null;
const READY_MS = 120_000;

/** A cluster of database nodes on the loopback, with its files in one folder. */
export class Galera {
  nodes = [];

  constructor(folder) {
    this.folder = folder;
  }

  async install(count) {
    mkdirSync(this.folder, { recursive: true });
    if (USER) chmodSync(dirname(this.folder), 0o711);
    for (let i = 0; i < count; i++) {
      const at = (name) => join(this.folder, `node-${i}${name}`);
      const ports = [];
      for (const use of ['sql', 'group', 'step', 'copy']) ports.push([use, await freePort()]);
      this.nodes.push({ at, data: at(''), port: Object.fromEntries(ports), child: null });
      for (const part of ['', '-tmp']) mkdirSync(at(part), { recursive: true });
      this.#hand();
      const made = spawnSync(
        findProgram('mariadb-install-db'),
        [
          ...['--no-defaults', `--datadir=${at('')}`, '--auth-root-authentication-method=socket'],
          ...['--skip-test-db', ...asUser()],
        ],
        { encoding: 'utf8', env: { ...process.env, TMPDIR: at('-tmp') } },
      );
      if (made.status !== 0) throw new Error(`A node could not be made: ${made.stderr}`);
    }
    writeFileSync(
      join(this.folder, 'first.sql'),
      [
        `CREATE USER 'doceo'@'127.0.0.1' IDENTIFIED BY '${PASSWORD}';`,
        "GRANT ALL ON `doceo%`.* TO 'doceo'@'127.0.0.1';",
        "GRANT PROCESS ON *.* TO 'doceo'@'127.0.0.1';",
        'CREATE DATABASE doceo CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci;',
      ].join('\n'),
    );
    this.#hand();
  }

  /** Gives what is in the folder to whom the nodes run as. */
  #hand() {
    if (USER) spawnSync('chown', ['-R', USER, this.folder]);
  }

  async startAll() {
    await this.start(0, true);
    for (let i = 1; i < this.nodes.length; i++) await this.start(i);
  }

  /** @param first whether the cluster begins with this node */
  async start(index, first = false) {
    const node = this.nodes[index];
    const position = first ? null : this.#positionOf(node);
    const log = openSync(node.at('.log'), 'a');
    const child = spawn(
      findProgram('mariadbd'),
      [
        ...this.#settings(node),
        ...(first ? ['--wsrep-new-cluster', `--init-file=${join(this.folder, 'first.sql')}`] : []),
        ...(position ? [`--wsrep-start-position=${position}`] : []),
      ],
      { stdio: ['ignore', log, log], env: { ...process.env, TMPDIR: node.at('-tmp') } },
    );
    node.child = child;
    child.once('exit', () => {
      if (node.child === child) node.child = null;
    });
    await this.ready(index);
  }

  /** Resolves when a node takes statements. */
  async ready(index) {
    const node = this.nodes[index];
    for (const until = Date.now() + READY_MS; Date.now() < until; await pause(100)) {
      if (!node.child) throw new Error(`Node ${index} ended; see ${node.at('.log')}`);
      if ((await this.status(index, 'wsrep_ready').catch(() => null)) === 'ON') return;
    }
    throw new Error(`Node ${index} does not get ready; see ${node.at('.log')}`);
  }

  /** As a power cut would, without a word. */
  async kill(index) {
    const { child } = this.nodes[index];
    if (!child) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await ended;
  }

  /** As a machine that is cut off or stands still: its connections stay open, and nothing comes through them. */
  freeze(index) {
    this.nodes[index].child?.kill('SIGSTOP');
  }

  /** Resolves when it has caught up with the others. */
  async thaw(index) {
    this.nodes[index].child?.kill('SIGCONT');
    await this.ready(index);
  }

  async stop() {
    for (const index of this.nodes.keys()) await this.kill(index);
  }

  async status(index, name) {
    return (await this.ask(index, `SHOW STATUS LIKE '${name}'`))[0]?.Value;
  }

  /** Rows of one statement, asked of one node. */
  async ask(index, sql, database = 'doceo') {
    const connection = await createConnection({
      uri: this.url([index], database).replace('mariadb', 'mysql'),
    });
    try {
      await connection.query('SET SESSION wsrep_sync_wait = 7');
      return (await connection.query(sql))[0];
    } finally {
      connection.destroy();
    }
  }

  /** The address for servers: nodes in the order in which they are tried. */
  url(order, database = 'doceo') {
    const hosts = order.map((index) => `127.0.0.1:${this.nodes[index].port.sql}`);
    return `mariadb://doceo:${PASSWORD}@${hosts.join(',')}/${database}`;
  }

  /** How far a node had come that was killed, so that it fetches only what came since. */
  #positionOf(node) {
    const path = node.at('.recover');
    const out = openSync(path, 'w');
    spawnSync(findProgram('mariadbd'), [...this.#settings(node), '--wsrep-recover', '--skip-networking'], {
      stdio: ['ignore', out, out],
      env: { ...process.env, TMPDIR: node.at('-tmp') },
    });
    return /Recovered position: (\S+)/.exec(readFileSync(path, 'utf8'))?.[1] ?? null;
  }

  #settings({ at, data, port }) {
    const group = this.nodes.map((one) => `127.0.0.1:${one.port.group}`).join(',');
    return [
      ...['--no-defaults', `--datadir=${data}`, `--socket=${at('.sock')}`, `--port=${port.sql}`],
      ...['--bind-address=127.0.0.1', `--pid-file=${at('.pid')}`, '--skip-name-resolve', ...asUser()],
      ...['--character-set-server=utf8mb4', '--collation-server=utf8mb4_unicode_ci'],
      ...['--default-time-zone=+00:00', '--innodb-buffer-pool-size=64M', '--max-connections=200'],
      ...['--binlog-format=ROW', '--innodb-autoinc-lock-mode=2'],
      // What one node had not written yet is on the others.
      '--innodb-flush-log-at-trx-commit=2',
      ...['--wsrep-on=ON', `--wsrep-provider=${GALERA}`, '--wsrep-cluster-name=doceo'],
      ...[`--wsrep-cluster-address=gcomm://${group}`, `--wsrep-node-address=127.0.0.1:${port.group}`],
      ...['--wsrep-sst-method=rsync', `--wsrep-sst-receive-address=127.0.0.1:${port.copy}`],
      `--wsrep-provider-options=gmcast.listen_addr=tcp://127.0.0.1:${port.group};ist.recv_addr=127.0.0.1:${port.step};evs.keepalive_period=PT0.5S;evs.suspect_timeout=PT2S;evs.inactive_timeout=PT10S;gcache.size=64M`,
    ];
  }
}

const asUser = () => (USER ? [`--user=${USER}`] : []);
