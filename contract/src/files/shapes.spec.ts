import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { blockFromDrill, buildRig, emptyPlan, type PlanBody } from '@doceo/core';
import fc from 'fast-check';
import {
  goneFromCurriculum,
  halfCharacters,
  idSchema,
  inShape,
  lineSchema,
  readNewEvent,
  unknownIn,
  shapeOf,
  type StoredKind,
  textSchema,
} from '../index';

const KINDS: StoredKind[] = ['plan', 'rig', 'water', 'beat', 'lake', 'event', 'flyBox', 'reading'];
const ID = '00000000-0000-4000-8000-000000000001';

describe('stored documents', () => {
  it.each(KINDS)('%s in the shape of today stays as it is', (kind) => {
    fc.assert(
      fc.property(fc.object(), (value) => expect(inShape(kind, shapeOf(kind), value)).toEqual(value)),
      { numRuns: 50 },
    );
  });

  it.each(KINDS)('%s of any age survives what it is not', (kind) => {
    for (const value of [null, 7, 'text', [], {}, { rigs: null }, { rigs: [null, 7] }, { flies: 'x' }])
      for (const shape of [0, 1, 99]) expect(() => inShape(kind, shape, value)).not.toThrow();
  });

  it('a rig of the first shape keeps what was weighed, in a plan too', () => {
    const rig = buildRig('indicator-nymph');
    const { measured: _measured, ...before } = rig;
    const old = {
      ...before,
      flies: rig.flies.map((fly, i) => (i === 0 ? { ...fly, measuredKg: 0.0004 } : fly)),
    };
    const now = inShape('rig', 1, old) as typeof rig;
    expect(now.measured).toEqual([expect.objectContaining({ kind: 'fly-mass', value: 0.0004 })]);
    expect(inShape('plan', 1, { aim: 'x', rigs: [{ id: ID, rig: old }] })).toEqual({
      aim: 'x',
      rigs: [{ id: ID, rig: now }],
    });
  });

  it('a water of a shape before has nothing said that nobody said', () => {
    expect(inShape('water', 1, { name: 'x' })).toEqual({ name: 'x', calendar: null, species: [], said: {} });
    const card = {
      licence: '',
      seasonFrom: '01-01',
      seasonTo: '12-31',
      maxHooks: 1,
      barbless: true,
      leadAllowed: false,
      release: '',
      hours: '',
      other: '',
      whoSaysSo: '',
      checkedOn: null,
      checkedBy: null,
    };
    const places = [
      { id: 'pool', name: 'Pool', kind: 'pool', lengthM: 40 },
      { id: 'ford-pool', name: 'Ford Pool', kind: 'pool', lengthM: 40 },
      { id: 'run', name: 'Run', kind: 'run', lengthM: 55 },
    ];
    const blank = inShape('water', 2, { calendar: null, places, rules: card });
    expect(blank).toMatchObject({
      rules: { ...card, seasonFrom: null, seasonTo: null, barbless: null, leadAllowed: null },
      places: [{ lengthFrom: 'typical' }, { lengthFrom: 'entered' }, { lengthFrom: 'entered' }],
    });
    // A card that somebody wrote on, or read, is as he left it.
    for (const rest of [{ licence: 'Day ticket' }, { checkedOn: '2026-05-01' }])
      expect(inShape('water', 2, { rules: { ...card, ...rest } })).toMatchObject({
        rules: { ...card, ...rest },
      });
  });
});

describe('half characters', () => {
  it.each<[string, unknown, string[]]>([
    ['in a text', { a: { b: ['ok', 'cut \ud83c'] } }, ['a.b[1]']],
    ['in a key', { a: { '\udc00': 1 } }, ['a']],
    ['nowhere', { a: '🎣 whole', b: 7, c: null }, []],
    ['alone', '\ud800', ['']],
  ])('%s', (_, value, paths) => expect(halfCharacters(value).map(({ path }) => path)).toEqual(paths));

  it('are refused where text is typed', () => {
    for (const schema of [lineSchema(20), textSchema(20)]) {
      expect(schema.safeParse('fine 🎣').success).toBe(true);
      expect(schema.safeParse('cut \ud83c').success).toBe(false);
    }
  });
});

describe('ids', () => {
  it('in capitals are the same id', () =>
    expect(idSchema.parse('ABCDEF00-0000-4000-8000-000000000001')).toBe(
      'abcdef00-0000-4000-8000-000000000001',
    ));
});

describe('what the library does not have', () => {
  const named = (drillId: string | null, watchFor: string[]): PlanBody => ({
    ...emptyPlan(),
    blocks: [{ ...blockFromDrill(SHIPPED.drills.get('count-the-pause'), ID, 0), drillId, watchFor }],
  });
  const paths = (plan: PlanBody, before: PlanBody | null) =>
    goneFromCurriculum(SHIPPED, plan, before).map(({ path }) => path);

  it('is told by its place in a new plan', () => {
    expect(paths(named('count-the-pause', ['cast.crack']), null)).toEqual([]);
    expect(paths(named('gone', ['cast.crack', 'cast.gone']), null)).toEqual([
      'body.blocks[0].drillId',
      'body.blocks[0].watchFor[1]',
    ]);
  });

  it('may stay where it was', () => {
    expect(paths(named('gone', ['cast.gone']), named('gone', ['cast.gone']))).toEqual([]);
    expect(paths(named('gone', []), named('count-the-pause', []))).toEqual(['body.blocks[0].drillId']);
  });

  it('is no skill to log an attempt of', () => {
    const event = {
      id: ID,
      lessonId: ID,
      studentId: ID,
      blockId: null,
      deviceId: ID,
      atMs: 1,
      body: { kind: 'attempt', skillId: 'casting.gone', drillId: null, good: true, faultId: null },
    };
    const read = readNewEvent(event);
    expect('event' in read && unknownIn(SHIPPED, read.event)).toEqual([
      expect.objectContaining({ path: 'body.skillId', code: 'gone' }),
    ]);
  });
});
