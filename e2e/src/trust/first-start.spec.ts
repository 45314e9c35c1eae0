import { setTimeout as pause } from 'node:timers/promises';
import { emptyDatabase } from '../../../server/src/testing/test-database';
import { spawnServer, startServer } from '../lib/server';
import { Visitor } from '../lib/visitor';
import { LEAD } from '../lib/world';

const KILLS = 10;
const AT_ONCE = 10;
/** Within this a server has made its database and is up, milliseconds. */
const START_MS = 3000;

/** The first start on an empty database, with whole processes. */
describe('the first start', () => {
  const works = async (url: string): Promise<number> => {
    const lead = await new Visitor(url).signIn(LEAD);
    return (await lead.json<unknown[]>('/api/lessons')).length;
  };

  it('works after the process was killed anywhere in it, ten times of ten', async () => {
    for (let time = 0; time < KILLS; time++) {
      const databaseUrl = await emptyDatabase('first_killed');
      const first = spawnServer(databaseUrl);
      await pause(200 + (time / KILLS) * START_MS);
      first.kill('SIGKILL');
      const server = await startServer(databaseUrl);
      expect({ time, lessons: await works(server.url) }).toEqual({ time, lessons: 8 });
      await server.stop();
    }
  }, 900_000);

  it('may be two at once: both are up, ten times of ten', async () => {
    for (let time = 0; time < AT_ONCE; time++) {
      const databaseUrl = await emptyDatabase('first_two');
      const servers = await Promise.all([startServer(databaseUrl), startServer(databaseUrl)]);
      for (const server of servers) expect(await works(server.url)).toBe(8);
      await Promise.all(servers.map((server) => server.stop()));
    }
  }, 900_000);
});
