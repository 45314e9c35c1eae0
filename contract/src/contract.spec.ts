import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { blockFromDrill, buildRig, emptyPlan, type PlanBody, type Rig } from '@doceo/core';
import fc from 'fast-check';
import * as z from 'zod';
import {
  ageOn,
  allEndpoints,
  api,
  eventQuerySchema,
  eventSchema,
  lessonSchema,
  openApi,
  planBodySchema,
  registerSchema,
  rigSchema,
  signInSchema,
  studentSchema,
  takenReadingSchema,
  toIssues,
  waterChangeSchema,
  waterSchema,
} from './index';

const ID = '00000000-0000-4000-8000-000000000001';
const OTHER_ID = '00000000-0000-4000-8000-000000000002';
const rig: Rig = buildRig('indicator-nymph');
const plan: PlanBody = {
  ...emptyPlan(),
  blocks: [blockFromDrill(SHIPPED.drills.get('hats-and-glasses'), ID, 0)],
  rigs: [{ id: OTHER_ID, name: 'Two nymphs', rig }],
};
const water = {
  name: 'River Ostrel',
  kind: 'river',
  latitude: 57.9,
  longitude: 9.1,
  timeZone: 'Europe/Copenhagen',
  species: [],
  said: {},
  places: [],
  rules: {
    licence: '',
    seasonFrom: '03-01',
    seasonTo: '10-31',
    maxHooks: 2,
    barbless: true,
    leadAllowed: false,
    release: '',
    hours: '',
    other: '',
    whoSaysSo: '',
    checkedOn: null,
    checkedBy: null,
  },
  calendar: null,
};
const student = {
  name: 'Petra Holm',
  bornOn: '1968-03-02',
  saidAdult: false,
  hand: 'right',
  heightM: null,
  needs: [],
  note: '',
  guardianName: '',
  guardianContact: '',
  guardianConsentOn: null,
};
const tap = {
  id: ID,
  lessonId: ID,
  studentId: OTHER_ID,
  blockId: null,
  deviceId: ID,
  atMs: 1,
  body: { kind: 'attempt', skillId: 'casting.stop', drillId: null, good: true, faultId: null },
};
const lesson = { planId: ID, waterId: ID, startsAt: '2026-11-28T08:30:00Z', studentIds: [ID] };

/** Paths of what a schema finds wrong. */
const wrongs = (schema: z.ZodType, value: unknown): string[] => {
  const { error } = schema.safeParse(value);
  return error ? toIssues(error).map(({ path }) => path) : [];
};

describe('what crosses the border whole', () => {
  it.each<[string, z.ZodType, unknown]>([
    ['a plan', planBodySchema, plan],
    ['a rig', rigSchema, rig],
    ['a water', waterSchema, water],
    ['a student', studentSchema, student],
    ['a tap', eventSchema, tap],
    ['a lesson', lessonSchema, lesson],
  ])('%s is taken as it is', (_, schema, value) => expect(schema.parse(value)).toEqual(value));
});

