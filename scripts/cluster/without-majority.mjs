import { setTimeout as pause } from 'node:timers/promises';
import { ORDERS } from './servers.mjs';
import { session } from './session.mjs';

/**
 * Two nodes of three are killed: the third one may answer nothing, and the servers say so until the others are back.
 *
 * @returns what went wrong
 */
export async function withoutMajority(galera, servers) {
  for (const [index, order] of ORDERS.entries()) {
    await servers.end(index);
    await servers.start(index, galera.url(order));
  }
  const { cookie } = await session(servers.origin);
  const ask = async (index, path) => {
    const answer = await fetch(`http://127.0.0.1:${servers.ports[index]}${path}`, { headers: { cookie } });
    return { status: answer.status, said: (await answer.text()).slice(0, 200) };
  };
  const wrong = [];
  const expect = async (what, path, status) => {
    for (const index of ORDERS.keys()) {
      const found = await ask(index, path);
      if (found.status !== status)
        wrong.push(`${what}: server ${index} answers ${found.status} to ${path}: ${found.said}`);
    }
  };
  await expect('with all nodes', '/api/plans', 200);
  await Promise.all([galera.kill(1), galera.kill(2)]);
  while ((await galera.status(0, 'wsrep_cluster_status')) === 'Primary') await pause(100);
  for (const path of ['/api/health', '/api/plans', '/api/session'])
    await expect('without a majority', path, 503);
  // As both are needed for a majority, neither is ready before the other one.
  await Promise.all([galera.start(1), galera.start(2)]);
  await galera.ready(0);
  for (const path of ['/api/plans', '/api/health']) await expect('with all nodes again', path, 200);
  return wrong;
}
