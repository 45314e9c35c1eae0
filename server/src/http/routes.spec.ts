import { randomUUID } from 'node:crypto';
import { allEndpoints, api, type Endpoint, errorSchema } from '@doceo/contract';
import { DEFAULT_SCHOOLS, emptyLayer } from '@doceo/core';
import { demoScenario, FELLOW, GRASS_PROPOSAL, GRASS_QUESTION, LEAD, OTHER, RIFFLE_COPY } from '@doceo/demo';
import supertest from 'supertest';
import { type TestApp, testApp } from '../testing/test-app';

type Agent = ReturnType<typeof supertest.agent>;

const scenario = demoScenario(new Date());
const [first, second] = scenario.plans as [(typeof scenario.plans)[number], (typeof scenario.plans)[number]];
const lesson = scenario.lessons.lessons.at(-1) as (typeof scenario.lessons.lessons)[number];
const water = scenario.waters.list[0] as (typeof scenario.waters.list)[number];
const beat = scenario.beats[0] as (typeof scenario.beats)[number];
const lake = scenario.lakes[0] as (typeof scenario.lakes)[number];
const student = scenario.students.list[4] as (typeof scenario.students.list)[number];
const rig = scenario.rigs.list[0] as (typeof scenario.rigs.list)[number];
const reading = scenario.readings.list.find(
  ({ studentId }) => studentId !== null,
) as (typeof scenario.readings.list)[number];
const course = scenario.courses[0] as (typeof scenario.courses)[number];
const circle = scenario.circles[0] as (typeof scenario.circles)[number];
const id = (): string => randomUUID();
/** What a student sends from his page. */
const HOME = {
  ...{ id: id(), atMs: 0 },
  body: { kind: 'attempt', skillId: 'casting.stop', drillId: null, good: true, faultId: null, home: true },
};
/** What a guardian brings who has no link. */
const HELD = { token: 'A'.repeat(22), key: null };

interface Row {
  endpoint: Endpoint<never, never, never, unknown>;
  /** Ids in the path, of things of the lead instructor. */
  params?: Record<string, string>;
  query?: Record<string, string>;
  body?: object;
  /** What an instructor of another circle gets. */
  stranger?: number;
  /** A body of wrong types; the answer must be 400. */
  wrong?: object;
}

const row = (endpoint: unknown, rest: Omit<Row, 'endpoint'> = {}): Row => ({
  endpoint: endpoint as Row['endpoint'],
  ...rest,
});

