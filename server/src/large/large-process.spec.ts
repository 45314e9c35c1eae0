import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import type { StudentFile } from '@doceo/contract';
import type { Lake } from '@doceo/core';
import { demoScenario, LEAD } from '@doceo/demo';
import { pino } from 'pino';
import supertest from 'supertest';
import { type Agent, type TestApp, testApp, testSettings } from '../testing/test-app';
import { emptyDatabase } from '../testing/test-database';
import { LargeProcess } from './large-process';

const silent = pino({ level: 'silent' });
const scenario = demoScenario(new Date());
const sam = scenario.students.list[2]!;
const stillWater = scenario.waters.list.find(({ water }) => water.kind === 'lake')!.water;

/** A lake whose shore, and a bed of weed in it, have so many corners each. */
function lakeOf(corners: number): Lake {
  const ring = (radius: number) =>
    Array.from({ length: corners }, (_, i) => {
      const turn = (i / corners) * 2 * Math.PI;
      return { x: 100 + radius * Math.cos(turn), y: 100 + radius * Math.sin(turn) };
    });
  const unknown = { depthM: null, speedMs: null };
  return {
    ...{ id: 'lake', name: 'Merrow Lake', lengthM: 200, widthM: 200, boats: false, soundings: [] },
    pieces: [
      { id: 'shore', name: 'Shore', kind: 'shore', ...unknown, shape: ring(90) },
      { id: 'weed', name: 'Weed', kind: 'weed', ...unknown, shape: ring(30) },
    ],
  };
}

