import { setTimeout as pause } from 'node:timers/promises';
import { compare, told } from './compare.mjs';
import { EventLoad } from './event-load.mjs';
import { ORDERS, session } from './session.mjs';

const ROUNDS = 20;
/** Before something is killed, and before it comes back, milliseconds. */
const CALM_MS = 2000;
const AWAY_MS = 4000;
/**
 * Devices log while nodes, servers, or one of each are killed and started again.
 *
 * @param rounds how many
 * @returns what went wrong
 */
export async function killRounds(galera, servers, rounds = ROUNDS) {
  for (const [index, order] of ORDERS.entries()) await servers.start(index, galera.url(order));
  const { cookie, places } = await session(servers.origin);
  const [{ n: before }] = await galera.ask(2, 'SELECT COUNT(*) AS n FROM events');
  const load = new EventLoad(servers.origin, cookie, places);
  load.begin();
  for (let round = 1; round <= Number(rounds); round++) {
    await pause(CALM_MS);
    const node = round % 3 === 1 ? null : round % galera.nodes.length;
    const server = round % 3 === 2 ? null : round % ORDERS.length;
    await Promise.all([
      node === null ? null : galera.kill(node),
      server === null ? null : servers.end(server),
    ]);
    await pause(AWAY_MS);
    if (node !== null) await galera.start(node);
    if (server !== null) await servers.start(server, galera.url(ORDERS[server]));
    const killed = [
      node === null ? [] : [`node ${node}`],
      server === null ? [] : [`server ${server}`],
    ].flat();
    console.log(`round ${round} of ${rounds}: ${killed.join(' and ')}; answers so far ${told(load.answers)}`);
  }
  await load.end();
  const wrong = [];
  for (const [status] of load.answers)
    if (status === 500 || (status >= 400 && status < 500)) wrong.push(`answers of ${status}`);
  for (const index of galera.nodes.keys()) wrong.push(...(await compare(galera, index, before, load.taken)));
  console.log(
    `${load.taken.length} entries taken, the last of them after ${(load.longestMs / 1000).toFixed(1)} s at most; answers ${told(load.answers)}`,
  );
  return wrong;
}
