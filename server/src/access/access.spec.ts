import { emptyLayer } from '@doceo/core';
import { randomUUID } from 'node:crypto';
import { allEndpoints, api, type Endpoint } from '@doceo/contract';
import { demoScenario } from '@doceo/demo';
import supertest from 'supertest';
import { write } from '../db/pool';
import { letSeeByLessons } from '../lessons/seen-by-lesson.sql';
import { type Agent, type TestApp, testApp } from '../testing/test-app';
import { tokenHash } from './token';

const scenario = demoScenario(new Date());
/** A lesson that is still to come, and the days of a course around it. */
const DAY_MS = 24 * 60 * 60_000;
const inDays = (days: number): string => new Date(Date.now() + days * DAY_MS).toISOString();
const AHEAD = inDays(30);
const COURSE_DAYS = { fromOn: inDays(20).slice(0, 10), untilOn: inDays(60).slice(0, 10) };
const id = (): string => randomUUID();
const first = <T>(list: readonly T[]): T => list[0] as T;
const river = first(scenario.waters.list).water;
const plan = first(scenario.plans).plan;

/**
 * Whoever may turn up at a thing of the keeper's: members of the circle it is shared with, one who left it and one who
 * left it but has a lesson there, the fellow who was given a student, and without an account who holds links, and who
 * answered as a guardian on his device, or has the link to his own page; and who helps in a lesson, and for whom that was
 * ended. Of another circle: who teaches along in that lesson, and who did and parted.
 */
const ACTORS = [
  'nobody',
  'holder',
  'guardian',
  'student',
  'assistant',
  'ended',
  'stranger',
  'former',
  'guest',
  'fellow',
  'along',
  'parted',
  'reader',
  'editor',
  'owner',
  'keeper',
] as const;
type Actor = (typeof ACTORS)[number];

const MEMBERS: Actor[] = ['reader', 'editor', 'owner', 'keeper'];
const DRAWERS: Actor[] = ['editor', 'owner', 'keeper'];
const KEEPER: Actor[] = ['keeper'];
const SIGNED_IN = ACTORS.slice(6);

interface Things {
  water: string;
  plan: string;
  circle: string;
  student: string;
  course: string;
  /** A copy of the plan that the reader took and proposes from. */
  copy: string;
  version: string;
  proposal: string;
  comment: string;
  /** A link to the plan, and the token that the holder has. */
  link: string;
  token: string;
  /** A minor, and what two guardians of his were asked and answered. */
  child: string;
  /** A link by which somebody may join the circle. */
  door: string;
  lesson: string;
  /** Another, in which somebody helps. */
  helped: string;
  rig: string;
  reading: string;
}

interface Row {
  endpoint: Endpoint<never, never, never, unknown>;
  may: readonly Actor[];
  params?: (things: Things, ids: Record<string, string>) => Record<string, string>;
  query?: (things: Things) => Record<string, string>;
  body?: (things: Things, ids: Record<string, string>, actor: Actor) => object;
}

const row = (endpoint: unknown, may: readonly Actor[], rest: Omit<Row, 'endpoint' | 'may'> = {}): Row => ({
  endpoint: endpoint as Row['endpoint'],
  may,
  ...rest,
});
/** A comment of the reader for each who may turn up: whoever may take it away does. */
const spareComments = ACTORS.map(() => id());
const hash = 'a'.repeat(64);
const of = (kind: keyof Things) => (things: Things) => ({ id: things[kind] });

/** Of what every account may, what is open to who helps in a lesson too; the log is also when that was ended. */
const helpers = (endpoint: unknown): Actor[] => {
  if (endpoint === api.events.add) return ['assistant', 'ended'];
  const open: unknown[] = [
    ...[api.lessons.list, api.students.list, api.records.progress, api.readings.list, api.waters.list],
    ...[api.teaching.get, api.kit.get, api.skillFit.get, api.session.settings],
  ];
  return open.includes(endpoint) ? ['assistant'] : [];
};

