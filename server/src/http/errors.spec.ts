import { Agent, createServer, get, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import express from 'express';
import { pino } from 'pino';
import { errorHandler } from './errors';

describe('what fails after the answer', () => {
  const lines: string[] = [];
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  let server: Server;
  let url: string;

  beforeAll(async () => {
    const app = express();
    app.get('/whole', (_request, response, next) => {
      response.json({ ok: true });
      setImmediate(() => next(new Error('too late')));
    });
    app.get('/half', (_request, response, next) => {
      response.write('{');
      setImmediate(() => next(new Error('in the middle')));
    });
    app.use(errorHandler(pino({}, { write: (line: string) => void lines.push(line) })));
    server = createServer(app);
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => {
    agent.destroy();
    server.close();
  });

  const ask = (path: string) =>
    new Promise<{ text: string; port: number | undefined }>((done, fail) => {
      get(`${url}${path}`, { agent }, (reply: IncomingMessage) => {
        const port = reply.socket.localPort;
        let text = '';
        reply.setEncoding('utf8');
        reply.on('data', (part: string) => (text += part));
        reply.on('end', () => done({ text, port }));
        reply.on('error', fail);
      }).on('error', fail);
    });

  it('is noted, and leaves the connection to who uses it next', async () => {
    const first = await ask('/whole');
    await pause(20);
    const second = await ask('/whole');
    expect([first.text, second.text]).toEqual(['{"ok":true}', '{"ok":true}']);
    expect(second.port).toBe(first.port);
    expect(lines.join('')).toContain('too late');
  });

  it('breaks an answer off that has only begun, so that nobody takes it for whole', async () => {
    await expect(ask('/half')).rejects.toThrow('aborted');
  });
});
