import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type IncomingMessage, request as ask, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer, json } from 'node:stream/consumers';
import express, { type ErrorRequestHandler } from 'express';
import supertest from 'supertest';
import { passOn } from './pass-on';

const unavailable: ErrorRequestHandler = (error: { code: string; status: number }, _request, response, _) => {
  response.status(error.status).json({ code: error.code });
};

describe('a request that is passed on', () => {
  const folder = mkdtempSync(join(tmpdir(), 'pass-on-'));
  const socket = join(folder, 'other.sock');
  let answer: (request: IncomingMessage, response: ServerResponse) => void;
  const other = createServer((request, response) => answer(request, response));
  const app = express()
    .set('trust proxy', 1)
    .use('/read', express.json())
    .use((request, response, next) => passOn(request, response, socket).catch(next))
    .use(unavailable);

  beforeAll(() => new Promise<void>((done) => other.listen(socket, done)));
  afterAll(() => {
    other.close();
    other.closeAllConnections();
    rmSync(folder, { recursive: true });
  });

  /** The other one tells what he got. */
  const tellsAll = async (request: IncomingMessage, response: ServerResponse): Promise<void> => {
    const { method, url, headers } = request;
    const body = (await buffer(request)).toString();
    response.writeHead(201, { 'content-type': 'application/json', 'set-cookie': ['a=1', 'b=2'] });
    response.end(JSON.stringify({ method, url, headers, body }));
  };

  it('arrives as it is, with who asks, and so does the answer', async () => {
    answer = (request, response) => void tellsAll(request, response);
    const got = await supertest(app)
      .put('/api/things/7?x=1')
      .set('Cookie', 'doceo=s')
      .set('X-Forwarded-For', '10.1.2.3')
      .set('X-Forwarded-Proto', 'https')
      .send({ name: 'Bellmouth' })
      .expect(201);
    expect(got.headers['set-cookie']).toEqual(['a=1', 'b=2']);
    expect(got.body).toMatchObject({
      ...{ method: 'PUT', url: '/api/things/7?x=1', body: '{"name":"Bellmouth"}' },
      headers: { cookie: 'doceo=s', 'x-forwarded-for': '10.1.2.3', 'x-forwarded-proto': 'https' },
    });
  });

  it('arrives also when its body was read already', async () => {
    answer = (request, response) => void tellsAll(request, response);
    const { body } = await supertest(app).post('/read').send({ name: 'Ŝkala' }).expect(201);
    expect(body).toMatchObject({ body: '{"name":"Ŝkala"}', headers: { 'content-length': '17' } });
    expect((await supertest(app).get('/read')).body).toMatchObject({ method: 'GET', body: '' });
  });

  it('is told what was refused before its end', async () => {
    answer = (_request, response) => response.writeHead(413).end('{"code":"too-large"}');
    const { status, text } = await supertest(app).post('/api/things').send('x'.repeat(30_000_000));
    expect([status, text]).toEqual([413, '{"code":"too-large"}']);
  });

  it('is told to come again when the other one goes away', async () => {
    answer = (request) => request.socket.destroy();
    const { status, body } = await supertest(app).get('/api/things');
    expect([status, body]).toEqual([503, { code: 'unavailable' }]);
  });

  it('goes away there when it goes away here', async () => {
    const gone = new Promise((resolve) => {
      answer = (_request, response) => {
        response.once('close', resolve);
        asking.destroy();
      };
    });
    const here = createServer(app).listen(0, '127.0.0.1');
    await new Promise((done) => here.once('listening', done));
    const asking = ask({ port: (here.address() as AddressInfo).port, path: '/api/things' });
    asking.on('error', () => undefined).end();
    await gone;
    here.close();
    here.closeAllConnections();
  });

  it('reads an answer of many megabytes to its end', async () => {
    answer = (_request, response) => {
      response.setHeader('content-type', 'application/json');
      response.end(JSON.stringify(Array<string>(2_000_000).fill('ab')));
    };
    const here = createServer(app).listen(0, '127.0.0.1');
    await new Promise((done) => here.once('listening', done));
    const told = await new Promise<IncomingMessage>((resolve) =>
      ask({ port: (here.address() as AddressInfo).port, path: '/api/things' }, resolve).end(),
    );
    expect(await json(told)).toHaveLength(2_000_000);
    here.close();
    here.closeAllConnections();
  });
});
