import { randomUUID } from 'node:crypto';
import { type AskedConsent, type ConsentPage, studentFileSchema } from '@doceo/contract';
import { demoScenario, FELLOW, LEAD } from '@doceo/demo';
import supertest from 'supertest';
import { newToken } from '../access/token';
import { write } from '../db/pool';
import { placesNaming } from '../testing/every-table';
import { lettersTo, tokenIn } from '../testing/letters';
import { type Agent, type TestApp, testApp } from '../testing/test-app';
import { sameName } from './guardian.routes';

const jonas = demoScenario(new Date()).students.list.find(({ student }) => student.name === 'Jonas Wren')!;
const petra = demoScenario(new Date()).students.list.find(({ student }) => student.name === 'Petra Holm')!;
const GUARDIAN = 'Ruth Wren';

describe('the consent of a guardian', () => {
  let test: TestApp;
  let lead: Agent;
  let fellow: Agent;
  beforeEach(async () => {
    test = await testApp('consents', { settings: { DOCEO_MAIL: 'stand-in' } });
    [lead, fellow] = await test.everybody();
    await write(test.pool, 'DELETE FROM student_access');
    await write(test.pool, 'UPDATE students SET guardian_consent_on = NULL WHERE id = ?', [jonas.id]);
  });
  afterEach(() => test.close());

  const ask = (email: string | null = null, guardianName = GUARDIAN, id: string = randomUUID()) =>
    lead.post(`/api/students/${jonas.id}/consents`).send({ id, guardianName, email });
  const link = async (): Promise<string> => (await ask().expect(200)).body.token;
  const guardian = (act: string, body: object) => supertest(test.app).post(`/api/consent/${act}`).send(body);
  const look = async (token: string, key: string | null = null): Promise<ConsentPage> =>
    (await guardian('look', { token, key }).expect(200)).body;
  const answer = (token: string, given = true, name = GUARDIAN, key = newToken()) =>
    guardian('answer', { token, key, given, name });
  /** Agrees, and gives back the key of the device that did. */
  const agreed = async (token: string, name = GUARDIAN): Promise<string> => {
    const key = newToken();
    await answer(token, true, name, key).expect(200);
    return key;
  };
  const asked = async (): Promise<AskedConsent[]> =>
    (await lead.get(`/api/students/${jonas.id}/consents`).expect(200)).body;
  const consentOn = async (): Promise<string | null> =>
    (await lead.get(`/api/students/${jonas.id}`)).body.student.guardianConsentOn;
  const why = async (reply: supertest.Test, status: number): Promise<string> => {
    const { error } = (await reply.expect(status)).body as {
      error: { message: string; issues: { path: string; message: string }[] };
    };
    return error.issues[0] ? `${error.issues[0].path}: ${error.issues[0].message}` : error.message;
  };
  const news = async () =>
    ((await lead.get('/api/consents').expect(200)).body as { studentId: string; state: string }[]).map(
      ({ studentId, state }) => [studentId, state],
    );
  /** Logs a cast of Jonas, and says what became of it. */
  const log = async (): Promise<string> => {
    const lessons = (await lead.get('/api/lessons')).body as { id: string; studentIds: string[] }[];
    const lesson = lessons.find(({ studentIds }) => studentIds.includes(jonas.id))!;
    const body = { kind: 'attempt', skillId: 'casting.stop', drillId: null, good: true, faultId: null };
    const event = { id: randomUUID(), lessonId: lesson.id, studentId: jonas.id, blockId: null };
    const { stored, refused } = (
      await lead
        .post('/api/events')
        .send({ events: [{ ...event, deviceId: randomUUID(), atMs: Date.now(), body }] })
        .expect(200)
    ).body as { stored: string[]; refused: { code: string }[] };
    return stored.length > 0 ? 'stored' : (refused[0]?.code ?? 'known');
  };

  it('is asked by a link, given by name, and lets records be kept from then on', async () => {
    expect(await log()).toBe('no-consent');
    const token = await link();
    expect((await asked())[0]).toMatchObject({ state: 'asked', email: null, byName: null });
    expect(await look(token)).toMatchObject({
      ...{ state: 'asked', studentName: 'Jonas', instructor: LEAD.name, mine: false, has: null },
    });
    const key = newToken();
    const page = (await answer(token, true, GUARDIAN, key).expect(200)).body as ConsentPage;
    expect(page).toMatchObject({ state: 'given', studentName: 'Jonas Wren', byName: GUARDIAN, mine: true });
    expect(page.has?.entries).toBeGreaterThan(0);
    // An answer whose receipt was lost is sent again, and is the same.
    expect((await answer(token, true, GUARDIAN, key).expect(200)).body.state).toBe('given');
    expect(await consentOn()).toBe(new Date().toISOString().slice(0, 10));
    expect(await log()).toBe('stored');
    expect(await news()).toEqual([]);
  });

  it('is asked by a letter, which says who asks about whom', async () => {
    await ask('ruth@wren.example').expect(200);
    const [letter] = await lettersTo(test, 'ruth@wren.example');
    expect(letter?.text).toContain('Maren Voss teaches Jonas Wren');
    await answer(tokenIn(letter), false).expect(200);
    expect(await news()).toEqual([[jonas.id, 'refused']]);
    expect(await log()).toBe('no-consent');
  });

  it('taken back ends the recording at once, and no form that was open gives it again', async () => {
    const form = (await lead.get(`/api/students/${jonas.id}`)).body.student as object;
    const token = await link();
    const key = await agreed(token);
    expect(await log()).toBe('stored');
    const before = await consentOn();
    await guardian('take-back', { token, key }).expect(200);
    expect(await log()).toBe('no-consent');
    const save = (body: object) => lead.put(`/api/students/${jonas.id}`).send({ ...form, ...body });
    expect(await why(save({ guardianConsentOn: before }), 400)).toMatch(
      /^guardianConsentOn: was refused or taken back by the guardian on \d{4}-\d\d-\d\d; ask anew by a link$/,
    );
    await save({ guardianConsentOn: null, note: 'asked again' }).expect(200);
    expect(await news()).toEqual([[jonas.id, 'taken-back']]);
    const [letter] = await lettersTo(test, LEAD.email);
    expect(letter?.subject).toBe('A consent was taken back');
    expect(letter?.text).not.toContain('Jonas');
    expect(await why(guardian('take-back', { token, key }), 404)).toContain('No consent stands');
    // A new one counts again.
    await agreed(await link());
    expect(await log()).toBe('stored');
  });

  it('can be changed on the device that answered, from no to yes', async () => {
    const token = await link();
    const key = newToken();
    await answer(token, false, GUARDIAN, key).expect(200);
    expect((await look(token, key)).state).toBe('refused');
    await answer(token, true, GUARDIAN, key).expect(200);
    expect((await look(token, key)).state).toBe('given');
    expect((await look(token, newToken())).mine).toBe(false);
  });

  it('by a link that went to a stranger tells him nothing once it is answered, and lets him only stop', async () => {
    const token = await link();
    await agreed(token);
    expect(await look(token)).toEqual({
      ...{ state: 'given', studentName: 'Jonas', instructor: LEAD.name, seenBy: [], keptFor: null },
      ...{ mine: false, byName: null, answeredAt: null, takenBackAt: null, has: null },
    });
    expect(await why(answer(token, true, 'A stranger'), 403)).toContain('on another device');
    for (const act of ['file', 'remove'])
      expect(
        await why(
          guardian(act, { token, key: null, ...(act === 'remove' && { studentName: 'Jonas' }) }),
          403,
        ),
      ).toContain('for the device which answered');
    await guardian('take-back', { token, key: null }).expect(200);
    expect(await consentOn()).toBeNull();
  });

  it('by a stranger who was first waits for the instructor, and opens nothing', async () => {
    const token = await link();
    const key = await agreed(token, 'A Stranger');
    expect(await look(token, key)).toMatchObject({ state: 'look', mine: true, has: null });
    expect(await log()).toBe('no-consent');
    expect(await news()).toEqual([[jonas.id, 'look']]);
    await guardian('file', { token, key }).expect(403);
    const [one] = await asked();
    const know = () => lead.post(`/api/students/${jonas.id}/consents/${one?.id}`).send({});
    await fellow.post(`/api/students/${jonas.id}/consents/${one?.id}`).send({}).expect(404);
    expect((await know().expect(200)).body[0].state).toBe('given');
    await know().expect(404);
    expect((await lead.get(`/api/students/${jonas.id}`)).body.student.guardianName).toBe('A Stranger');
    expect(await log()).toBe('stored');
  });

  it('gives the guardian everything as a file, and has everything go', async () => {
    const token = await link();
    const key = await agreed(token);
    const file = studentFileSchema.parse((await guardian('file', { token, key }).expect(200)).body);
    expect(file.student.name).toBe('Jonas Wren');
    expect(file.consents?.map(({ state, byName }) => [state, byName])).toEqual([['given', GUARDIAN]]);
    expect(await why(guardian('remove', { token, key, studentName: 'Sam' }), 400)).toBe(
      'studentName: is not the name of the student',
    );
    await guardian('remove', { token, key, studentName: ' jonas  wren' }).expect(200);
    await lettersTo(test, LEAD.email);
    expect(await placesNaming(test.pool, [jonas.id, 'Jonas Wren', GUARDIAN, token, key])).toEqual([]);
    await guardian('look', { token, key }).expect(404);
  });

  it('tells who sees the record, until when it is kept, and keeps no token', async () => {
    await lead.put(`/api/students/${jonas.id}/access/${FELLOW.id}`).send({ untilOn: null }).expect(200);
    await lead
      .put('/api/keeping')
      .send({ rule: { entryMonths: 24, studentMonths: 36 } })
      .expect(200);
    const token = await link();
    expect(await look(token)).toMatchObject({
      seenBy: [FELLOW.name],
      keptFor: { entryMonths: 24, studentMonths: 36 },
    });
    const key = await agreed(token);
    expect(await placesNaming(test.pool, [token, key])).toEqual([]);
  });

  it('runs out when nobody answers, is closed by a newer one, and can be withdrawn', async () => {
    const first = await link();
    const second = await link();
    await guardian('look', { token: first, key: null }).expect(404);
    await write(test.pool, 'UPDATE consents SET until_at = UTC_TIMESTAMP(3) - INTERVAL 1 MINUTE');
    expect(await why(guardian('look', { token: second, key: null }), 404)).toContain('has run out');
    expect((await asked()).map(({ state }) => state)).toEqual(['over']);
    const third = await link();
    const path = `/api/students/${jonas.id}/consents/${(await asked())[0]?.id}`;
    await lead.delete(path).expect(200);
    await guardian('look', { token: third, key: null }).expect(404);
    await lead.delete(path).expect(404);
  });

  it('is asked of minors, by their keeper, once by each id', async () => {
    const of = (by: Agent, id: string) =>
      by.post(`/api/students/${id}/consents`).send({ id: randomUUID(), guardianName: GUARDIAN, email: null });
    expect(await why(of(lead, petra.id), 400)).toBe('guardianName: is asked of a minor only');
    await of(fellow, jonas.id).expect(404);
    const id = randomUUID();
    await ask(null, GUARDIAN, id).expect(200);
    await ask(null, GUARDIAN, id).expect(409);
    expect(await why(ask(null, ''), 400)).toContain('guardianName');
    expect(await why(ask('no mail'), 400)).toContain('email');
  });

  it('answered twice at the same moment counts once', async () => {
    const token = await link();
    const both = await Promise.all([answer(token, true), answer(token, false)]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 403]);
  });

  it('is asked for where a reading of a minor is kept too', async () => {
    const reading = demoScenario(new Date()).readings.list[0]!;
    const keep = () => lead.post('/api/readings').send({ ...reading, id: randomUUID(), studentId: jonas.id });
    expect(await why(keep(), 400)).toContain('studentId: may not be named: No guardian’s consent');
    await agreed(await link());
    await keep().expect(200);
  });
});

describe('a name', () => {
  it.each([
    ['Ruth Wren', ' ruth  WREN ', true],
    ['Zoë Ek-Lund', 'zoe ek lund', true],
    ['Ruth Wren', 'Ruth Wrén-Holm', false],
    ['Ruth', '', false],
    ['', '', true],
  ])('%j is %j: %s', (one, other, same) => expect(sameName(one, other)).toBe(same));
});