describe('what is refused, and where', () => {
  const block = plan.blocks[0];
  const section = rig.sections[0];
  it.each<[string, z.ZodType, unknown, string]>([
    ['an unknown field', planBodySchema, { ...plan, student: 'Petra' }, ''],
    ['a plan of a day and a half', planBodySchema, { ...plan, lengthMin: 2160 }, 'lengthMin'],
    ['a part of a minute', planBodySchema, { ...plan, lengthMin: 90.5 }, 'lengthMin'],
    ['no group', planBodySchema, { ...plan, groupSize: 0 }, 'groupSize'],
    [
      'a drill that is no id',
      planBodySchema,
      { ...plan, blocks: [{ ...block, drillId: 'Two words' }] },
      'blocks[0].drillId',
    ],
    ['a block twice', planBodySchema, { ...plan, blocks: [block, block] }, 'blocks[1].id'],
    [
      'a rig that is not along',
      planBodySchema,
      { ...plan, blocks: [{ ...block, rigId: ID }] },
      'blocks[0].rigId',
    ],
    [
      'a title over two lines',
      planBodySchema,
      { ...plan, blocks: [{ ...block, title: 'a\nb' }] },
      'blocks[0].title',
    ],
    [
      'a rig in a plan',
      planBodySchema,
      { ...plan, rigs: [{ id: ID, name: 'x', rig: { ...rig, sections: [] } }] },
      'rigs[0].rig.sections',
    ],
    ['a rod of a mile', rigSchema, { ...rig, rod: { lengthM: 1609 } }, 'rod.lengthM'],
    [
      'a length below zero',
      rigSchema,
      { ...rig, sections: [{ ...section, lengthM: -1 }] },
      'sections[0].lengthM',
    ],
    [
      'a length that is none',
      rigSchema,
      { ...rig, sections: [{ ...section, lengthM: Number.NaN }] },
      'sections[0].lengthM',
    ],
    ['a length without end', rigSchema, { ...rig, waterDepthM: Number.POSITIVE_INFINITY }, 'waterDepthM'],
    [
      'an unknown material',
      rigSchema,
      { ...rig, sections: [{ ...section, material: 'silk' }] },
      'sections[0].material',
    ],
    [
      'an indicator above the leader',
      rigSchema,
      { ...rig, fittings: [{ ...rig.fittings[0], aboveFlyM: 14 }] },
      'fittings[0].aboveFlyM',
    ],
    [
      'an odd hook',
      rigSchema,
      { ...rig, flies: [{ ...rig.flies.at(-1), hookSize: 13 }] },
      'flies[0].hookSize',
    ],
    ['two point flies', rigSchema, { ...rig, flies: [rig.flies.at(-1), rig.flies.at(-1)] }, 'flies'],
    ['half a place', waterSchema, { ...water, longitude: null }, 'longitude'],
    ['half a place of a change', waterChangeSchema, { latitude: 57 }, 'longitude'],
    ['a latitude beyond the pole', waterSchema, { ...water, latitude: 90.1 }, 'latitude'],
    ['an unknown time zone', waterSchema, { ...water, timeZone: 'Corvane/Valley' }, 'timeZone'],
    [
      'a season of no month',
      waterSchema,
      { ...water, rules: { ...water.rules, seasonFrom: '13-01' } },
      'rules.seasonFrom',
    ],
    ['no hook at all', waterSchema, { ...water, rules: { ...water.rules, maxHooks: 0 } }, 'rules.maxHooks'],
    ['no name', studentSchema, { ...student, name: '   ' }, 'name'],
    ['a birthday in words', studentSchema, { ...student, bornOn: 'in spring' }, 'bornOn'],
    ['the 30th of February', studentSchema, { ...student, bornOn: '1990-02-30' }, 'bornOn'],
    ['a novel as a note', studentSchema, { ...student, note: 'x'.repeat(501) }, 'note'],
    [
      'a fault of a good cast',
      eventSchema,
      { ...tap, body: { ...tap.body, faultId: 'cast.crack' } },
      'body.faultId',
    ],
    ['a skill that is no id', eventSchema, { ...tap, body: { ...tap.body, skillId: '<b>' } }, 'body.skillId'],
    ['an event of another kind', eventSchema, { ...tap, body: { kind: 'spell' } }, 'body.kind'],
    [
      'a fish of three metres',
      eventSchema,
      { ...tap, body: { kind: 'fish', species: 'pike', lengthCm: 300, outcome: 'lost' } },
      'body.lengthCm',
    ],
    ['an empty note', eventSchema, { ...tap, body: { kind: 'note', text: ' ' } }, 'body.text'],
    ['a clock in the year 2200', eventSchema, { ...tap, atMs: 7_258_118_400_000 }, 'atMs'],
    ['a student twice', lessonSchema, { ...lesson, studentIds: [ID, ID] }, 'studentIds'],
    [
      'nine students',
      lessonSchema,
      { ...lesson, studentIds: Array.from({ length: 9 }, (_, i) => ID.slice(0, -1) + i) },
      'studentIds',
    ],
    ['a start without a time', lessonSchema, { ...lesson, startsAt: '2026-11-28' }, 'startsAt'],
    ['a short password', registerSchema, { email: 'a@b.org', password: 'short', name: 'A' }, 'password'],
    [
      'an address that is none',
      registerSchema,
      { email: 'a@b', password: 'long enough now', name: 'A' },
      'email',
    ],
  ])('%s', (_, schema, value, path) => expect(wrongs(schema, value)).toContain(path));

  it('is told for every field at once', () =>
    expect(wrongs(waterSchema, { ...water, latitude: 'north', longitude: 400 }).sort()).toEqual([
      'latitude',
      'longitude',
    ]));
});

describe('a rig stored before a field was known', () => {
  it('takes its usual value, and is then as any other', () => {
    const { hingeAt: _hinge, ...old } = rig;
    const older = {
      ...old,
      line: { weight: 5 },
      schools: { indicator: 'double', shot: 'near-fly' },
      flies: old.flies.map(({ wire: _w, dressing: _d, ...fly }) => fly),
    };
    expect(rigSchema.parse(older)).toEqual({
      ...rig,
      schools: { indicator: 'double', shot: 'near-fly', dropper: 'bend', heaviest: 'point' },
    });
  });
});

describe('what is tidied on the way in', () => {
  it('trims names and lowers addresses', () => {
    expect(studentSchema.parse({ ...student, name: '  Petra Holm ' })).toMatchObject({ name: 'Petra Holm' });
    expect(signInSchema.parse({ email: 'Lead@TernAlder.example', password: 'x' }).email).toBe(
      'lead@ternalder.example',
    );
  });

  it('takes exactly one question about events', () => {
    expect(eventQuerySchema.safeParse({ lessonId: ID }).success).toBe(true);
    expect(eventQuerySchema.safeParse({}).success).toBe(false);
    expect(eventQuerySchema.safeParse({ lessonId: ID, studentId: ID }).success).toBe(false);
  });
});