describe('large requests', () => {
  let test: TestApp;
  let lead: Agent;
  let large: LargeProcess;
  let passed: jest.SpyInstance;
  let waterId: string;

  beforeAll(async () => {
    const url = await emptyDatabase('large');
    large = new LargeProcess(testSettings(url, { DOCEO_LOG: 'silent' }), silent);
    passed = jest.spyOn(large, 'answer');
    test = await testApp('large', { url, large });
    lead = await test.signedIn(LEAD.email);
  });
  beforeEach(async () => {
    waterId = randomUUID();
    await lead.post('/api/waters').send({ id: waterId, water: stillWater }).expect(200);
    passed.mockClear();
  });
  afterAll(() => test.close());

  const draw = (lake: Lake) => lead.put(`/api/waters/${waterId}/lake`).send({ lake, baseVersion: 0 });
  const recordOf = async (entries: number): Promise<StudentFile> => {
    const { body } = await lead.get(`/api/students/${sam.id}/export`).expect(200);
    const file = body as StudentFile;
    const studentId = randomUUID();
    return {
      ...file,
      ...{ student: { ...file.student, id: studentId }, readings: [] },
      events: Array.from({ length: entries }, (_, i) => ({
        ...{ id: randomUUID(), studentId, lessonId: file.lessons[0]!.id, blockId: null },
        ...{ deviceId: studentId, atMs: i * 60_000 },
        body: {
          ...{ kind: 'attempt' as const, skillId: 'casting.pause', drillId: null },
          ...{ good: true, faultId: null },
        },
      })),
    };
  };

  it('are answered elsewhere as they would be here: a drawing that is sent, and one that is asked for', async () => {
    const lake = lakeOf(2000);
    expect((await draw(lake).expect(200)).body).toMatchObject({ waterId, version: 1 });
    expect(passed).toHaveBeenCalledTimes(1);
    const { body } = await lead.get(`/api/waters/${waterId}/lake`).expect(200);
    expect(passed).toHaveBeenCalledTimes(2);
    expect(body.saved.lake.pieces[0].shape).toEqual(lake.pieces[0]!.shape);
  });

  it('leave small ones where they are', async () => {
    await draw(lakeOf(40)).expect(200);
    await lead.get(`/api/waters/${waterId}/lake`).expect(200);
    await lead.get(`/api/events?studentId=${sam.id}`).expect(200);
    await lead.get('/api/records/progress').expect(200);
    expect(passed).not.toHaveBeenCalled();
  });

  it('are refused with the place of what is wrong', async () => {
    const lake = lakeOf(2000);
    const { status, body, headers } = await draw({ ...lake, pieces: [...lake.pieces, ...lake.pieces] });
    expect([status, body.error.code]).toEqual([400, 'invalid']);
    expect(body.error.issues[0].path).toMatch(/^lake\.pieces/);
    expect(body.error.requestId).toBe(headers['x-request-id']);
    expect(passed).toHaveBeenCalledTimes(1);
  });

  it('are for nobody who is signed out, and have a limit', async () => {
    const put = (agent: Pick<Agent, 'put'>, text: string) =>
      agent.put(`/api/waters/${waterId}/lake`).set('Content-Type', 'application/json').send(text);
    const small = JSON.stringify({ lake: lakeOf(2000), baseVersion: 0 });
    expect((await put(supertest(test.app), small)).status).toBe(401);
    const { status, body } = await put(lead, `"${'x'.repeat(6_000_000)}"`);
    expect([status, body.error.code]).toEqual([413, 'too-large']);
    expect(passed).toHaveBeenCalledTimes(2);
  });

  it('are those of which nobody says how large they are', async () => {
    const sending = lead.post('/api/events').set('Content-Type', 'application/json');
    sending.write('{"events":[');
    sending.write(`],"sentAtMs":${Date.now()}}`);
    expect((await sending).status).toBe(400);
    expect(passed).toHaveBeenCalledTimes(1);
  });

  it('are whole records: taken in, opened, given out and made into what they come to', async () => {
    const file = await recordOf(4500);
    const id = file.student.id;
    await lead.post('/api/students/import').send(file).expect(200);
    expect((await lead.get(`/api/events?studentId=${id}`).expect(200)).body).toHaveLength(4500);
    const given = (await lead.get(`/api/students/${id}/export`).expect(200)).body as StudentFile;
    expect(given.events).toHaveLength(4500);
    expect(passed).toHaveBeenCalledTimes(3);
    // Whoever looked is noted once.
    const looks = (await lead.get(`/api/students/${id}/access-log`).expect(200)).body as { what: string }[];
    expect(looks.map(({ what }) => what).sort()).toEqual(['export', 'record']);
    const progress = async () =>
      ((await lead.get('/api/records/progress').expect(200)).body as { id: string; attempts: number }[]).find(
        (one) => one.id === id,
      );
    expect(await progress()).toMatchObject({ attempts: 4500 });
    expect(passed).toHaveBeenCalledTimes(4);
    // What is made once is only read.
    expect(await progress()).toMatchObject({ attempts: 4500 });
    expect(passed).toHaveBeenCalledTimes(4);
  });

  it('have a process only as long as there are any', async () => {
    const short = new LargeProcess(testSettings(test.url, { DOCEO_LOG: 'silent' }), silent, 50);
    const other = await testApp('large', { url: test.url, large: short });
    const agent = await other.signedIn(LEAD.email);
    await draw(lakeOf(2000)).expect(200);
    for (let i = 0; i < 2; i++) {
      await agent.get(`/api/waters/${waterId}/lake`).expect(200);
      while (short['running']) await new Promise((done) => setImmediate(done));
    }
    await other.close();
  });

  it('are told to come again where no process can be started, and others go on', async () => {
    const lost = new LargeProcess(testSettings(test.url, { DOCEO_ROOT: '/nowhere' }), silent);
    const other = await testApp('large', { url: test.url, large: lost });
    const agent = await other.signedIn(LEAD.email);
    await draw(lakeOf(2000)).expect(200);
    for (let i = 0; i < 2; i++) await agent.get(`/api/waters/${waterId}/lake`).expect(503);
    await agent.get('/api/session').expect(200);
    await other.close();
  });

  it('are told to come again when their process dies, and the next one finds another', async () => {
    const dying = draw(lakeOf(2000)).then(({ status, headers }) => [status, headers['retry-after']]);
    while (passed.mock.calls.length === 0) await new Promise((done) => setImmediate(done));
    const { child } = large['running']!;
    const gone = once(child, 'exit');
    child.kill('SIGKILL');
    expect(await dying).toEqual([503, '2']);
    await gone;
    await draw(lakeOf(2000)).expect(200);
  });
});
