import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { randomUUID } from 'node:crypto';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type FitStatus, fitStatusSchema } from '@doceo/contract';
import { type BankEvent, MIN_FIT_STUDENTS, simulateSchool } from '@doceo/core';
import { demoScenario, FELLOW, LEAD } from '@doceo/demo';
import { pino } from 'pino';
import supertest from 'supertest';
import { rows, write } from './db/pool';
import { insertEvents } from './events/events.sql';
import { FitJob } from './skill-fit/fit-job';
import { findFitStatus } from './skill-fit/skill-fit.sql';
import { insertStudent } from './students/students.sql';
import { type TestApp, testApp } from './testing/test-app';

const TRUTH = { initial: 0.4, learn: 0.12, slip: 0.05, guess: 0.1 };
const MANY = 60;
/** Share of the trust in a lesson's attempt that is true of one at home. */
const HOME = 0.45;

describe('learning parameters from all records', () => {
  let test: TestApp;
  let lead: ReturnType<typeof supertest.agent>;
  let fellow: ReturnType<typeof supertest.agent>;
  const ownerOf = async (): Promise<{ user: string; lesson: string }> => {
    const [lesson] = await rows<{ id: string; owner_id: string }>(
      test.pool,
      'SELECT id, owner_id FROM lessons LIMIT 1',
    );
    return { user: lesson!.owner_id, lesson: lesson!.id };
  };
  /** Starts a fit and waits until it has ended. */
  const fitted = async (): Promise<FitStatus> => {
    await lead.post('/api/skill-fit').expect(200);
    for (;;) {
      const status = fitStatusSchema.parse((await fellow.get('/api/skill-fit').expect(200)).body);
      if (status.state !== 'running') return status;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  };

  beforeAll(async () => {
    test = await testApp('skill_fit');
    lead = await test.signedIn(LEAD.email);
    fellow = await test.signedIn(FELLOW.email);
  });
  afterAll(() => test.close());

  it('have not been fitted at first', async () => {
    const { body } = await lead.get('/api/skill-fit').expect(200);
    expect(body).toMatchObject({ state: 'never', skills: {}, home: null });
  });

  it('are told with their number, and not used, when there are too few students', async () => {
    const { state, done, of, skills } = await fitted();
    expect([state, done]).toEqual(['done', of]);
    expect(of).toBe(Object.keys(skills).length);
    expect(of).toBeGreaterThan(10);
    const pause = skills['casting.pause'];
    expect(pause?.enough).toBe(false);
    expect(pause?.students).toBeGreaterThan(0);
    expect(pause?.students).toBeLessThan(MIN_FIT_STUDENTS);
    const scenario = demoScenario(new Date());
    for (const { student } of scenario.students.list)
      expect(JSON.stringify(skills)).not.toContain(student.name.split(' ')[0]);
  });

  it('find what simulated students learned by, once there are enough; what was taken back counts for nothing', async () => {
    const { user, lesson } = await ownerOf();
    const school = simulateSchool(SHIPPED, 'api', {
      students: MANY,
      drillIds: ['lay-it-down'],
      sessions: 4,
      attempts: 6,
      seen: [{}, { home: true }],
      parameters: { 'casting.pick-up-lay-down': { ...TRUTH, home: HOME } },
    });
    const before = (await fitted()).skills['casting.pick-up-lay-down'];
    for (const { key, attempts } of school) {
      const studentId = randomUUID();
      await insertStudent(test.pool, user, studentId, {
        name: key,
        bornOn: null,
        saidAdult: true,
        hand: 'right',
        heightM: null,
        needs: [],
        note: '',
        guardianName: '',
        guardianContact: '',
        guardianConsentOn: null,
      });
      const event = (atMs: number, body: BankEvent['body']): BankEvent => ({
        id: randomUUID(),
        lessonId: lesson,
        studentId,
        blockId: null,
        deviceId: randomUUID(),
        atMs,
        body,
      });
      const made = attempts.map(({ atMs, skillId, good, home }) =>
        event(atMs, {
          ...{ kind: 'attempt' as const, skillId, drillId: 'lay-it-down', good, faultId: null },
          ...(home && { home }),
        }),
      );
      const slip = event(1, {
        kind: 'attempt',
        skillId: 'casting.pick-up-lay-down',
        drillId: null,
        good: false,
        faultId: null,
      });
      await insertEvents(test.pool, user, [...made, slip, event(2, { kind: 'undo', targetId: slip.id })]);
    }
    const { skills, home } = await fitted();
    const fit = skills['casting.pick-up-lay-down'];
    expect(fit?.enough).toBe(true);
    expect(fit?.students).toBe(MANY + (before?.students ?? 0));
    expect(fit?.attempts).toBe(MANY * 24 + (before?.attempts ?? 0));
    for (const key of ['initial', 'learn', 'slip', 'guess'] as const)
      expect(Math.abs((fit?.mean[key] ?? 0) - TRUTH[key])).toBeLessThan(0.1);
    // What they did at home is believed as far as it agrees with what was seen of them.
    expect(home).toMatchObject({ enough: true, students: MANY, attempts: MANY * 12 });
    expect(Math.abs((home?.trust ?? 0) - HOME)).toBeLessThan(0.15);
  });

  it('stay as they were where nobody has a new attempt', async () => {
    const before = (await fitted()).skills;
    await write(test.pool, "UPDATE skill_fits SET fit = JSON_SET(fit, '$.students', 777)");
    expect((await fitted()).skills['casting.pause']?.students).toBe(777);
    const { user, lesson } = await ownerOf();
    const [{ id: studentId } = { id: '' }] = await rows<{ id: string }>(
      test.pool,
      'SELECT id FROM students LIMIT 1',
    );
    await insertEvents(test.pool, user, [
      {
        ...{ id: randomUUID(), lessonId: lesson, studentId, blockId: null, deviceId: randomUUID(), atMs: 5 },
        body: {
          ...{ kind: 'attempt', skillId: 'casting.pause', drillId: null },
          ...{ good: true, faultId: null },
        },
      },
    ]);
    const { skills } = await fitted();
    expect(skills['casting.pause']?.attempts).toBe((before['casting.pause']?.attempts ?? 0) + 1);
    expect(skills['casting.pick-up-lay-down']?.students).toBe(777);
  });

  it('are fitted by one job at a time, and one that broke off is told and does not block the next', async () => {
    await write(test.pool, "UPDATE fit_job SET state = 'running', done = 3, touched_at = UTC_TIMESTAMP(3)");
    const { body } = await lead.post('/api/skill-fit').expect(200);
    expect(body).toMatchObject({ state: 'running', done: 3 });
    await write(test.pool, 'UPDATE fit_job SET touched_at = UTC_TIMESTAMP(3) - INTERVAL 2 MINUTE');
    expect((await lead.get('/api/skill-fit').expect(200)).body.state).toBe('failed');
    expect((await fitted()).state).toBe('done');
  });

  it('are still being fitted while a step takes long, and are not once their process is gone', async () => {
    const root = mkdtempSync(join(tmpdir(), 'doceo-fit-'));
    mkdirSync(join(root, 'dist'));
    writeFileSync(join(root, 'dist/fit.mjs'), 'setInterval(() => undefined, 1000)');
    const settings = { DOCEO_ROOT: root, DOCEO_DB_URL: '' };
    const job = new FitJob(test.pool, settings, pino({ level: 'silent' }), 20);
    const stateIs = async (wanted: FitStatus['state']): Promise<void> => {
      while ((await findFitStatus(test.pool)).state !== wanted)
        await new Promise((resolve) => setTimeout(resolve, 10));
    };
    await job.start();
    await write(test.pool, 'UPDATE fit_job SET touched_at = UTC_TIMESTAMP(3) - INTERVAL 2 MINUTE');
    await stateIs('running');
    job.close();
    await stateIs('failed');
    rmSync(root, { recursive: true });
  });

  it('are not for those who are signed out', async () => {
    await supertest(test.app).get('/api/skill-fit').expect(401);
    await supertest(test.app).post('/api/skill-fit').expect(401);
  });
});