describe('age', () => {
  it.each([
    ['2012-06-10', '2026-06-09', 13],
    ['2012-06-10', '2026-06-10', 14],
    ['2012-02-29', '2030-02-28', 17],
    ['2012-02-29', '2030-03-01', 18],
  ])('of somebody born on %s on %s is %i', (born, date, age) => expect(ageOn(born, date)).toBe(age));

  it('is unknown without a birthday', () => expect(ageOn(null, '2026-06-10')).toBeNull());
});

describe('no input makes a schema throw anything but its own finding', () => {
  it.each<[string, z.ZodType]>([
    ['plan', planBodySchema],
    ['rig', rigSchema],
    ['water', waterSchema],
    ['event', eventSchema],
  ])('%s', (_, schema) => {
    fc.assert(
      fc.property(fc.anything(), (value) => {
        expect(schema.safeParse(value).success).toBe(false);
      }),
    );
  });
});

describe('the description of the API', () => {
  const description = openApi('1.2.3') as {
    info: { version: string };
    paths: Record<
      string,
      Record<
        string,
        { summary: string; security?: unknown[]; parameters?: { name: string }[]; requestBody?: unknown }
      >
    >;
  };

  it('names every route with its method and a summary', () => {
    expect(description.info.version).toBe('1.2.3');
    for (const { method, path, summary } of allEndpoints())
      expect(description.paths[path.replace(/:(\w+)/g, '{$1}')]?.[method]?.summary).toBe(summary);
  });

  it('tells which routes ask for a session, what is in the path, and what the body holds', () => {
    const update = description.paths['/api/plans/{id}']?.['put'];
    expect(update?.security).toEqual([{ session: [] }]);
    expect(update?.parameters?.map(({ name }) => name)).toEqual(['id']);
    expect(JSON.stringify(update?.requestBody)).toContain('baseVersion');
    expect(description.paths['/api/health']?.['get']?.security).toBeUndefined();
  });

  it('has no route twice', () => {
    const names = allEndpoints().map(({ method, path }) => `${method} ${path}`);
    expect(new Set(names).size).toBe(names.length);
    expect(names).toContain(`${api.plans.share.method} ${api.plans.share.path}`);
  });
});

describe('what the bank book can log', () => {
  const body = (rest: object) => eventSchema.safeParse({ ...tap, body: rest }).success;

  it.each<[string, object]>([
    ['a missed take', { kind: 'miss', cause: 'late' }],
    ['a change', { kind: 'change', what: 'depth', to: '' }],
    ['a search', { kind: 'tried', depthM: 2, retrieve: 'slow', pattern: 'leech', moved: true }],
    ['a lane', { kind: 'lane', lane: 3, of: 6 }],
    ['a lane from a stand', { kind: 'lane', lane: 3, of: 6, stand: 2, angle: 'down' }],
    [
      'a fish from a stand',
      { kind: 'fish', species: 'grayling', lengthCm: 28, outcome: 'to-hand', stand: 2, angle: 'across' },
    ],
    ['a temperature', { kind: 'temperature', celsius: 11.5, depthM: null }],
    ['stones', { kind: 'stones', counts: { mayfly: 4 } }],
    ['a danger', { kind: 'safety', what: 'slip', text: '' }],
    ['a beat', { kind: 'tempo', lineM: 8, tapsMs: [0, 900, 1700] }],
    ['a note as older devices send it', { kind: 'note', text: 'good' }],
  ])('%s', (_, rest) => expect(body(rest)).toBe(true));

  it.each<[string, object]>([
    ['a cause nobody knows', { kind: 'miss', cause: 'bad luck' }],
    ['a lane outside the pool', { kind: 'lane', lane: 7, of: 6 }],
    ['a lane cast backwards', { kind: 'lane', lane: 1, of: 6, angle: 'back' }],
    ['boiling water', { kind: 'temperature', celsius: 100, depthM: null }],
    ['stones with nothing under them', { kind: 'stones', counts: { mayfly: 0 } }],
    ['what does not live under stones', { kind: 'stones', counts: { trout: 1 } }],
    ['a beat that runs backwards', { kind: 'tempo', lineM: 8, tapsMs: [0, 900, 800] }],
    ['a beat of two', { kind: 'tempo', lineM: 8, tapsMs: [0, 900] }],
  ])('but not %s', (_, rest) => expect(body(rest)).toBe(false));
});

describe('what can be measured', () => {
  const read = (reading: object) =>
    takenReadingSchema.safeParse({ id: ID, studentId: null, on: '2026-05-02', reading }).success;
  const knot = { kind: 'knot', knot: 'blood', material: 'copolymer', diameterM: 0.0002, value: 12 };

  it('within what can be', () => {
    expect(read(knot)).toBe(true);
    expect(read({ kind: 'line-sink', line: 'type-3', value: 0.07 })).toBe(true);
  });

  it.each<[string, object]>([
    ['no force', { ...knot, value: 0 }],
    ['a rope', { ...knot, diameterM: 0.02 }],
    ['silk', { ...knot, material: 'silk' }],
    ['a line that sinks like a stone', { kind: 'line-sink', line: 'type-3', value: 30 }],
    ['a fly of a pound', { kind: 'fly-mass', fly: rig.flies[0], value: 0.45 }],
  ])('but not %s', (_, reading) => expect(read(reading)).toBe(false));
});
