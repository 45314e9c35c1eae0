import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import { demoScenario, FELLOW, LEAD, SCHOOL } from '@doceo/demo';
import { createConnection } from 'mysql2/promise';
import { pino } from 'pino';
import supertest from 'supertest';
import { connectionOptions } from '../db/nodes';
import { DEFAULT_PATIENCE_MS } from '../db/patience';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const sam = scenario.students.list[2]!;

describe('what the server tells about itself', () => {
  let test: TestApp;
  let lead: Agent;
  const lines: Record<string, unknown>[] = [];
  beforeAll(async () => {
    const log = pino({ level: 'info' }, { write: (line: string) => void lines.push(JSON.parse(line)) });
    test = await testApp('telling', {
      ...{ log, settings: { DOCEO_METRICS: '1' }, patienceMs: DEFAULT_PATIENCE_MS },
    });
    lead = await test.signedIn(LEAD.email);
  });
  beforeEach(() => void lines.splice(0));
  afterAll(() => test.close());

  const told = (msg: string) => lines.filter((line) => line['msg'] === msg);

  it('notes each call with its id, who, how it ended and how long it took', async () => {
    const { headers } = await lead.get('/api/plans?x=1');
    expect(told('answered')).toEqual([
      expect.objectContaining({
        requestId: headers['x-request-id'],
        userId: LEAD.id,
        req: { method: 'GET', path: '/api/plans' },
        res: { status: 400 },
        ms: expect.any(Number),
      }),
    ]);
  });

  it('notes a wrong password without it, and a refused call', async () => {
    await supertest(test.app)
      .post('/api/session')
      .send({ email: LEAD.email, password: 'secret-guess' })
      .expect(401);
    expect(told('refused')).toEqual([
      expect.objectContaining({ code: 'wrong-credentials', path: '/api/session' }),
    ]);
    const fellow = await test.signedIn(FELLOW.email);
    await fellow.delete(`/api/students/${scenario.students.list[1]!.id}`).expect(403);
    expect(told('refused')[1]).toMatchObject({ code: 'forbidden', userId: FELLOW.id });
    expect(JSON.stringify(lines)).not.toContain('secret-guess');
    expect(JSON.stringify(lines)).not.toContain(LEAD.email);
  });

  it('notes an export and a change of role', async () => {
    await lead.get(`/api/students/${sam.id}/export`).expect(200);
    expect(told('record exported')).toEqual([
      expect.objectContaining({ userId: LEAD.id, studentId: sam.id }),
    ]);
    await lead.put(`/api/circles/${SCHOOL.id}/members/${FELLOW.id}`).send({ role: 'owner' }).expect(200);
    expect(told('role changed')).toEqual([
      expect.objectContaining({ userId: LEAD.id, circleId: SCHOOL.id, memberId: FELLOW.id, role: 'owner' }),
    ]);
    expect(JSON.stringify(lines)).not.toContain(sam.student.name);
  });

  it('says in its health that writes are refused, until one has gone through', async () => {
    const health = async () =>
      (await supertest(test.app).get('/api/health')) as { status: number; body: object };
    expect(await health()).toMatchObject({ status: 200, body: { ok: true, database: 'up', trouble: null } });
    const other = await createConnection(connectionOptions(test.url));
    await other.query('LOCK TABLES circles READ, circle_members READ');
    const found = () => lead.post('/api/circles').send({ id: randomUUID(), name: 'Locked' });
    const refused = await found();
    expect([refused.status, refused.body.error.code, refused.headers['retry-after']]).toEqual([
      503,
      'unavailable',
      '2',
    ]);
    expect(await health()).toMatchObject({
      status: 503,
      body: { ok: false, database: 'troubled', trouble: expect.stringMatching(/LOCK|WAITED|TIMEOUT/) },
    });
    await other.query('UNLOCK TABLES');
    await other.end();
    await found().expect(200);
    expect(await health()).toMatchObject({ status: 200, body: { database: 'up' } });
  });

  it('gives figures on a setting, by routes and never by ids', async () => {
    await lead.get(`/api/students/${sam.id}`).expect(200);
    const { text } = await supertest(test.app).get('/metrics').expect(200);
    expect(text).toMatch(
      /doceo_request_seconds_count\{method="GET",route="\/api\/students\/:id",status="200"\} 1/,
    );
    expect(text).not.toContain(sam.id);
    const silent = await testApp('silent');
    expect((await supertest(silent.app).get('/metrics')).text).not.toContain('doceo_request_seconds');
    await silent.close();
  });

  it.each<
    [
      string,
      (agent: Agent) => Promise<{ status: number; body: { error: { issues: { path: string }[] } } }>,
      string,
    ]
  >([
    [
      'a wrong encoding',
      (agent) =>
        agent
          .post('/api/plans')
          .set('Content-Type', 'application/json')
          .set('Content-Encoding', 'gzip')
          .send('{"not":"gzip"}'),
      'body',
    ],
    [
      'an unknown encoding',
      (agent) =>
        agent
          .post('/api/plans')
          .set('Content-Type', 'application/json')
          .set('Content-Encoding', 'zip')
          .send('{}'),
      'body',
    ],
    [
      'half a character in a name',
      (agent) =>
        agent
          .post('/api/students')
          .set('Content-Type', 'application/json')
          .send(
            `{"id":"${randomUUID()}","student":${JSON.stringify({ ...sam.student, name: 'Q' }).replace('"Q"', '"a\\ud800b"')}}`,
          ),
      'student.name',
    ],
    [
      'half a character where no schema looks',
      (agent) =>
        agent
          .put('/api/session/password')
          .set('Content-Type', 'application/json')
          .send('{"current":"\\udc00","next":"long enough so far"}'),
      'current',
    ],
  ])('answers %s with 400 and its place', async (_, send, path) => {
    const { status, body } = await send(lead);
    expect([status, body.error.issues[0]?.path]).toEqual([400, path]);
  });

  it('reads a body that is packed as it says', async () => {
    const packed = gzipSync(JSON.stringify({ id: randomUUID(), name: 'Packed' }));
    const request = lead
      .post('/api/circles')
      .set('Content-Type', 'application/json')
      .set('Content-Encoding', 'gzip');
    request.write(packed);
    expect((await request).status).toBe(200);
  });
});
