import { randomUUID } from 'node:crypto';
import { demoScenario, LEAD, OTHER } from '@doceo/demo';
import type supertest from 'supertest';
import { type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const [demo] = scenario.courses as [(typeof scenario.courses)[number]];
const id = (): string => randomUUID();

describe('courses', () => {
  let test: TestApp;
  let lead: ReturnType<typeof supertest.agent>;

  beforeAll(async () => {
    test = await testApp('courses');
    lead = await test.signedIn(LEAD.email);
  });
  afterAll(() => test.close());

  it('are kept, with their students in order, and sent twice they are one', async () => {
    const course = { ...demo.course, name: 'Autumn', studentIds: [...demo.course.studentIds].reverse() };
    const own = { id: id(), course };
    for (let time = 0; time < 2; time++) {
      const { body } = await lead.post('/api/courses').send(own).expect(200);
      expect(body).toEqual(own);
    }
    const changed = { ...course, goals: ['casting.stop'], studentIds: course.studentIds.slice(1) };
    await lead.put(`/api/courses/${own.id}`).send(changed).expect(200);
    const { body: list } = await lead.get('/api/courses').expect(200);
    expect(list).toEqual(
      expect.arrayContaining([
        { id: own.id, course: changed },
        { id: demo.id, course: demo.course },
      ]),
    );
    await lead.delete(`/api/courses/${own.id}`).expect(200);
    expect((await lead.get('/api/courses')).body).toEqual([{ id: demo.id, course: demo.course }]);
  });

  it('take no student of somebody else, nor one who is not there, and say which', async () => {
    const stranger = await test.signedIn(OTHER.email);
    const [first] = demo.course.studentIds;
    const { body } = await stranger
      .post('/api/courses')
      .send({ id: id(), course: { ...demo.course, studentIds: [first] } })
      .expect(400);
    expect(body.error.issues).toEqual([
      { path: 'course.studentIds[0]', code: 'unknown', message: 'is no student of yours' },
    ]);
    const { body: second } = await lead
      .put(`/api/courses/${demo.id}`)
      .send({ ...demo.course, studentIds: [first, id()] })
      .expect(400);
    expect(second.error.issues).toMatchObject([{ path: 'studentIds[1]' }]);
    expect((await stranger.get('/api/courses')).body).toEqual([]);
  });

  it.each([
    [{ goals: [] }, 'goals'],
    [{ goals: ['casting.stop', 'casting.stop'] }, 'goals'],
    [{ untilOn: '2020-01-01' }, 'untilOn'],
    [{ untilOn: 'soon' }, 'untilOn'],
    [{ name: ' ' }, 'name'],
  ])('refuse %j where it is wrong', async (change, path) => {
    const { body } = await lead
      .put(`/api/courses/${demo.id}`)
      .send({ ...demo.course, ...change })
      .expect(400);
    expect(body.error.issues).toMatchObject([{ path }]);
  });

  it('lose a student who is deleted, tell of it before, and stand in the file of each', async () => {
    const [first, ...others] = demo.course.studentIds as [string, ...string[]];
    const { body: effect } = await lead.get(`/api/students/${first}/deletion-preview`).expect(200);
    expect(effect).toMatchObject({ courses: 1 });
    const { body: file } = await lead.get(`/api/students/${first}/export`).expect(200);
    const { studentIds: _, ...told } = demo.course;
    expect(file.courses).toEqual([told]);
    await lead.delete(`/api/students/${first}`).expect(200);
    const { body: list } = await lead.get('/api/courses').expect(200);
    expect(list).toEqual([{ id: demo.id, course: { ...demo.course, studentIds: others } }]);
  });
});
