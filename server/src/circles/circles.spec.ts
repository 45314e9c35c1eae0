import { randomUUID } from 'node:crypto';
import type { Circle } from '@doceo/contract';
import { demoScenario, FELLOW, LEAD, OTHER, SCHOOL } from '@doceo/demo';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const body = scenario.plans[0]?.plan.body;

describe('circles', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  beforeAll(async () => {
    test = await testApp('circles');
    [lead, fellow, other] = await test.everybody();
  });
  afterAll(() => test.close());

  const founded = async (by = lead): Promise<string> => {
    const id = randomUUID();
    await by.post('/api/circles').send({ id, name: 'River evening' }).expect(200);
    return id;
  };
  const invite = (by: Agent, id: string, email: string, role = 'editor') =>
    by.post(`/api/circles/${id}/invitations`).send({ email, role });
  const joined = async (id: string, who: Agent, email: string, role = 'editor'): Promise<void> => {
    await invite(lead, id, email, role).expect(200);
    await who.post(`/api/invitations/${id}`).send({ accept: true }).expect(200);
  };
  const mine = async (by: Agent, id: string): Promise<Circle | undefined> =>
    ((await by.get('/api/circles').expect(200)).body as Circle[]).find((circle) => circle.id === id);
  const shared = async (by: Agent, circleId: string): Promise<string> => {
    const id = randomUUID();
    await by.post('/api/plans').send({ id, title: 'Shared', body }).expect(200);
    await by.post(`/api/plans/${id}/share`).send({ circleId }).expect(200);
    return id;
  };

  it('ask before somebody is in, who may decline', async () => {
    const id = await founded();
    await invite(lead, id, OTHER.email, 'reader').expect(200);
    expect((await mine(lead, id))?.members).toHaveLength(1);
    expect(await mine(other, id)).toBeUndefined();
    expect((await other.get('/api/invitations')).body).toEqual([
      expect.objectContaining({ circleId: id, role: 'reader', invitedBy: 'Maren Voss' }),
    ]);
    await fellow.post(`/api/invitations/${id}`).send({ accept: true }).expect(404);
    await other.post(`/api/invitations/${id}`).send({ accept: false }).expect(200);
    expect(await mine(other, id)).toBeUndefined();
    await other.post(`/api/invitations/${id}`).send({ accept: true }).expect(404);
    await joined(id, other, OTHER.email, 'reader');
    expect((await mine(other, id))?.role).toBe('reader');
    expect((await mine(other, id))?.invited).toEqual([]);
  });

  it('do not tell whether an address has an account', async () => {
    const id = await founded();
    const known = await invite(lead, id, OTHER.email).expect(200);
    const unknown = await invite(lead, id, 'nobody@example.org').expect(200);
    expect(known.body.invited.map(({ email }: { email: string }) => email)).toEqual([OTHER.email]);
    expect(unknown.body.invited.map(({ email }: { email: string }) => email)).toEqual([
      'nobody@example.org',
      OTHER.email,
    ]);
    await lead.delete(`/api/circles/${id}/invitations/nobody@example.org`).expect(200);
    await lead.delete(`/api/circles/${id}/invitations/nobody@example.org`).expect(404);
  });

  it('never lose their last owner, not to two who demote each other at once', async () => {
    for (let time = 0; time < 10; time++) {
      const id = await founded();
      await joined(id, fellow, FELLOW.email, 'owner');
      await Promise.all([
        lead.put(`/api/circles/${id}/members/${FELLOW.id}`).send({ role: 'reader' }),
        fellow.put(`/api/circles/${id}/members/${LEAD.id}`).send({ role: 'reader' }),
      ]);
      const roles = (await mine(lead, id))?.members.map(({ role }) => role);
      expect(roles).toContain('owner');
    }
    expect(
      (await lead.put(`/api/circles/${SCHOOL.id}/members/${LEAD.id}`).send({ role: 'reader' })).status,
    ).toBe(400);
    expect((await lead.post(`/api/circles/${SCHOOL.id}/leave`).send({})).status).toBe(400);
    await lead.delete(`/api/circles/${SCHOOL.id}/members/${LEAD.id}`).expect(400);
  });

  it('are left by whoever wants to, with what is his', async () => {
    const id = await founded();
    await joined(id, fellow, FELLOW.email);
    const planId = await shared(fellow, id);
    await lead.get(`/api/plans/${planId}`).expect(200);
    await fellow.post(`/api/circles/${id}/leave`).send({}).expect(200);
    expect(await mine(fellow, id)).toBeUndefined();
    await lead.get(`/api/plans/${planId}`).expect(404);
    expect((await fellow.get(`/api/plans/${planId}`).expect(200)).body.circleId).toBeNull();
    await lead.post(`/api/circles/${id}/leave`).send({}).expect(200);
    expect(await mine(lead, id)).toBeUndefined();
  });

  it('lose the plans of a member who is taken out, and owners may take any plan out', async () => {
    const id = await founded();
    await joined(id, fellow, FELLOW.email);
    await joined(id, other, OTHER.email, 'reader');
    const [one, two] = [await shared(fellow, id), await shared(fellow, id)];
    await other.post(`/api/plans/${one}/share`).send({ circleId: null }).expect(403);
    expect(
      (await lead.post(`/api/plans/${one}/share`).send({ circleId: null }).expect(200)).body.circleId,
    ).toBeNull();
    await other.get(`/api/plans/${one}`).expect(404);
    await lead.delete(`/api/circles/${id}/members/${FELLOW.id}`).expect(200);
    await other.get(`/api/plans/${two}`).expect(404);
    const { version } = (await fellow.get(`/api/plans/${two}`).expect(200)).body;
    await fellow
      .put(`/api/plans/${two}`)
      .send({ title: 'Still mine', body, baseVersion: version })
      .expect(200);
    expect((await fellow.post(`/api/plans/${two}/share`).send({ circleId: id })).status).toBe(404);
  });

  it('let readers look and copy, and share nothing', async () => {
    const id = await founded();
    await joined(id, other, OTHER.email, 'reader');
    const planId = await shared(lead, id);
    await other.post(`/api/plans/${planId}/copy`).send({ id: randomUUID() }).expect(200);
    const own = randomUUID();
    await other.post('/api/plans').send({ id: own, title: 'Own', body }).expect(200);
    expect((await other.post(`/api/plans/${own}/share`).send({ circleId: id })).status).toBe(403);
    expect((await invite(other, id, 'x@example.org')).status).toBe(403);
  });

  it('can pass to another owner', async () => {
    const id = await founded(other);
    await invite(other, id, FELLOW.email, 'owner').expect(200);
    await fellow.post(`/api/invitations/${id}`).send({ accept: true }).expect(200);
    await fellow.delete(`/api/circles/${id}/members/${OTHER.id}`).expect(200);
    expect(await mine(other, id)).toBeUndefined();
    expect((await mine(fellow, id))?.members).toHaveLength(1);
  });

  it('an id that is taken shows nothing', async () => {
    const reply = await other.post('/api/circles').send({ id: SCHOOL.id, name: 'Mine now' });
    expect([reply.status, reply.body.error.code]).toEqual([409, 'already-exists']);
  });
});
