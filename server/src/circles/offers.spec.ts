import { randomUUID } from 'node:crypto';
import { LEAD, OTHER, SCHOOL } from '@doceo/demo';
import supertest from 'supertest';
import { rows, write } from '../db/pool';
import { lettersTo, tokenIn } from '../testing/letters';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

describe('joining a circle', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  let other: Agent;
  beforeEach(async () => {
    test = await testApp('offers', { settings: { DOCEO_MAIL: 'stand-in' } });
    [lead, fellow, other] = await test.everybody();
  });
  afterEach(() => test.close());

  const link = async (role = 'editor'): Promise<string> =>
    (await lead.post(`/api/circles/${SCHOOL.id}/links`).send({ id: randomUUID(), role }).expect(200)).body
      .token;
  const invite = (email: string, role = 'reader') =>
    lead.post(`/api/circles/${SCHOOL.id}/invitations`).send({ email, role }).expect(200);
  const look = (by: Agent, token: string) => by.post('/api/offers/look').send({ token });
  const answer = (by: Agent, token: string, accept = true) =>
    by.post('/api/offers/answer').send({ token, accept });
  const why = async (reply: supertest.Test, status = 404): Promise<string> =>
    (await reply.expect(status)).body.error.message;
  const roleOf = async (by: Agent): Promise<string | undefined> =>
    ((await by.get('/api/circles')).body as { id: string; role: string }[]).find(({ id }) => id === SCHOOL.id)
      ?.role;
  const open = async (): Promise<{ id: string }[]> =>
    ((await lead.get('/api/circles')).body as { id: string; links: { id: string }[] }[]).find(
      ({ id }) => id === SCHOOL.id,
    )?.links ?? [];

  it('by a link says what is offered, and takes one person', async () => {
    const token = await link();
    expect(await open()).toHaveLength(1);
    expect((await look(other, token).expect(200)).body).toEqual({
      circleName: SCHOOL.name,
      role: 'editor',
      invitedBy: LEAD.name,
      member: false,
    });
    await answer(other, token).expect(200);
    expect(await roleOf(other)).toBe('editor');
    expect(await open()).toEqual([]);
    const kim = await test.newcomer('kim');
    expect(await why(look(kim, token))).toContain('used already');
    expect(await why(answer(kim, token))).toContain('used already');
    expect(JSON.stringify(await rows(test.pool, 'SELECT * FROM circle_links'))).not.toContain(token);
  });

  it('by one link at the same moment takes the first', async () => {
    const token = await link();
    const kim = await test.newcomer('kim');
    const both = await Promise.all([answer(other, token), answer(kim, token)]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 404]);
  });

  it('by a link that was declined leaves it to somebody else; a member who tries it keeps role and link', async () => {
    const token = await link('owner');
    await answer(other, token, false).expect(200);
    expect(await roleOf(other)).toBeUndefined();
    const role = await roleOf(fellow);
    expect((await look(fellow, token)).body.member).toBe(true);
    await answer(fellow, token).expect(200);
    expect(await roleOf(fellow)).toBe(role);
    await answer(other, token).expect(200);
    expect(await roleOf(other)).toBe('owner');
  });

  it('by a link that was closed, has run out, or was guessed is refused in words', async () => {
    const token = await link();
    const [one] = await open();
    await write(test.pool, 'UPDATE circle_links SET until_at = UTC_TIMESTAMP(3)');
    expect(await why(look(other, token))).toContain('run out');
    expect(await open()).toEqual([]);
    await lead.delete(`/api/circles/${SCHOOL.id}/links/${one?.id}`).expect(200);
    expect(await why(look(other, token))).toContain('no such invitation');
    expect(await why(answer(other, 'A'.repeat(22)))).toContain('no such invitation');
  });

  it('by a letter takes whose address it is, once, and nobody to whom it was passed on', async () => {
    await invite(OTHER.email);
    const [letter] = await lettersTo(test, OTHER.email);
    expect(letter?.text).toContain(`Maren Voss asks you to join “${SCHOOL.name}” on Doceo as reader`);
    const token = tokenIn(letter);
    const kim = await test.newcomer('kim');
    const refused = await why(look(kim, token), 403);
    expect(refused).toContain('another address');
    expect(refused).not.toContain(OTHER.email);
    await why(answer(kim, token), 403);
    await answer(other, token).expect(200);
    expect(await roleOf(other)).toBe('reader');
    expect(await why(answer(other, token))).toContain('answered or taken back');
  });

  it('by a letter works for who makes his account after it', async () => {
    await invite('kim@example.org', 'editor');
    const token = tokenIn((await lettersTo(test, 'kim@example.org'))[0]);
    const kim = await test.newcomer('kim');
    await answer(kim, token).expect(200);
    expect(await roleOf(kim)).toBe('editor');
  });

  it('by a letter that was taken back before or after it went is refused', async () => {
    await invite(OTHER.email);
    const token = tokenIn((await lettersTo(test, OTHER.email))[0]);
    await lead.delete(`/api/circles/${SCHOOL.id}/invitations/${OTHER.email}`).expect(200);
    expect(await why(look(other, token))).toContain('taken back');
  });

  it('is asked the same way of an address that has an account and one that has none', async () => {
    const known = (await invite(OTHER.email)).body;
    const unknown = (await invite('nobody@example.org')).body;
    expect(Object.keys(unknown)).toEqual(Object.keys(known));
    expect(unknown.members).toEqual(known.members);
    await lettersTo(test, OTHER.email);
    await lettersTo(test, 'nobody@example.org');
  });

  it('is asked of forty addresses an hour at most', async () => {
    for (let i = 0; i < 40; i++) await invite(`person${i}@example.org`);
    const refused = await lead
      .post(`/api/circles/${SCHOOL.id}/invitations`)
      .send({ email: 'onemore@example.org', role: 'reader' });
    expect(refused.status).toBe(429);
  });
});
