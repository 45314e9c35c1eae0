import { namesIn } from '@doceo/contract';
import type { PlanBody } from '@doceo/core';
import { demoScenario, GRASS_PROPOSAL, SCHOOL } from '@doceo/demo';
import { randomUUID } from 'node:crypto';
import supertest from 'supertest';
import { type Agent, type TestApp, testApp } from '../testing/test-app';

const scenario = demoScenario(new Date());
const [first] = scenario.plans;
const BODY = first!.plan.body as PlanBody;
const WATER = scenario.waters.list[0]!;
const STUDENT = scenario.students.list[0]!.student;

/** Names that are no words of any plan. */
const NAMES = Array.from({ length: 200 }, (_, i) => `Quorvel${letters(i)} Dravenne${letters(i)}`);
function letters(n: number): string {
  return String.fromCharCode(97 + Math.floor(n / 26), 97 + (n % 26));
}

/** Fields that hold codes of ours, in which nobody can write a name. */
const IS_CODE =
  /(^|[.\]])(id|kind|drillId|rigId|place|level|waterKind|trigger|lane|template|material|joint|knot|role|style|metal|wire|dressing|bead|barb|strand|ground|supervision|per|need|skillId|sectionId|watchFor.*|needs.*|faults.*|shownBy.*|schools.*|evidence.*|hingeAt|way|from|handling|insteadId|line\.kind|stand|what)$/;

/** Every text of a value, with its path and a way to put another there. */
function texts(value: unknown, path = ''): { path: string; with: (text: string) => unknown }[] {
  if (typeof value === 'string') return [{ path, with: (text) => text }];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, entry]) => {
    const at = Array.isArray(value) ? `${path}[${key}]` : path ? `${path}.${key}` : key;
    return texts(entry, at).map((found) => ({
      path: found.path,
      with: (text: string): unknown => {
        const copy = structuredClone(value) as Record<string, unknown>;
        copy[key] = found.with(text);
        return copy;
      },
    }));
  });
}