/** Every route of the API; one that is missing here fails the first test. */
const ROWS: Row[] = [
  row(api.health),
  row(api.openapi),
  row(api.session.get),
  row(api.session.signIn, { wrong: { email: 7, password: [] } }),
  row(api.session.register, { wrong: { email: 'no mail', password: 'short', name: '' } }),
  row(api.session.signOut),
  row(api.session.settings, {
    body: { units: 'metric', bankHand: 'right', schools: DEFAULT_SCHOOLS },
    wrong: { units: 'furlong', bankHand: 1, schools: { indicator: 'guess' } },
  }),
  row(api.session.changePassword, {
    body: { current: 'not it', next: 'a longer one' },
    wrong: { current: '', next: 'short' },
  }),
  row(api.session.lost, { wrong: { email: 'no mail' } }),
  row(api.session.lostLink, { wrong: { token: 'cut' } }),
  row(api.session.confirm, { wrong: { token: 'cut' } }),
  row(api.session.lostAnswer, { wrong: { token: 'cut', password: 'short' } }),
  row(api.mailbox.list),
  row(api.account.file, { body: { password: 'not it' }, wrong: { password: '' } }),
  row(api.account.signIns),
  row(api.account.endSignIn, { params: { id: 'a'.repeat(32) } }),
  row(api.account.endOtherSignIns),
  row(api.account.secondFactor),
  row(api.account.offerSecondFactor, { body: { password: 'not it' }, wrong: { password: '' } }),
  row(api.account.beginSecondFactor, { body: { code: '000000' }, wrong: { code: '' } }),
  row(api.account.endSecondFactor, {
    body: { password: 'not it', code: '000000' },
    wrong: { password: 'not it', code: [] },
  }),
  row(api.drills.list),
  row(api.teaching.get),
  row(api.teaching.shown),
  row(api.teaching.update, {
    body: { layer: emptyLayer(), baseVersion: 0 },
    wrong: { layer: { skills: [{ id: 7 }] }, baseVersion: -1 },
  }),
  row(api.teaching.show, { body: { circleId: null }, wrong: { circleId: 'all' } }),
  row(api.teaching.follow, { body: { circleId: null }, wrong: { circleId: 7 } }),
  row(api.teaching.updateCircle, {
    params: { id: circle.id },
    body: { layer: emptyLayer(), baseVersion: 0 },
    stranger: 404,
    wrong: { layer: [], baseVersion: 0 },
  }),
  row(api.waters.list),
  row(api.waters.get, { params: { id: water.id }, stranger: 404 }),
  row(api.waters.beats, { params: { id: water.id }, stranger: 404 }),
  row(api.waters.conditions, {
    params: { id: water.id },
    query: { date: '2026-06-10' },
    stranger: 404,
  }),
  row(api.waters.outlook, {
    params: { id: water.id },
    query: { date: '2026-06-10', days: '2' },
    stranger: 404,
  }),
  row(api.waters.create, {
    body: { id: id(), water: water.water },
    wrong: { id: 'x', water: { ...water.water, latitude: 'north' } },
  }),
  row(api.waters.change, {
    params: { id: water.id },
    body: { rules: { hours: 'first to last light' } },
    stranger: 404,
    wrong: { latitude: 57, longitude: null },
  }),
  row(api.waters.deletionPreview, { params: { id: water.id }, stranger: 404 }),
  row(api.waters.remove, { params: { id: water.id }, stranger: 404 }),
  row(api.waters.share, {
    params: { id: water.id },
    body: { circleId: circle.id },
    stranger: 404,
    wrong: { circleId: 'all' },
  }),
  row(api.waters.give, {
    params: { id: water.id },
    body: { userId: LEAD.id },
    stranger: 404,
    wrong: { userId: 'Tobias' },
  }),
  row(api.waters.setCalendar, {
    params: { id: water.id },
    body: { calendar: null },
    stranger: 404,
    wrong: { calendar: [{ name: 'midges', months: [13], imitations: [] }] },
  }),
  row(api.waters.saveBeat, {
    params: { id: water.id, beatId: beat.id },
    body: { beat: beat.beat, baseVersion: 1 },
    stranger: 404,
    wrong: { beat: { ...beat.beat, lengthM: -4 }, baseVersion: 'one' },
  }),
  row(api.waters.removeBeat, { params: { id: water.id, beatId: id() }, stranger: 404 }),
  row(api.waters.lake, { params: { id: lake.waterId }, stranger: 404 }),
  row(api.waters.saveLake, {
    params: { id: lake.waterId },
    body: { lake: lake.lake, baseVersion: 1 },
    stranger: 404,
    wrong: { lake: { ...lake.lake, boats: 'yes' }, baseVersion: 1 },
  }),
  row(api.waters.saveReadings, {
    params: { id: water.id },
    body: { readings: [{ id: id(), atMs: 0, what: 'airC', value: 12, depthM: null }] },
    stranger: 404,
    wrong: { readings: [{ id: id(), atMs: 0, what: 'airC', value: 900, depthM: 3 }] },
  }),
  row(api.waters.removeReading, { params: { id: water.id, readingId: id() }, stranger: 404 }),
  row(api.waters.readCard, { params: { id: water.id }, stranger: 404 }),
  row(api.students.list),
  row(api.records.progress),
  row(api.records.effects),
  row(api.records.list, { query: { lessonId: lesson.id }, stranger: 404 }),
  row(api.students.get, { params: { id: student.id }, stranger: 404 }),
  row(api.students.create, {
    body: { id: id(), student: student.student },
    wrong: { id: id(), student: { ...student.student, name: 'x'.repeat(81) } },
  }),
  row(api.students.update, {
    params: { id: student.id },
    body: student.student,
    stranger: 404,
    wrong: { ...student.student, bornOn: 'yesterday' },
  }),
  row(api.students.export, { params: { id: student.id }, stranger: 404 }),
  row(api.students.deletionPreview, { params: { id: student.id }, stranger: 404 }),
  row(api.students.accessLog, { params: { id: student.id }, stranger: 404 }),
  row(api.access.get, { params: { id: student.id }, stranger: 404 }),
  row(api.access.give, {
    params: { id: student.id, userId: FELLOW.id },
    body: { untilOn: null },
    stranger: 404,
    wrong: { untilOn: 'soon' },
  }),
  row(api.access.end, { params: { id: student.id, userId: FELLOW.id }, stranger: 404 }),
  row(api.access.handOver, {
    params: { id: student.id },
    body: { userId: FELLOW.id, consentBy: 'Jonas Wren', consentOn: '2026-01-01' },
    stranger: 404,
    wrong: { userId: 'Tobias', consentBy: '', consentOn: 'yesterday' },
  }),
  row(api.access.keep, { params: { id: student.id }, stranger: 404 }),
  row(api.access.incoming),
  row(api.consents.news),
  row(api.consents.list, { params: { id: student.id }, stranger: 404 }),
  row(api.consents.ask, {
    params: { id: student.id },
    body: { id: id(), guardianName: 'A guardian', email: null },
    stranger: 404,
    wrong: { id: 'x', guardianName: '', email: 'no mail' },
  }),
  row(api.consents.know, { params: { id: student.id, consentId: id() }, stranger: 404 }),
  row(api.consents.withdraw, { params: { id: student.id, consentId: id() }, stranger: 404 }),
  row(api.guardian.look, { body: HELD, stranger: 404, wrong: { token: 'cut', key: 1 } }),
  row(api.guardian.answer, {
    body: { ...HELD, key: 'K'.repeat(22), given: true, name: 'A guardian' },
    stranger: 404,
    wrong: { ...HELD, given: 'perhaps', name: '' },
  }),
  row(api.guardian.takeBack, { body: HELD, stranger: 404, wrong: { token: 'cut', key: null } }),
  row(api.guardian.file, { body: HELD, stranger: 404, wrong: { token: 'cut', key: null } }),
  row(api.guardian.remove, {
    body: { ...HELD, studentName: 'A student' },
    stranger: 404,
    wrong: { ...HELD, studentName: '' },
  }),
  row(api.pages.list, { params: { id: student.id }, stranger: 404 }),
  row(api.pages.make, {
    params: { id: student.id },
    body: { id: id(), lessonId: lesson.id, days: 30 },
    stranger: 404,
    wrong: { id: id(), lessonId: lesson.id, days: 31 },
  }),
  row(api.pages.close, { params: { id: student.id, pageId: id() }, stranger: 404 }),
  row(api.pages.news),
  row(api.pages.waiting, { params: { id: student.id }, stranger: 404 }),
  row(api.pages.judge, {
    params: { id: student.id },
    body: { ids: [id()], counts: true },
    stranger: 404,
    wrong: { ids: [], counts: 'perhaps' },
  }),
  row(api.myPage.look, { body: { token: HELD.token }, stranger: 404, wrong: { token: 'cut' } }),
  row(api.myPage.open, {
    body: { token: HELD.token, name: 'A guardian' },
    stranger: 404,
    wrong: { token: HELD.token, name: '' },
  }),
  row(api.myPage.send, {
    stranger: 404,
    body: { token: HELD.token, entries: [HOME] },
    wrong: { token: 'cut', entries: 'all' },
  }),
  row(api.assistants.list, { params: { id: lesson.id }, stranger: 404 }),
  row(api.assistants.open, { params: { id: lesson.id }, body: {}, stranger: 404 }),
  row(api.assistants.close, { params: { id: lesson.id }, stranger: 404 }),
  row(api.assistants.end, { params: { id: lesson.id, userId: id() }, stranger: 404 }),
  row(api.assistants.look, { body: { token: HELD.token }, stranger: 404, wrong: { token: 'cut' } }),
  row(api.assistants.begin, {
    body: { token: HELD.token, name: 'A helper' },
    stranger: 404,
    wrong: { token: HELD.token, name: '' },
  }),
  row(api.keeping.get),
  row(api.keeping.own, { body: { rule: null }, wrong: { rule: { entryMonths: 0, studentMonths: 'long' } } }),
  row(api.keeping.ofCircle, {
    params: { id: circle.id },
    body: { rule: null },
    stranger: 404,
    wrong: { rule: { entryMonths: 24, studentMonths: 12 } },
  }),
  row(api.access.answer, {
    params: { id: student.id },
    body: { accept: true },
    stranger: 404,
    wrong: { accept: 'perhaps' },
  }),
  row(api.students.remove, { params: { id: student.id }, stranger: 404 }),
  row(api.rigs.list),
  row(api.rigs.get, { params: { id: rig.id }, stranger: 404 }),
  row(api.rigs.create, {
    body: { id: id(), name: 'mine', rig: rig.rig },
    wrong: { id: id(), name: 'mine', rig: { ...rig.rig, waterDepthM: -1 } },
  }),
  row(api.rigs.update, {
    params: { id: rig.id },
    body: { name: 'x', rig: rig.rig, baseVersion: 1 },
    stranger: 404,
    wrong: { name: 'x', rig: { ...rig.rig, sections: [] }, baseVersion: 1 },
  }),
  row(api.rigs.remove, { params: { id: rig.id }, stranger: 404 }),
  row(api.readings.list),
  row(api.readings.create, {
    body: { ...reading, id: id() },
    stranger: 400,
    wrong: { ...reading, reading: { ...reading.reading, value: -3 } },
  }),
  row(api.readings.remove, { params: { id: reading.id }, stranger: 404 }),
  row(api.flyBox.get),
  row(api.flyBox.update, {
    body: { box: { flies: [] }, baseVersion: 1 },
    wrong: { box: { flies: [{ count: 0 }] }, baseVersion: 1 },
  }),
  row(api.plans.list),
  row(api.plans.library, { query: { words: 'pause', longest: '240' } }),
  row(api.plans.libraryWhole, { query: { words: 'pause', longest: '240' } }),
  row(api.plans.get, { params: { id: first.plan.id }, stranger: 404 }),
  row(api.plans.create, {
    body: { id: id(), title: 'x', body: first.plan.body },
    wrong: { id: id(), title: '', body: { ...first.plan.body, lengthMin: 'long' } },
  }),
  row(api.plans.update, {
    params: { id: first.plan.id },
    body: { title: 'x', body: first.plan.body, baseVersion: 1 },
    stranger: 404,
    wrong: {
      title: 'x',
      body: { ...first.plan.body, blocks: [{ ...first.plan.body.blocks[0], durationMin: Number.NaN }] },
      baseVersion: 1,
    },
  }),
  row(api.planFiles.make, {
    body: { ids: [first.plan.id], withoutNames: false },
    stranger: 404,
    wrong: { ids: [], withoutNames: false },
  }),
  row(api.planFiles.look, { body: { text: '{}' }, stranger: 400, wrong: { text: 7 } }),
  row(api.planFiles.take, { body: { text: '{}' }, stranger: 400, wrong: { text: '{}', plans: [] } }),
  row(api.links.list, { params: { id: first.plan.id }, stranger: 404 }),
  row(api.links.make, {
    params: { id: first.plan.id },
    body: { id: id(), days: 30 },
    stranger: 404,
    wrong: { id: id(), days: 31 },
  }),
  row(api.links.open, { body: { token: 'A'.repeat(22) }, stranger: 404, wrong: { token: 'short' } }),
  row(api.links.revoke, { params: { id: id() }, stranger: 404 }),
  row(api.versions.list, { params: { id: second.plan.id }, stranger: 404 }),
  row(api.versions.get, { params: { id: second.plan.id, versionId: id() }, stranger: 404 }),
  row(api.versions.lineage, { params: { id: second.plan.id }, stranger: 404 }),
  row(api.versions.name, {
    params: { id: first.plan.id },
    body: { baseVersion: 1, note: 'as it was' },
    stranger: 404,
    wrong: { baseVersion: 1, note: 'x'.repeat(501) },
  }),
  row(api.versions.incoming, { params: { id: RIFFLE_COPY }, stranger: 404 }),
  row(api.versions.merge, {
    params: { id: RIFFLE_COPY },
    body: { baseVersion: 1, theirsHash: 'a'.repeat(64), choices: {} },
    stranger: 404,
    wrong: { baseVersion: 1, theirsHash: 'a'.repeat(64), choices: { aim: 'both' } },
  }),
  row(api.versions.pass, {
    params: { id: RIFFLE_COPY },
    body: { theirsHash: 'a'.repeat(64) },
    stranger: 404,
    wrong: { theirsHash: 'short' },
  }),
  row(api.proposals.make, {
    params: { id: RIFFLE_COPY },
    body: { id: id(), baseVersion: 1, note: 'Look first' },
    stranger: 404,
    wrong: { id: id(), baseVersion: 0, note: '' },
  }),
  row(api.proposals.list, { params: { id: RIFFLE_COPY }, stranger: 404 }),
  row(api.proposals.get, { params: { id: GRASS_PROPOSAL }, stranger: 404 }),
  row(api.proposals.take, {
    params: { id: GRASS_PROPOSAL },
    body: { baseVersion: 1, theirsHash: 'a'.repeat(64), choices: {} },
    stranger: 404,
    wrong: { baseVersion: 1, choices: {} },
  }),
  row(api.proposals.decline, {
    params: { id: GRASS_PROPOSAL },
    body: { word: 'Not here' },
    stranger: 404,
    wrong: { word: 7 },
  }),
  row(api.proposals.withdraw, { params: { id: GRASS_PROPOSAL }, stranger: 404 }),
  row(api.comments.list, { params: { id: second.plan.id }, stranger: 404 }),
  row(api.comments.add, {
    params: { id: second.plan.id },
    body: { id: id(), blockId: null, answers: null, text: 'Well said' },
    stranger: 404,
    wrong: { id: id(), blockId: null, answers: null, text: ' ' },
  }),
  row(api.comments.settle, {
    params: { id: GRASS_QUESTION },
    body: { settled: true },
    stranger: 404,
    wrong: { settled: 'yes' },
  }),
  row(api.comments.remove, { params: { id: GRASS_QUESTION }, stranger: 404 }),
  row(api.news.list),
  row(api.news.seen),
  row(api.plans.remove, { params: { id: second.plan.id }, stranger: 404 }),
  row(api.plans.share, {
    params: { id: first.plan.id },
    body: { circleId: circle.id },
    stranger: 404,
    wrong: { circleId: 12 },
  }),
  row(api.plans.copy, {
    params: { id: first.plan.id },
    body: { id: id() },
    stranger: 404,
    wrong: { id: 'short' },
  }),
  row(api.lessons.list),
  row(api.lessons.get, { params: { id: lesson.id }, stranger: 404 }),
  row(api.lessons.plan, { params: { id: lesson.id }, stranger: 404 }),
  row(api.lessons.create, {
    body: { id: id(), lesson: lesson.lesson },
    stranger: 400,
    wrong: { id: id(), lesson: { ...lesson.lesson, startsAt: 'soon' } },
  }),
  row(api.lessons.update, {
    params: { id: lesson.id },
    body: lesson.lesson,
    stranger: 404,
    wrong: { ...lesson.lesson, studentIds: 'all' },
  }),
  row(api.lessons.fellows, { params: { id: lesson.id }, stranger: 404 }),
  row(api.lessons.setInstructors, {
    params: { id: lesson.id },
    body: { instructors: [] },
    stranger: 404,
    wrong: { instructors: [{ userId: 'somebody', studentIds: 'all' }] },
  }),
  row(api.lessons.leave, { params: { id: lesson.id }, body: {}, stranger: 404 }),
  row(api.lessons.remove, { params: { id: lesson.id }, stranger: 404 }),
  row(api.kit.get),
  row(api.kit.update, {
    body: { kit: scenario.kit.kit, baseVersion: 1 },
    wrong: { kit: { currency: 7 }, baseVersion: 'one' },
  }),
  row(api.courses.list),
  row(api.courses.create, {
    body: { id: id(), course: { ...course.course, name: 'Another' } },
    stranger: 400,
    wrong: { id: id(), course: { ...course.course, goals: [] } },
  }),
  row(api.courses.update, {
    params: { id: course.id },
    body: course.course,
    stranger: 404,
    wrong: { ...course.course, untilOn: '2001-01-01' },
  }),
  row(api.courses.remove, { params: { id: course.id }, stranger: 404 }),
  row(api.events.list, { query: { studentId: student.id }, stranger: 404 }),
  row(api.events.add, { body: { events: [] }, stranger: 400, wrong: { events: 'all' } }),
  row(api.skillFit.get),
  row(api.skillFit.start, { stranger: 403 }),
  row(api.students.import, { body: {}, stranger: 400, wrong: { format: 'other', version: 0 } }),
  row(api.circles.list),
  row(api.circles.create, { body: { id: id(), name: 'x' }, wrong: { id: id(), name: '' } }),
  row(api.circles.invite, {
    params: { id: circle.id },
    body: { email: OTHER.email, role: 'editor' },
    stranger: 404,
    wrong: { email: 'nobody', role: 'king' },
  }),
  row(api.circles.withdraw, { params: { id: circle.id, email: 'nobody@example.org' }, stranger: 404 }),
  row(api.circles.makeLink, {
    params: { id: circle.id },
    body: { id: id(), role: 'reader' },
    stranger: 404,
    wrong: { id: 'x', role: 'king' },
  }),
  row(api.circles.closeLink, { params: { id: circle.id, linkId: id() }, stranger: 404 }),
  row(api.circles.offer, { body: { token: 'A'.repeat(22) }, stranger: 404, wrong: { token: 'cut' } }),
  row(api.circles.take, {
    body: { token: 'A'.repeat(22), accept: true },
    stranger: 404,
    wrong: { token: 'A'.repeat(22), accept: 'perhaps' },
  }),
  row(api.circles.invitations),
  row(api.circles.answer, {
    params: { id: circle.id },
    body: { accept: true },
    stranger: 404,
    wrong: { accept: 'perhaps' },
  }),
  row(api.circles.setRole, {
    params: { id: circle.id, userId: FELLOW.id },
    body: { role: 'editor' },
    stranger: 404,
    wrong: { role: 'king' },
  }),
  row(api.circles.removeMember, { params: { id: circle.id, userId: OTHER.id }, stranger: 404 }),
  row(api.circles.worked, { params: { id: circle.id }, stranger: 404 }),
  row(api.circles.tell, {
    params: { id: circle.id },
    body: { tells: true },
    stranger: 404,
    wrong: { tells: 'perhaps' },
  }),
  row(api.circles.leave, { params: { id: circle.id }, body: {}, stranger: 404 }),
  row(api.account.deletionPreview),
  row(api.account.remove, { body: { password: 'not it' }, wrong: { password: 7 } }),
];
const name = ({ method, path }: Row['endpoint']): string => `${method} ${path}`;
const table = ROWS.map((entry) => [name(entry.endpoint), entry] as const);

