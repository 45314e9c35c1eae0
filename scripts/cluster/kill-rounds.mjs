import { setTimeout as pause } from 'node:timers/promises';
import { EventLoad } from './event-load.mjs';
import { session } from './session.mjs';

const ROUNDS = 20;
/** Before something is killed, and before it comes back, milliseconds. */
const CALM_MS = 2000;
const AWAY_MS = 4000;
/** Where each server looks for the database first. */
export const ORDERS = [
  [0, 1, 2],
  [1, 2, 0],
];

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
  console.log(`${load.taken.length} entries taken; answers ${told(load.answers)}`);
  return wrong;
}

/** What one node has, against what devices were told. */
async function compare(galera, index, before, taken) {
  const found = await galera.ask(index, 'SELECT id, COUNT(*) AS n FROM events GROUP BY id');
  const counts = new Map(found.map(({ id, n }) => [id, n]));
  const lost = taken.filter((id) => !counts.has(id)).length;
  const doubled = found.filter(({ n }) => n > 1).length;
  const wrong = [];
  if (lost > 0) wrong.push(`node ${index} lost ${lost}`);
  if (doubled > 0 || found.length !== before + new Set(taken).size)
    wrong.push(`node ${index} has ${found.length} entries, ${doubled} doubled`);
  return wrong;
}

const told = (answers) => [...answers].map(([status, n]) => `${status || 'none'} × ${n}`).join(', ');
