import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import supertest from 'supertest';
import { type TestApp, testApp } from '../testing/test-app';

const MAIN = `console.log('${'of the build, '.repeat(100)}');`;

describe('what was built', () => {
  let test: TestApp;
  const root = mkdtempSync(join(tmpdir(), 'doceo-built-'));
  const web = join(root, 'dist/web');
  const write = (name: string, bytes: string | Buffer): void => writeFileSync(join(web, name), bytes);
  beforeAll(async () => {
    mkdirSync(web, { recursive: true });
    write('index.html', '<style nonce="NONCE-HERE"></style>');
    write('service-worker.js', 'self.skipWaiting();');
    write('main-ABCD1234.js', MAIN);
    write('main-ABCD1234.js.br', brotliCompressSync(MAIN));
    write('main-ABCD1234.js.gz', gzipSync(MAIN));
    write('icon.svg', '<svg/>');
    test = await testApp('built', { settings: { DOCEO_ROOT: root } });
  });
  afterAll(async () => {
    await test.close();
    rmSync(root, { recursive: true });
  });

  const ask = (path: string, encodings: string) =>
    supertest(test.app).get(path).set('accept-encoding', encodings);

  it('comes as the build compressed it, by what the browser takes', async () => {
    for (const [accepted, sent] of [
      ['gzip, deflate, br', 'br'],
      ['gzip', 'gzip'],
      ['identity', undefined],
    ] as const) {
      const { headers, text } = await ask('/main-ABCD1234.js', accepted).expect(200);
      expect(headers['content-encoding']).toBe(sent);
      expect(headers['content-type']).toMatch(/^text\/javascript/);
      expect(headers['cache-control']).toBe('public, max-age=31536000, immutable');
      if (sent !== 'br') expect(text).toBe(MAIN);
    }
  });

  it('is asked for anew where its name has no hash', async () => {
    const { headers } = await ask('/icon.svg', 'br').expect(200);
    expect(headers['cache-control']).toBe('no-cache');
    expect(headers['content-encoding']).toBeUndefined();
    await ask('/icon.svg?v=2', 'br').expect(200);
    const worker = await ask('/service-worker.js', 'br').expect(200);
    expect(worker.headers['cache-control']).toBe('no-cache');
    expect(worker.headers['content-security-policy']).toBe("default-src 'self'");
    await ask('/service-worker.js', 'br').set('if-none-match', worker.headers['etag']!).expect(304);
    await ask('/service-worker.js', 'br').set('if-none-match', '"another"').expect(200);
  });

  it('is of the build the server started with where its name has no hash', async () => {
    write('service-worker.js', 'newer();');
    expect((await ask('/service-worker.js', 'br').expect(200)).text).toBe('self.skipWaiting();');
    write('late.svg', '<svg/>');
    await ask('/late.svg', 'br').expect(404);
  });

  it('is there when a newer build took it away, for pages that were opened before', async () => {
    await ask('/main-ABCD1234.js', 'gzip').expect(200);
    for (const ending of ['', '.br', '.gz']) rmSync(join(web, `main-ABCD1234.js${ending}`));
    expect((await ask('/main-ABCD1234.js', 'gzip').expect(200)).text).toBe(MAIN);
  });

  it('is told without its bytes to who asks for that', async () => {
    const { headers, text } = await supertest(test.app).head('/main-ABCD1234.js').expect(200);
    expect([Number(headers['content-length']) > 0, text]).toEqual([true, undefined]);
  });

  it('that is not there is not found, in words', async () => {
    const { body, headers } = await ask('/nothing-ABCD1234.js', 'br').expect(404);
    expect(headers['content-encoding']).toBeUndefined();
    expect(body.error.code).toBe('not-found');
    for (const path of [
      '/main-ABCD1234.js.br',
      '/.hidden-ABCD1234.js',
      '/..-ABCD1234.js',
      '/main-ABCD1234.exe',
    ])
      await ask(path, 'br').expect(404);
    await ask('/..%2f..%2fpackage.json', 'br').expect(404);
  });

  it('is a page at every path without an ending, with styles of this answer alone', async () => {
    const nonces = await Promise.all(
      ['/', '/plan/1'].map(async (path) => {
        const { text, headers } = await ask(path, 'identity').expect(200);
        expect(headers['cache-control']).toBe('no-store');
        return /nonce="([^"]+)"/.exec(text)?.[1];
      }),
    );
    expect(new Set(nonces).size).toBe(2);
    await ask('/api/nothing.js', 'br').expect(401);
  });
});
