import { randomUUID } from 'node:crypto';
import type { ShownLayer, Teaching } from '@doceo/contract';
import { emptyLayer, type Layer } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { SCHOOL } from '@doceo/demo';
import { curriculumFor } from './curriculum';
import { rows } from '../db/pool';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const drill = (name: string) => ({ ...SHIPPED.drills.get('hoops'), id: 'own-hoops', name });
const layer = (change: Partial<Layer>): Layer => ({ ...emptyLayer(), ...change });

describe('what is taught', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  beforeAll(async () => {
    test = await testApp('teaching');
    [lead, fellow, other] = await test.everybody();
  });
  afterAll(() => test.close());

  const teaching = async (by: Agent): Promise<Teaching> => (await by.get('/api/teaching').expect(200)).body;
  const idOf = async (by: Agent): Promise<string> => (await by.get('/api/session')).body.user.id;
  const save = async (by: Agent, change: Partial<Layer>, path = '/api/teaching') => {
    const now = await teaching(by);
    const { version } = path === '/api/teaching' ? now.own : (now.circle ?? { version: 0 });
    return by.put(path).send({ layer: layer(change), baseVersion: version });
  };

  it('is what ships, until somebody lays something over it', async () => {
    const agent = await test.newcomer('nobody-yet');
    expect(await teaching(agent)).toMatchObject({ own: { version: 0 }, circle: null, shownTo: null });
    const drills = (await agent.get('/api/drills').expect(200)).body;
    expect(drills).toHaveLength(SHIPPED.drills.all.length);
  });

  it('is saved on the version it came from, never over another, and every version stays', async () => {
    expect((await save(lead, { drills: [drill('Big hoops')] })).status).toBe(200);
    const { own } = await teaching(lead);
    expect([own.version, own.layer.drills[0]?.name]).toEqual([1, 'Big hoops']);
    const stale = await lead.put('/api/teaching').send({ layer: emptyLayer(), baseVersion: 0 });
    expect([stale.status, stale.body.error.code]).toEqual([409, 'version-conflict']);
    expect((await save(lead, { drills: [drill('Bigger hoops')] })).status).toBe(200);
    const kept = await rows<{ n: number }>(
      test.pool,
      `SELECT COUNT(*) AS n FROM layer_versions v JOIN layers l ON l.id = v.layer_id WHERE l.user_id = ?`,
      [await idOf(lead)],
    );
    expect(Number(kept[0]?.n)).toBe(2);
    const drills = (await lead.get('/api/drills')).body as { name: string }[];
    expect(drills.map(({ name }) => name)).toContain('Bigger hoops');
  });

  it('lets nine save at once, and eight of them know that they were too late', async () => {
    const agent = await test.newcomer('hasty');
    const replies = await Promise.all(
      Array.from({ length: 9 }, (_, i) =>
        agent.put('/api/teaching').send({ layer: layer({ drills: [drill(`${i}`)] }), baseVersion: 0 }),
      ),
    );
    expect(replies.map(({ status }) => status).sort()).toEqual([200, ...Array(8).fill(409)]);
    expect((await teaching(agent)).own.version).toBe(1);
  });

  it('names what is wrong at the field, and keeps nothing of it', async () => {
    const agent = await test.newcomer('wrong');
    const [a, b] = ['casting.stop', 'casting.pause'].map(SHIPPED.skills.get);
    const broken = layer({
      skills: [
        { ...a!, needs: ['casting.pause'] },
        { ...b!, needs: ['casting.stop'] },
      ],
    });
    const circle = await agent.put('/api/teaching').send({ layer: broken, baseVersion: 0 });
    expect(circle.status).toBe(400);
    expect(circle.body.error.issues[0]).toMatchObject({
      path: 'layer.skills[1].needs[0]',
      message: 'closes a circle: casting.stop needs casting.pause needs casting.stop',
    });
    const idle = layer({ drills: [{ ...drill('Idle'), trains: [] }] });
    const nothing = await agent.put('/api/teaching').send({ layer: idle, baseVersion: 0 });
    expect(nothing.body.error.issues[0]).toMatchObject({
      path: 'layer.drills[0].trains',
      message: 'trains nothing',
    });
    expect((await teaching(agent)).own.version).toBe(0);
  });

  it('of a circle lies below that of its members, and only its editors change it', async () => {
    const path = `/api/circles/${SCHOOL.id}/teaching`;
    const body = {
      layer: layer({ drills: [{ ...drill('Of the school'), id: 'school-drill' }] }),
      baseVersion: 0,
    };
    expect((await other.put(path).send(body)).status).toBe(404);
    expect((await lead.put(path).send(body)).status).toBe(200);
    const mine = await teaching(fellow);
    expect(mine.circle).toMatchObject({ id: SCHOOL.id, version: 1 });
    const curriculum = await curriculumFor(test.pool, await idOf(fellow));
    expect(curriculum.originOf('drill', 'school-drill')?.owner).toBe('circle');
    expect((await teaching(other)).circle).toBeNull();
    // Who wants none of it says so; it stays so.
    const without = (await fellow.put('/api/teaching/circle').send({ circleId: null }).expect(200)).body;
    expect(without.circle).toBeNull();
    expect((await curriculumFor(test.pool, await idOf(fellow))).drills.has('school-drill')).toBe(false);
    await fellow.put('/api/teaching/circle').send({ circleId: SCHOOL.id }).expect(200);
    expect((await other.put('/api/teaching/circle').send({ circleId: SCHOOL.id })).status).toBe(404);
  });

  it('is shown to a circle, there for its members alone, and hidden again', async () => {
    await lead.put('/api/teaching/shown').send({ circleId: SCHOOL.id }).expect(200);
    const seen = (await fellow.get('/api/teaching/shown').expect(200)).body as ShownLayer[];
    expect(seen.map(({ layer: one }) => one.drills[0]?.name)).toEqual(['Bigger hoops']);
    expect((await other.get('/api/teaching/shown')).body).toEqual([]);
    expect((await lead.get('/api/teaching/shown')).body).toEqual([]);
    await lead.put('/api/teaching/shown').send({ circleId: null }).expect(200);
    expect((await fellow.get('/api/teaching/shown')).body).toEqual([]);
    const empty = await test.newcomer('empty');
    const circleId = randomUUID();
    await empty.post('/api/circles').send({ id: circleId, name: 'Mine' }).expect(200);
    expect((await empty.put('/api/teaching/shown').send({ circleId })).status).toBe(400);
  });

  it('may be another school’s alone: its drills are planned with, and logged', async () => {
    const agent = await test.newcomer('another-school');
    const skill = {
      ...SHIPPED.skills.get('casting.stop'),
      id: 'casting.halt',
      name: 'Halt',
      needs: [],
      faults: [],
    };
    const own = { ...drill('Halt!'), trains: [{ skillId: skill.id, share: 1 }], watchFor: [] };
    expect((await save(agent, { alone: true, skills: [skill], drills: [own] })).status).toBe(200);
    const drills = (await agent.get('/api/drills')).body as { id: string }[];
    expect(drills.map(({ id }) => id)).toEqual(['own-hoops']);
    // What it retired still reads: a plan may name it.
    const curriculum = await curriculumFor(test.pool, await idOf(agent));
    expect([curriculum.drills.has('hoops'), curriculum.drills.find('hoops')?.name]).toEqual([
      false,
      'Three hoops',
    ]);
  });
});