describe('names of students that were planted', () => {
  it('are found in every text field of a plan, at its path', () => {
    const fields = texts({ title: first!.plan.title, body: BODY }).filter(({ path }) => !IS_CODE.test(path));
    expect(fields.length).toBeGreaterThan(200);
    fields.forEach(({ path, with: put }, i) => {
      const name = NAMES[i % NAMES.length]!;
      const planted = put(`as ${name} did it`) as { title: string; body: PlanBody };
      const found = namesIn(planted, NAMES);
      expect(found.map((issue) => issue.path)).toEqual([path]);
    });
  });

  describe('in an instructor’s records', () => {
    let test: TestApp;
    let lead: Agent;
    let fellow: Agent;
    let ids: string[];
    beforeAll(async () => {
      test = await testApp('planted');
      [lead, fellow] = await test.everybody();
      ids = NAMES.map(() => randomUUID());
      for (const [i, name] of NAMES.entries())
        await lead
          .post('/api/students')
          .send({ id: ids[i], student: { ...STUDENT, name, note: `${name} hurries` } })
          .expect(200);
    });
    afterAll(() => test.close());

    it('leave with nothing that is shared, proposed, answered or told', async () => {
      const [plan, copy, lesson] = [randomUUID(), randomUUID(), randomUUID()];
      await lead.post('/api/plans').send({ id: plan, title: 'Travels', body: BODY }).expect(200);
      await lead
        .post('/api/lessons')
        .send({
          id: lesson,
          lesson: {
            ...{ planId: plan, waterId: WATER.id, startsAt: new Date(Date.now() - 3_600_000).toISOString() },
            studentIds: ids.slice(0, 4),
          },
        })
        .expect(200);
      const event = {
        ...{ id: randomUUID(), lessonId: lesson, studentId: ids[0], blockId: null, deviceId: randomUUID() },
        ...{ atMs: Date.now() - 1000, body: { kind: 'note', text: `${NAMES[0]} did it` } },
      };
      await lead
        .post('/api/events')
        .send({ events: [event], sentAtMs: Date.now() })
        .expect(200);
      await lead.post(`/api/plans/${plan}/share`).send({ circleId: SCHOOL.id, note: 'New' }).expect(200);
      await fellow.post(`/api/plans/${plan}/copy`).send({ id: copy }).expect(200);
      const comment = { id: randomUUID(), blockId: null, answers: null, text: 'How long?' };
      await fellow.post(`/api/plans/${plan}/comments`).send(comment).expect(200);
      const answer = { id: randomUUID(), blockId: null, answers: comment.id, text: 'Till it holds' };
      await lead.post(`/api/plans/${plan}/comments`).send(answer).expect(200);
      await lead.post(`/api/proposals/${GRASS_PROPOSAL}/decline`).send({ word: 'Not yet' }).expect(200);
      const { items } = (await fellow.get(`/api/plans/${plan}/versions`).expect(200)).body;
      const told: string[] = [];
      for (const path of [
        ...[
          '/plans',
          `/plans/${plan}`,
          `/plans/${copy}`,
          '/news',
          '/circles',
          '/waters',
          '/lessons',
          '/students',
        ],
        ...['versions', 'lineage', 'comments'].flatMap((what) => [
          `/plans/${plan}/${what}`,
          `/plans/${copy}/${what}`,
        ]),
        ...items.map(({ id }: { id: string }) => `/plans/${plan}/versions/${id}`),
      ])
        told.push((await fellow.get(`/api${path}`).expect(200)).text);
      const linkId = randomUUID();
      const { token } = (
        await lead.post(`/api/plans/${plan}/links`).send({ id: linkId, days: 7 }).expect(200)
      ).body;
      told.push((await supertest(test.app).post('/api/links/open').send({ token }).expect(200)).text);
      told.push((await fellow.get(`/api/circles/${SCHOOL.id}/worked`).expect(200)).text);
      const file = { ids: [plan], withoutNames: false };
      told.push((await lead.post('/api/plans/file').send(file).expect(200)).body.text);
      const all = told.join('\n');
      for (const [i, name] of NAMES.entries())
        expect([name, ...name.split(' '), ids[i]!].filter((text) => all.includes(text))).toEqual([]);
      expect(all).toContain('Till it holds');
    });

    it('leave in no file, whatever text of the plan they stand in', async () => {
      const fields = texts({ title: first!.plan.title, body: BODY }).filter(
        ({ path }) => !IS_CODE.test(path),
      );
      // Each text of the plan has another of the names in it.
      const planted = fields.reduce<unknown>(
        (value, { path }, i) => {
          const field = texts(value).find((one) => one.path === path)!;
          const name = NAMES[i % NAMES.length]!.split(' ')[0]!;
          return field.with(name);
        },
        { title: first!.plan.title, body: BODY },
      ) as { title: string; body: PlanBody };
      const plan = randomUUID();
      const saved = await lead.post('/api/plans').send({ id: plan, ...planted });
      expect(saved.body.error).toBeUndefined();
      const held = (await lead.post('/api/plans/file').send({ ids: [plan], withoutNames: false })).body;
      expect(held.text).toBe('');
      expect(new Set(held.named.map(({ path }: { path: string }) => path))).toEqual(
        new Set(fields.map(({ path }) => `plans[0].${path}`)),
      );
      const { text } = (await lead.post('/api/plans/file').send({ ids: [plan], withoutNames: true })).body;
      expect(text.length).toBeGreaterThan(10_000);
      for (const name of NAMES) expect(name.split(' ').filter((word) => text.includes(word))).toEqual([]);
      const link = await lead.post(`/api/plans/${plan}/links`).send({ id: randomUUID(), days: 7 });
      expect([link.status, link.body.error.issues.length]).toEqual([400, fields.length]);
    });

    it('are refused in every word that would leave', async () => {
      const plan = randomUUID();
      await lead.post('/api/plans').send({ id: plan, title: 'Refused', body: BODY }).expect(200);
      await lead.post(`/api/plans/${plan}/share`).send({ circleId: SCHOOL.id }).expect(200);
      const text = `like ${NAMES[137]}`;
      const requests = [
        lead.put(`/api/plans/${plan}`).send({ title: 'x', body: { ...BODY, season: text }, baseVersion: 1 }),
        lead.post(`/api/plans/${plan}/share`).send({ circleId: SCHOOL.id, note: text }),
        lead.post(`/api/plans/${plan}/versions`).send({ baseVersion: 1, note: text }),
        lead
          .post(`/api/plans/${plan}/comments`)
          .send({ id: randomUUID(), blockId: null, answers: null, text }),
      ];
      for (const request of requests) {
        const { status, body } = await request;
        expect([status, body.error.issues[0].code]).toEqual([400, 'student-name']);
      }
    });
  });
});