describe('all routes', () => {
  let test: TestApp;
  let lead: Agent;
  let other: Agent;
  beforeAll(async () => {
    test = await testApp('routes');
    lead = await test.signedIn(LEAD.email);
    other = await test.signedIn(OTHER.email);
  });
  afterAll(() => test.close());

  const send = (
    by: Agent | ReturnType<typeof supertest>,
    { endpoint, params = {}, query = {} }: Row,
    body?: object,
  ) => {
    const path = endpoint.path.replace(/:(\w+)/g, (_, key: string) => params[key] ?? '');
    const request = by[endpoint.method](path).query(query);
    return body === undefined ? request : request.send(body);
  };

  it('are all in this table', () =>
    expect(ROWS.map(({ endpoint }) => name(endpoint)).sort()).toEqual(
      allEndpoints()
        .map((endpoint) => name(endpoint as Row['endpoint']))
        .sort(),
    ));

  it.each(table.filter(([, { endpoint }]) => endpoint.access === 'user'))(
    '%s asks for a session',
    async (_, entry) => {
      const reply = await send(supertest(test.app), entry, entry.body);
      expect(reply.status).toBe(401);
      expect(errorSchema.parse(reply.body).error.code).toBe('signed-out');
    },
  );

  it.each(table.filter(([, { stranger }]) => stranger))(
    '%s shows nothing to another circle',
    async (_, entry) => {
      const reply = await send(other, entry, entry.body);
      expect(reply.status).toBe(entry.stranger);
      expect(JSON.stringify(reply.body)).not.toContain(student.student.name);
    },
  );

  it.each(table.filter(([, { wrong }]) => wrong))(
    '%s names what is wrong with a body of wrong types',
    async (_, entry) => {
      const reply = await send(lead, entry, entry.wrong);
      expect(reply.status).toBe(400);
      const { error } = errorSchema.parse(reply.body);
      expect(error.issues.length).toBeGreaterThan(0);
      expect(error.issues.every(({ path }) => path.length > 0)).toBe(true);
    },
  );

  it.each(table.filter(([, { params }]) => params))(
    '%s does not find what is not there, nor a broken id',
    async (_, entry) => {
      for (const wrongId of [id(), 'x', "1' OR 1=1"]) {
        const params = Object.fromEntries(
          Object.keys(entry.params ?? {}).map((key) => [key, encodeURIComponent(wrongId)]),
        );
        expect((await send(lead, { ...entry, params }, entry.body)).status).toBe(404);
      }
    },
  );

  it('answer a stranger 401 on any other address of the API', async () => {
    await supertest(test.app).get('/api/secrets').expect(401);
    await lead.get('/api/secrets').expect(404);
  });

  it('refuse broken JSON, other types, too much, and other sites', async () => {
    const broken = await lead.post('/api/plans').set('Content-Type', 'application/json').send('{"title":');
    expect([broken.status, broken.body.error.code]).toEqual([400, 'unreadable']);
    await lead.post('/api/plans').set('Content-Type', 'text/plain').send('hello').expect(415);
    await lead
      .post('/api/plans')
      .send({ title: 'x'.repeat(2_000_000) })
      .expect(413);
    await lead
      .post('/api/circles')
      .set('Origin', 'https://elsewhere.example')
      .send({ id: id(), name: 'x' })
      .expect(403);
    await lead
      .post('/api/circles')
      .set('Sec-Fetch-Site', 'cross-site')
      .send({ id: id(), name: 'x' })
      .expect(403);
  });

  it('describe themselves and tell their health', async () => {
    const description = (await supertest(test.app).get('/api/openapi.json').expect(200)).body;
    expect(Object.keys(description.paths)).toHaveLength(new Set(allEndpoints().map(({ path }) => path)).size);
    expect((await supertest(test.app).get('/api/health').expect(200)).body).toMatchObject({
      ok: true,
      database: 'up',
    });
  });

  it('send strict headers', async () => {
    const { headers } = await supertest(test.app).get('/api/health');
    expect(headers['content-security-policy']).toContain("script-src 'self'");
    expect(headers['content-security-policy']).toContain("default-src 'none'");
    expect(headers['x-powered-by']).toBeUndefined();
  });
});
