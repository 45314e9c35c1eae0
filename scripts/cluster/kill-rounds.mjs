import { setTimeout as pause } from 'node:timers/promises';
import { compare, told } from './compare.mjs';
import { EventLoad } from './event-load.mjs';
import { ORDERS } from './servers.mjs';
import { session } from './session.mjs';

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
    // A server, a node, one of each; of both all in their turn.
    const nodes = round % 3 === 1 ? [] : [Math.floor(round / 2) % galera.nodes.length];
    const ended = round % 3 === 2 ? [] : [round % ORDERS.length];
    await Promise.all([...nodes.map((node) => galera.kill(node)), ...ended.map((one) => servers.end(one))]);
    await pause(AWAY_MS);
    for (const node of nodes) await galera.start(node);
    for (const one of ended) await servers.start(one, galera.url(ORDERS[one]));
    const killed = [...nodes.map((node) => `node ${node}`), ...ended.map((one) => `server ${one}`)];
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
