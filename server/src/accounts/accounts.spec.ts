import { randomUUID } from 'node:crypto';
import { demoScenario, FELLOW, LEAD, OTHER, SCHOOL } from '@doceo/demo';
import supertest from 'supertest';
import { rows, write } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';
import { administer } from './administer';

const scenario = demoScenario(new Date());
const jonas = scenario.students.list.find(({ student }) => student.name === 'Jonas Wren')!;

describe('accounts', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  beforeEach(async () => {
    test = await testApp('accounts');
    [lead, fellow] = (await Promise.all([LEAD, FELLOW].map(({ email }) => test.signedIn(email)))) as [
      Agent,
      Agent,
    ];
  });
  afterEach(() => test.close());

  const remove = (by: Agent, password = 'corvane-demo') => by.post('/api/account/removal').send({ password });
  const one = async <T>(sql: string, values: unknown[] = []): Promise<T | undefined> =>
    (await rows<T>(test.pool, sql, values))[0];

  it('tell what goes and what stays, and ask for the password', async () => {
    expect((await lead.get('/api/account/deletion-preview').expect(200)).body).toMatchObject({
      students: 6,
      lessons: 8,
      circlesWithoutOwner: [SCHOOL.name],
    });
    expect((await remove(fellow, 'not it').expect(401)).body.error.issues[0].path).toBe('password');
    await fellow.get('/api/plans').expect(200);
  });

  it('are not deleted while a circle would lose its last owner', async () => {
    const refused = await remove(lead).expect(409);
    expect([refused.body.error.code, refused.body.error.message]).toEqual([
      'in-use',
      expect.stringContaining(SCHOOL.name),
    ]);
    await lead.get('/api/plans').expect(200);
  });

  it('leave to the circle what was shared with it, and take the rest along', async () => {
    await lead.put(`/api/circles/${SCHOOL.id}/members/${FELLOW.id}`).send({ role: 'owner' }).expect(200);
    const { kept } = (await lead.get('/api/account/deletion-preview')).body as {
      kept: { what: string; keeper: string }[];
    };
    expect(kept.filter(({ what }) => what === 'water')).toHaveLength(4);
    expect(new Set(kept.map(({ keeper }) => keeper))).toEqual(new Set([FELLOW.name]));
    await remove(lead).expect(200);
    await lead.get('/api/plans').expect(401);
    const waters = (await fellow.get('/api/waters').expect(200)).body as { mine: boolean }[];
    expect(waters.map(({ mine }) => mine)).toEqual([true, true, true, true]);
    expect((await fellow.get('/api/plans')).body.length).toBeGreaterThan(1);
    expect(await one('SELECT COUNT(*) AS n FROM students')).toEqual({ n: 0 });
    expect(await one('SELECT COUNT(*) AS n FROM events')).toEqual({ n: 0 });
  });

  it('leave entries about a fellow’s student in his record', async () => {
    const [lesson] = (await lead.get('/api/lessons')).body as {
      id: string;
      planId: string;
      waterId: string;
    }[];
    const id = randomUUID();
    const mine = {
      planId: lesson?.planId,
      waterId: lesson?.waterId,
      startsAt: new Date(Date.now() - 7 * 86_400_000).toISOString(),
    };
    // The plan is shared, so that the fellow may teach by it.
    await lead.post(`/api/plans/${lesson?.planId}/share`).send({ circleId: SCHOOL.id }).expect(200);
    await fellow
      .post('/api/lessons')
      .send({ id, lesson: { ...mine, studentIds: [jonas.id] } })
      .expect(200);
    const event = {
      id: randomUUID(),
      lessonId: id,
      studentId: jonas.id,
      blockId: null,
      deviceId: randomUUID(),
      atMs: 1_795_000_000_000,
      body: { kind: 'note', text: 'by Tobias', aboutId: null },
    };
    expect(
      (
        await fellow
          .post('/api/events')
          .send({ events: [event] })
          .expect(200)
      ).body.stored,
    ).toHaveLength(1);
    expect((await fellow.get('/api/account/deletion-preview')).body.eventsKept).toBe(1);
    await remove(fellow).expect(200);
    const file = (await lead.get(`/api/students/${jonas.id}/export`).expect(200)).body;
    expect(file.events.map((entry: { id: string }) => entry.id)).toContain(event.id);
    expect(file.lessons.find((entry: { id: string }) => entry.id === id)?.water).toBe('River Ostrel');
    await lead.get('/api/lessons').expect(200);
  });

  it('can be deleted by hand, too', async () => {
    await write(test.pool, 'DELETE FROM users WHERE id = ?', [LEAD.id]);
    for (const path of ['lessons', 'plans', 'waters', 'students', 'circles'])
      await fellow.get(`/api/${path}`).expect(200);
  });

  describe('for who runs the installation', () => {
    const signIn = (email: string, password: string) =>
      supertest(test.app).post('/api/session').send({ email, password });
    const passwordIn = (told: string): string => told.split(' ').at(-1) ?? '';

    it('are made and reset with a password that is told once', async () => {
      const told = await administer(test.pool, 'make', 'new@example.org', ['New', 'Person']);
      const session = await signIn('new@example.org', passwordIn(told)).expect(200);
      expect(session.body.user.name).toBe('New Person');
      await expect(administer(test.pool, 'make', 'new@example.org', ['Again'])).rejects.toThrow('already');
      const reset = await administer(test.pool, 'reset', 'new@example.org');
      await signIn('new@example.org', passwordIn(told)).expect(401);
      await signIn('new@example.org', passwordIn(reset)).expect(200);
    });

    it('are closed at once, and opened again', async () => {
      await administer(test.pool, 'block', FELLOW.email);
      await fellow.get('/api/plans').expect(401);
      await signIn(FELLOW.email, 'corvane-demo').expect(403);
      await administer(test.pool, 'open', FELLOW.email);
      await signIn(FELLOW.email, 'corvane-demo').expect(200);
    });

    it('may start what concerns everybody only as administrators', async () => {
      await fellow.post('/api/skill-fit').send({}).expect(403);
      await administer(test.pool, 'admin', FELLOW.email);
      expect((await fellow.get('/api/session')).body.user.admin).toBe(true);
      await administer(test.pool, 'member', FELLOW.email);
      await fellow.post('/api/skill-fit').send({}).expect(403);
    });

    it('are deleted by the same rules', async () => {
      await expect(administer(test.pool, 'delete', LEAD.email)).rejects.toThrow(SCHOOL.name);
      await administer(test.pool, 'delete', OTHER.email);
      await expect(administer(test.pool, 'delete', OTHER.email)).rejects.toThrow('no account');
      await expect(administer(test.pool, 'dance', LEAD.email)).rejects.toThrow('npm run');
    });
  });
});