/** What somebody brings to a question about a minor: the holder a link alone, the guardian the key of his device too. */
const held = (actor: Actor): { token: string; key: string | null } => ({
  token: (actor === 'holder' ? 'H' : actor === 'guardian' ? 'G' : 'A').repeat(22),
  key: actor === 'guardian' ? 'K'.repeat(22) : null,
});

/** The token of a student's own page, which the student has and nobody else. */
const own = (actor: Actor): { token: string } => ({ token: (actor === 'student' ? 'P' : 'A').repeat(22) });

/** Every route on a thing, in an order in which what is taken away is not asked for again. */
const ROWS: Row[] = [
  row(api.waters.get, ['assistant', 'guest', 'along', ...MEMBERS], { params: of('water') }),
  row(api.waters.beats, ['assistant', 'guest', 'along', ...MEMBERS], { params: of('water') }),
  row(api.waters.lake, ['assistant', 'guest', 'along', ...MEMBERS], { params: of('water') }),
  row(api.waters.conditions, ['assistant', 'guest', 'along', ...MEMBERS], {
    params: of('water'),
    query: () => ({ date: '2026-06-10' }),
  }),
  row(api.waters.outlook, ['guest', 'along', ...MEMBERS], {
    params: of('water'),
    query: () => ({ date: '2026-06-10', days: '2' }),
  }),
  row(api.waters.change, DRAWERS, { params: of('water'), body: () => ({ source: 'the sign', species: [] }) }),
  row(api.waters.deletionPreview, ['keeper'], { params: of('water') }),
  row(api.waters.remove, ['keeper'], { params: of('water') }),
  row(api.waters.share, ['keeper'], { params: of('water'), body: ({ circle: circleId }) => ({ circleId }) }),
  row(api.waters.give, ['keeper'], { params: of('water'), body: () => ({ userId: id() }) }),
  row(api.waters.setCalendar, DRAWERS, { params: of('water'), body: () => ({ calendar: null }) }),
  row(api.waters.saveBeat, DRAWERS, {
    params: ({ water }) => ({ id: water, beatId: id() }),
    body: () => ({ beat: first(scenario.beats).beat, baseVersion: 0 }),
  }),
  row(api.waters.removeBeat, DRAWERS, { params: ({ water }) => ({ id: water, beatId: id() }) }),
  row(api.waters.saveLake, DRAWERS, {
    params: of('water'),
    body: () => ({ lake: first(scenario.lakes).lake, baseVersion: 0 }),
  }),
  row(api.waters.saveReadings, DRAWERS, {
    params: of('water'),
    body: () => ({ readings: [{ id: id(), atMs: 0, what: 'airC', value: 12, depthM: null }] }),
  }),
  row(api.waters.removeReading, DRAWERS, { params: ({ water }) => ({ id: water, readingId: id() }) }),
  row(api.waters.readCard, DRAWERS, { params: of('water') }),
  row(api.students.get, ['fellow', 'along', 'keeper'], { params: of('student') }),
  row(api.students.export, ['fellow', 'along', 'keeper'], { params: of('student') }),
  row(api.students.accessLog, KEEPER, { params: of('student') }),
  row(api.students.deletionPreview, KEEPER, { params: of('student') }),
  row(api.access.get, KEEPER, { params: of('student') }),
  row(api.access.give, KEEPER, {
    params: ({ student }, ids) => ({ id: student, userId: String(ids['reader']) }),
    body: () => ({ untilOn: null }),
  }),
  row(api.access.end, KEEPER, {
    params: ({ student }, ids) => ({ id: student, userId: String(ids['reader']) }),
  }),
  row(api.access.handOver, KEEPER, {
    params: of('student'),
    body: (_, ids) => ({ userId: ids['reader'], consentBy: 'Who agreed', consentOn: '2026-01-01' }),
  }),
  row(api.access.keep, KEEPER, { params: of('student') }),
  row(api.pages.list, KEEPER, { params: of('student') }),
  row(api.pages.make, KEEPER, {
    params: of('student'),
    body: ({ lesson }) => ({ id: id(), lessonId: lesson, days: 30 }),
  }),
  row(api.pages.waiting, KEEPER, { params: of('student') }),
  row(api.pages.judge, KEEPER, { params: of('student'), body: () => ({ ids: [id()], counts: true }) }),
  row(api.myPage.look, ['student'], { body: (_things, _ids, actor) => own(actor) }),
  row(api.myPage.open, ['student'], {
    body: (_things, _ids, actor) => ({ ...own(actor), name: 'A guardian' }),
  }),
  row(api.myPage.send, ['student'], {
    body: (_things, _ids, actor) => ({
      ...own(actor),
      entries: [
        {
          ...{ id: id(), atMs: 0 },
          body: {
            kind: 'attempt',
            skillId: 'casting.stop',
            drillId: null,
            good: true,
            faultId: null,
            home: true,
          },
        },
      ],
    }),
  }),
  row(api.consents.list, KEEPER, { params: of('child') }),
  row(api.consents.ask, KEEPER, {
    params: of('child'),
    body: () => ({ id: id(), guardianName: 'A guardian', email: null }),
  }),
  row(api.guardian.look, ['holder', 'guardian'], { body: (_things, _ids, actor) => held(actor) }),
  row(api.guardian.answer, ['guardian'], {
    body: (_things, _ids, actor) => ({
      ...held(actor),
      key: (actor === 'guardian' ? 'K' : 'N').repeat(22),
      given: true,
      name: 'A guardian',
    }),
  }),
  row(api.students.update, KEEPER, {
    params: of('student'),
    body: () => first(scenario.students.list).student,
  }),
  row(api.events.list, ['fellow', 'along', 'keeper'], { query: ({ student }) => ({ studentId: student }) }),
  row(api.records.list, ['assistant', 'along', 'keeper'], { query: ({ helped }) => ({ lessonId: helped }) }),
  row(api.lessons.get, ['assistant', 'along', 'keeper'], { params: of('helped') }),
  row(api.lessons.plan, ['assistant', 'along', 'keeper'], { params: of('helped') }),
  row(api.assistants.list, KEEPER, { params: of('helped') }),
  row(api.assistants.look, ['holder'], { body: (_things, _ids, actor) => ({ token: held(actor).token }) }),
  row(api.assistants.begin, ['holder'], {
    body: (_things, _ids, actor) => ({ token: held(actor).token, name: 'A helper' }),
  }),
  row(api.assistants.open, KEEPER, { params: of('helped') }),
  row(api.assistants.close, KEEPER, { params: of('helped') }),
  row(api.lessons.update, KEEPER, {
    params: of('lesson'),
    body: ({ plan: planId, water, student }) => ({
      planId,
      waterId: water,
      startsAt: AHEAD,
      studentIds: [student],
    }),
  }),
  row(api.courses.update, KEEPER, {
    params: of('course'),
    body: ({ student }) => ({
      ...{ name: 'x', ...COURSE_DAYS, goals: ['casting.stop'] },
      studentIds: [student],
    }),
  }),
  row(api.rigs.get, KEEPER, { params: of('rig') }),
  row(api.rigs.update, KEEPER, {
    params: of('rig'),
    body: () => ({ name: 'x', rig: first(scenario.rigs.list).rig, baseVersion: 1 }),
  }),
  row(api.plans.get, MEMBERS, { params: of('plan') }),
  row(api.plans.copy, MEMBERS, { params: of('plan'), body: () => ({ id: id() }) }),
  row(api.plans.update, KEEPER, {
    params: of('plan'),
    body: () => ({ title: 'x', body: plan.body, baseVersion: 1 }),
  }),
  row(api.planFiles.make, MEMBERS, {
    body: ({ plan: planId }) => ({ ids: [planId], withoutNames: true }),
  }),
  row(api.links.list, KEEPER, { params: of('plan') }),
  row(api.links.make, KEEPER, { params: of('plan'), body: () => ({ id: id(), days: 7 }) }),
  row(api.links.open, ['holder'], {
    body: ({ token }, _, actor) => ({ token: actor === 'holder' ? token : 'A'.repeat(22) }),
  }),
  row(api.versions.list, MEMBERS, { params: of('plan') }),
  row(api.versions.get, MEMBERS, {
    params: ({ plan: planId, version }) => ({ id: planId, versionId: version }),
  }),
  row(api.versions.lineage, MEMBERS, { params: of('plan') }),
  row(api.versions.name, KEEPER, { params: of('plan'), body: () => ({ baseVersion: 1, note: 'x' }) }),
  row(api.versions.incoming, ['reader'], { params: of('copy') }),
  row(api.versions.merge, ['reader'], {
    params: of('copy'),
    body: () => ({ baseVersion: 1, theirsHash: hash, choices: {} }),
  }),
  row(api.versions.pass, ['reader'], { params: of('copy'), body: () => ({ theirsHash: hash }) }),
  row(api.proposals.make, ['reader'], {
    params: of('copy'),
    body: ({ proposal }) => ({ id: proposal, baseVersion: 1, note: '' }),
  }),
  row(api.proposals.list, ['reader'], { params: of('copy') }),
  row(api.proposals.get, KEEPER, { params: of('proposal') }),
  row(api.proposals.take, KEEPER, {
    params: of('proposal'),
    body: () => ({ baseVersion: 1, theirsHash: hash, choices: {} }),
  }),
  row(api.proposals.decline, KEEPER, { params: of('proposal'), body: () => ({ word: '' }) }),
  row(api.proposals.withdraw, ['reader'], { params: of('proposal') }),
  row(api.comments.list, MEMBERS, { params: of('plan') }),
  row(api.comments.add, MEMBERS, {
    params: of('plan'),
    body: () => ({ id: id(), blockId: null, answers: null, text: 'x' }),
  }),
  row(api.comments.settle, ['reader', 'keeper'], { params: of('comment'), body: () => ({ settled: true }) }),
  row(api.comments.remove, ['reader', 'keeper'], { params: () => ({ id: String(spareComments.pop()) }) }),
  row(api.circles.worked, MEMBERS, { params: of('circle') }),
  row(api.circles.tell, ['owner'], { params: of('circle'), body: () => ({ tells: true }) }),
  row(api.circles.invite, ['owner'], {
    params: of('circle'),
    body: () => ({ email: 'somebody@example.org', role: 'reader' }),
  }),
  row(api.circles.withdraw, ['owner'], {
    params: ({ circle }) => ({ id: circle, email: 'somebody@example.org' }),
  }),
  row(api.circles.makeLink, ['owner'], {
    params: of('circle'),
    body: () => ({ id: id(), role: 'reader' }),
  }),
  row(api.circles.closeLink, ['owner'], {
    params: ({ circle, door }) => ({ id: circle, linkId: door }),
  }),
  row(api.circles.setRole, ['owner'], {
    params: ({ circle }, ids) => ({ id: circle, userId: String(ids['reader']) }),
    body: () => ({ role: 'reader' }),
  }),
  row(api.links.revoke, KEEPER, { params: of('link') }),
  row(api.plans.share, ['owner', 'keeper'], { params: of('plan'), body: () => ({ circleId: null }) }),
  row(api.courses.remove, KEEPER, { params: of('course') }),
  row(api.lessons.fellows, KEEPER, { params: of('helped') }),
  row(api.lessons.setInstructors, KEEPER, {
    params: of('lesson'),
    body: () => ({ instructors: [] }),
  }),
  row(api.lessons.remove, KEEPER, { params: of('lesson') }),
  row(api.plans.remove, KEEPER, { params: of('plan') }),
  row(api.rigs.remove, KEEPER, { params: of('rig') }),
  row(api.readings.remove, KEEPER, { params: of('reading') }),
  row(api.students.remove, KEEPER, { params: of('student') }),
  row(api.lessons.leave, ['along'], { params: of('helped') }),
  row(api.guardian.file, ['guardian'], { body: (_things, _ids, actor) => held(actor) }),
  row(api.guardian.takeBack, ['holder', 'guardian'], { body: (_things, _ids, actor) => held(actor) }),
  row(api.guardian.remove, ['guardian'], {
    body: (_things, _ids, actor) => ({ ...held(actor), studentName: 'Kim Ferro' }),
  }),
  row(api.keeping.ofCircle, ['owner'], { params: of('circle'), body: () => ({ rule: null }) }),
  row(api.teaching.updateCircle, ['owner', 'editor', 'keeper'], {
    params: of('circle'),
    body: () => ({ layer: emptyLayer(), baseVersion: 0 }),
  }),
  row(api.circles.removeMember, ['owner'], {
    params: ({ circle }) => ({ id: circle, userId: id() }),
  }),
  row(api.circles.leave, MEMBERS, { params: of('circle') }),
  // Of nobody in particular.
  row(api.skillFit.start, []),
  ...[
    ...[api.session.settings, api.session.changePassword, api.account.deletionPreview, api.account.remove],
    ...[api.account.file, api.account.signIns, api.account.endOtherSignIns, api.account.secondFactor],
    ...[api.account.offerSecondFactor, api.account.beginSecondFactor, api.account.endSecondFactor],
    ...[api.drills.list, api.waters.list, api.waters.create, api.students.list, api.records.progress],
    ...[api.records.effects],
    ...[api.students.create, api.students.import, api.skillFit.get, api.rigs.list, api.rigs.create],
    ...[
      api.readings.list,
      api.readings.create,
      api.flyBox.get,
      api.flyBox.update,
      api.kit.get,
      api.kit.update,
      api.plans.list,
    ],
    ...[api.plans.create, api.lessons.list, api.lessons.create, api.events.add, api.circles.list],
    ...[
      api.courses.list,
      api.courses.create,
      api.circles.create,
      api.circles.invitations,
      api.teaching.get,
      api.teaching.update,
    ],
    ...[api.teaching.show, api.teaching.follow, api.teaching.shown, api.news.list, api.news.seen],
    ...[
      api.planFiles.look,
      api.planFiles.take,
      api.plans.library,
      api.plans.libraryWhole,
      api.access.incoming,
    ],
    ...[api.consents.news, api.keeping.get, api.keeping.own, api.pages.news],
  ].map((endpoint) => row(endpoint, [...SIGNED_IN, ...helpers(endpoint)])),
  ...[
    ...[api.health, api.openapi, api.session.get, api.session.register, api.session.signIn],
    ...[api.session.lost, api.mailbox.list],
  ].map((endpoint) => row(endpoint, ACTORS)),
];
/** Routes whose answer depends on the caller alone, or that end his session. */
const ELSEWHERE = [
  api.circles.answer,
  api.access.answer,
  api.session.signOut,
  api.session.lostLink,
  api.session.lostAnswer,
  api.session.confirm,
  api.circles.offer,
  api.circles.take,
  api.account.endSignIn,
  // Of one question among others; see consents.spec.
  api.consents.know,
  api.consents.withdraw,
  api.pages.close,
  api.assistants.end,
];

