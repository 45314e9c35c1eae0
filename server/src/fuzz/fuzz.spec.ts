import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { seededRandom } from '@doceo/core';
import { type TestApp, testApp } from '../testing/test-app';
import { mutated, textOf } from './mutations';
import { runFuzz } from './run-fuzz';

describe('requests that no client of ours would send', () => {
  let test: TestApp;
  let server: Server;
  beforeAll(async () => {
    test = await testApp('fuzz');
    server = createServer(test.app);
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  });
  afterAll(async () => {
    await new Promise((done) => server.close(done));
    await test.close();
  });

  it('are answered, and none of them with a failure of the server', async () => {
    const { port } = server.address() as AddressInfo;
    const { counts, failures } = await runFuzz(`http://127.0.0.1:${port}`, 2500, 'in the tests');
    expect(failures).toEqual([]);
    // Both sides are tried: what is right goes through, what is wrong is told.
    expect(counts['200']).toBeGreaterThan(300);
    expect(counts['400']).toBeGreaterThan(300);
    expect(counts['none'] ?? 0).toBeLessThan(100);
  });

  it('say what JSON cannot be made to say', () => {
    const random = seededRandom('raw');
    const texts = Array.from({ length: 600 }, () => textOf(mutated({ a: { b: [1, 2] } }, random)));
    for (const odd of ['1e999', '{"__proto__":{"admin":true}}', '\\ud83c', '{"a":1,"a":2}'])
      expect(texts.some((text) => text.includes(odd))).toBe(true);
  });
});
