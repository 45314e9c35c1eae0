import { setTimeout as pause } from 'node:timers/promises';
import { compare, told } from './compare.mjs';
import { EventLoad } from './event-load.mjs';
import { ORDERS } from './servers.mjs';
import { session } from './session.mjs';

/** Before something goes away, milliseconds. */
const CALM_MS = 2000;

/** Ways in which a node or a server goes away and comes back, and how long it is away, milliseconds. */
const KILLED = {
  said: 'killed',
  awayMs: 4000,
  nodeGoes: (galera, node) => galera.kill(node),
  nodeComes: (galera, node) => galera.start(node),
  serverGoes: (servers, one) => servers.end(one),
  serverComes: (servers, one, galera) => servers.start(one, galera.url(ORDERS[one])),
};
const FROZEN = {
  said: 'frozen',
  // Longer than the others wait before they go on without it.
  awayMs: 12_000,
  nodeGoes: (galera, node) => galera.freeze(node),
  nodeComes: (galera, node) => galera.thaw(node),
  serverGoes: (servers, one) => servers.freeze(one),
  serverComes: (servers, one) => servers.thaw(one),
};

/** Devices log while nodes, servers, or one of each are killed and started again. @returns what went wrong */
export function killRounds(galera, servers, rounds = 20) {
  return awayRounds(galera, servers, KILLED, Number(rounds));
}

/**
 * The same with machines that stand still or are cut off and go on later: nobody is told that they are gone, and what was
 * sent to them waits.
 *
 * @returns what went wrong
 */
export function freezeRounds(galera, servers, rounds = 6) {
  return awayRounds(galera, servers, FROZEN, Number(rounds));
}

async function awayRounds(galera, servers, way, rounds) {
  for (const [index, order] of ORDERS.entries()) {
    await servers.end(index);
    await servers.start(index, galera.url(order));
  }
  const { cookie, places } = await session(servers.origin);
  const [{ n: before }] = await galera.ask(2, 'SELECT COUNT(*) AS n FROM events');
  const load = new EventLoad(servers.origin, cookie, places);
  load.begin();
  for (let round = 1; round <= rounds; round++) {
    await pause(CALM_MS);
    // A server, a node, one of each; of both all in their turn.
    const nodes = round % 3 === 1 ? [] : [Math.floor(round / 2) % galera.nodes.length];
    const ended = round % 3 === 2 ? [] : [round % ORDERS.length];
    await Promise.all([
      ...nodes.map((node) => way.nodeGoes(galera, node)),
      ...ended.map((one) => way.serverGoes(servers, one)),
    ]);
    await pause(way.awayMs);
    for (const node of nodes) await way.nodeComes(galera, node);
    for (const one of ended) await way.serverComes(servers, one, galera);
    const gone = [...nodes.map((node) => `node ${node}`), ...ended.map((one) => `server ${one}`)];
    console.log(
      `round ${round} of ${rounds}: ${gone.join(' and ')} ${way.said}; answers so far ${told(load.answers)}`,
    );
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