const name = ({ method, path }: { method: string; path: string }): string =>
  `${method.toUpperCase()} ${path}`;

describe('who may what', () => {
  let test: TestApp;
  const agents = new Map<Actor, Agent>();
  const ids: Record<string, string> = {};
  let things: Things;

  beforeAll(async () => {
    test = await testApp('access', { settings: { DOCEO_MAIL: 'stand-in' } });
    for (const actor of SIGNED_IN) {
      const agent = await test.newcomer(actor);
      agents.set(actor, agent);
      ids[actor] = (await agent.get('/api/session')).body.user.id;
    }
    const by = (actor: Actor): Agent => agents.get(actor) as Agent;
    things = {
      water: id(),
      plan: id(),
      circle: id(),
      student: id(),
      child: id(),
      lesson: id(),
      helped: id(),
      rig: id(),
      reading: id(),
      course: id(),
      ...{ copy: id(), version: '', proposal: id(), comment: id(), link: id(), token: '', door: id() },
    };
    const { water, circle, student } = things;
    await by('owner').post('/api/circles').send({ id: circle, name: 'A circle' }).expect(200);
    for (const [actor, role] of [
      ['reader', 'reader'],
      ['editor', 'editor'],
      ['keeper', 'editor'],
      ['former', 'editor'],
      ['guest', 'editor'],
    ] as const) {
      const email = `${actor}@example.org`;
      await by('owner').post(`/api/circles/${circle}/invitations`).send({ email, role }).expect(200);
      await by(actor).post(`/api/invitations/${circle}`).send({ accept: true }).expect(200);
    }
    await by('owner')
      .post(`/api/circles/${circle}/links`)
      .send({ id: things.door, role: 'reader' })
      .expect(200);
    const keeper = by('keeper');
    await keeper.post('/api/waters').send({ id: water, water: river }).expect(200);
    await write(test.pool, 'UPDATE waters SET circle_id = ? WHERE id = ?', [circle, water]);
    await keeper.post('/api/plans').send({ id: things.plan, title: 'A plan', body: plan.body }).expect(200);
    await keeper.post(`/api/plans/${things.plan}/share`).send({ circleId: circle }).expect(200);
    await keeper
      .post('/api/students')
      .send({ id: student, student: first(scenario.students.list).student })
      .expect(200);
    await write(test.pool, 'INSERT INTO student_access (student_id, user_id) VALUES (?, ?)', [
      student,
      ids['fellow'],
    ]);
    const child = { ...first(scenario.students.list).student, name: 'Kim Ferro', bornOn: null };
    await keeper.post('/api/students').send({ id: things.child, student: child }).expect(200);
    for (const { token } of [held('holder'), held('guardian')])
      await write(
        test.pool,
        `INSERT INTO consents (id, student_id, token_hash, key_hash, until_at, answered_at, given, by_name, known)
         VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3) + INTERVAL 1 DAY, UTC_TIMESTAMP(3), 1, 'A guardian', 1)`,
        [id(), things.child, tokenHash(token), tokenHash('K'.repeat(22))],
      );
    const lesson = { planId: things.plan, waterId: water, startsAt: AHEAD };
    await keeper
      .post('/api/lessons')
      .send({ id: things.lesson, lesson: { ...lesson, studentIds: [student] } })
      .expect(200);
    await keeper
      .post('/api/lessons')
      .send({ id: things.helped, lesson: { ...lesson, studentIds: [student] } })
      .expect(200);
    await write(
      test.pool,
      `INSERT INTO student_links (id, student_id, lesson_id, token_hash, until_at)
       VALUES (?, ?, ?, ?, UTC_TIMESTAMP(3) + INTERVAL 1 DAY)`,
      [id(), student, things.lesson, tokenHash(own('student').token)],
    );
    await write(test.pool, 'INSERT INTO assistant_links (lesson_id, token_hash) VALUES (?, ?)', [
      things.helped,
      tokenHash(held('holder').token),
    ]);
    for (const actor of ['assistant', 'ended'] as const) {
      const agent = supertest.agent(test.app);
      await agent
        .post('/api/assist/begin')
        .send({ token: held('holder').token, name: actor })
        .expect(200);
      agents.set(actor, agent);
      ids[actor] = (await agent.get('/api/session')).body.user.id;
    }
    await keeper.delete(`/api/lessons/${things.helped}/assistants/${ids['ended']}`).expect(200);
    for (const actor of ['along', 'parted'] as const) {
      const named = [things.helped, ids[actor]];
      await write(test.pool, 'INSERT INTO lesson_instructors (lesson_id, user_id) VALUES (?, ?)', named);
      await letSeeByLessons(test.pool, [ids[actor] as string]);
    }
    await by('parted').post(`/api/lessons/${things.helped}/leave`).send({}).expect(200);
    const course = { name: 'A course', ...COURSE_DAYS };
    await keeper
      .post('/api/courses')
      .send({ id: things.course, course: { ...course, goals: ['casting.stop'], studentIds: [student] } })
      .expect(200);
    await keeper
      .post('/api/rigs')
      .send({ id: things.rig, name: 'r', rig: first(scenario.rigs.list).rig })
      .expect(200);
    await keeper
      .post('/api/readings')
      .send({ ...first(scenario.readings.list), id: things.reading, studentId: null })
      .expect(200);
    await by('guest')
      .post('/api/lessons')
      .send({ id: id(), lesson: { ...lesson, studentIds: [] } })
      .expect(200);
    const reader = by('reader');
    await reader.post(`/api/plans/${things.plan}/copy`).send({ id: things.copy }).expect(200);
    await keeper
      .put(`/api/plans/${things.plan}`)
      .send({ title: 'Moved on', body: plan.body, baseVersion: 1 })
      .expect(200);
    await keeper.post(`/api/plans/${things.plan}/share`).send({ circleId: circle }).expect(200);
    things.version = (await keeper.get(`/api/plans/${things.plan}/versions`)).body.items[0].id;
    await reader
      .post(`/api/plans/${things.copy}/proposals`)
      .send({ id: things.proposal, baseVersion: 1, note: '' })
      .expect(200);
    things.token = (
      await keeper.post(`/api/plans/${things.plan}/links`).send({ id: things.link, days: 7 }).expect(200)
    ).body.token;
    for (const comment of [things.comment, ...spareComments])
      await reader
        .post(`/api/plans/${things.plan}/comments`)
        .send({ id: comment, blockId: null, answers: null, text: 'x' })
        .expect(200);
    for (const actor of ['former', 'guest'] as const)
      await by(actor).post(`/api/circles/${circle}/leave`).send({}).expect(200);
  });
  afterAll(() => test.close());

  it('knows every route', () => {
    const listed = [...ROWS.map(({ endpoint }) => endpoint), ...ELSEWHERE] as Endpoint[];
    expect(listed.map(name).sort()).toEqual(allEndpoints().map(name).sort());
  });

  describe('opens to each only what is his', () => {
    const lines = [''.padEnd(47) + ACTORS.map((actor) => actor.padEnd(9)).join('')];
    afterAll(() => process.stdout.write([...lines, ''].join('\n')));

    it.each(ROWS.map((row) => ({ called: name(row.endpoint), ...row })))(
      '$called',
      async ({ called, endpoint, may, params, query, body }) => {
        const passed: Actor[] = [];
        const codes: string[] = [];
        for (const actor of ACTORS) {
          const path = endpoint.path.replace(/:(\w+)/g, (_, key: string) =>
            encodeURIComponent(params?.(things, ids)[key] ?? ''),
          );
          const by = agents.get(actor) ?? supertest(test.app);
          const { status } = await by[endpoint.method](path)
            .query(query?.(things) ?? {})
            .send(endpoint.method === 'get' ? undefined : (body?.(things, ids, actor) ?? {}));
          // What is let in may still find its input wanting: that is no question of who asks.
          const refused = status === 403 || status === 404 || (status === 401 && !SIGNED_IN.includes(actor));
          if (!refused || (endpoint === (api.circles.removeMember as unknown) && actor === 'owner'))
            passed.push(actor);
          codes.push(String(status));
        }
        lines.push(`${called.padEnd(46)} ${codes.map((code) => code.padEnd(9)).join('')}`);
        expect(passed).toEqual(ACTORS.filter((actor) => may.includes(actor)));
      },
    );
  });
});
