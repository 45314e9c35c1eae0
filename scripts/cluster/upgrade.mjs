import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { ROOT, run } from '../lib/shell.mjs';
import { compare, told } from './compare.mjs';
import { EventLoad } from './event-load.mjs';
import { ORDERS } from './servers.mjs';
import { session } from './session.mjs';

/** The last version that knew one node of a database only. */
const BEFORE = 'ec01374';
const DATABASE = 'doceo_upgrade';
const CALM_MS = 5000;

/**
 * Two servers of a version of before are replaced by this one, one after the other, while devices log.
 *
 * @param from the version of before
 * @returns what went wrong
 */
export async function upgrade(galera, servers, from = BEFORE) {
  const before = join(servers.folder, 'before');
  run('git', ['worktree', 'add', '--quiet', '--detach', '--force', before, from]);
  try {
    for (const [command, args] of [
      ['npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']],
      [process.execPath, ['scripts/build.mjs']],
    ])
      run(command, args, { cwd: before, stdio: ['ignore', 'ignore', 'inherit'] });
    return await replace(galera, servers, before);
  } finally {
    for (const index of ORDERS.keys()) await servers.end(index);
    run('git', ['worktree', 'remove', '--force', before]);
  }
}

async function replace(galera, servers, before) {
  for (const index of ORDERS.keys()) await servers.end(index);
  await galera.ask(0, `CREATE DATABASE ${DATABASE} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  // Those of before work on one and the same node.
  for (const index of ORDERS.keys())
    await servers.start(index, galera.url([0], DATABASE), { root: before, demo: index === 0 });
  const { cookie, places } = await session(servers.origin);
  const entries = await galera.ask(2, 'SELECT COUNT(*) AS n FROM events', DATABASE);
  const load = new EventLoad(servers.origin, cookie, places);
  load.begin();
  for (const [index, order] of ORDERS.entries()) {
    await pause(CALM_MS);
    await servers.end(index, 'SIGTERM');
    await servers.start(index, galera.url(order, DATABASE), { root: ROOT });
    console.log(`server ${index + 1} of ${ORDERS.length} replaced; answers so far ${told(load.answers)}`);
  }
  await pause(CALM_MS);
  await load.end();
  const wrong = [];
  for (const [status] of load.answers)
    if (status !== 200 && status !== 503) wrong.push(`answers of ${status || 'nothing'}`);
  for (const index of galera.nodes.keys())
    wrong.push(...(await compare(galera, index, entries[0].n, load.taken, DATABASE)));
  wrong.push(...(await uncounted(galera, servers, cookie)));
  console.log(`${load.taken.length} entries taken; answers ${told(load.answers)}`);
  return wrong;
}

/** Of whom the record says fewer attempts than there are, since one of before wrote them. */
async function uncounted(galera, servers, cookie) {
  const answer = await fetch(`${servers.origin}/api/records/progress`, { headers: { cookie } });
  const told = new Map((await answer.json()).map(({ id, attempts }) => [id, attempts]));
  const found = await galera.ask(
    1,
    `SELECT student_id AS id, COUNT(*) AS n FROM events e WHERE kind = 'attempt'
       AND NOT EXISTS (SELECT 1 FROM events u WHERE u.kind = 'undo' AND JSON_VALUE(u.body, '$.targetId') = e.id)
     GROUP BY student_id`,
    DATABASE,
  );
  return found
    .filter(({ id, n }) => told.has(id) && told.get(id) < n)
    .map(({ id, n }) => `of ${id} ${told.get(id)} attempts are told, there are ${n}`);
}
