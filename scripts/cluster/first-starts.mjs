import { ORDERS } from './servers.mjs';

const TIMES = 10;
/** What the demo has at its start, whoever loads it. */
const COUNTS = `SELECT (SELECT COUNT(*) FROM users) AS users, (SELECT COUNT(*) FROM lessons) AS lessons,
  (SELECT COUNT(*) FROM loaded) AS loaded, (SELECT holder FROM preparing) AS holder`;

/**
 * Two servers that start at once, on two nodes of an empty cluster, ten times.
 *
 * @returns what went wrong
 */
export async function firstStarts(galera, servers) {
  const wrong = [];
  for (let time = 1; time <= TIMES; time++) {
    const name = `doceo_first_${time}`;
    await galera.ask(0, `CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
    const starts = ORDERS.map((order, index) => servers.start(index, galera.url(order, name)));
    for (const { status, reason } of await Promise.allSettled(starts))
      if (status === 'rejected') wrong.push(`start ${time}: ${reason.message}`);
    const found = JSON.stringify((await galera.ask(2, COUNTS, name))[0]);
    if (found !== JSON.stringify({ users: 3, lessons: 8, loaded: 1, holder: '' }))
      wrong.push(`start ${time}: ${found}`);
    await Promise.all(ORDERS.map((_, index) => servers.end(index)));
    await galera.ask(0, `DROP DATABASE ${name}`);
    console.log(`first start ${time} of ${TIMES}`);
  }
  return wrong;
}
