import type { BankEvent, BankEventBody } from './event';
import { evidenceOf, flyFirst, overviewOf } from './evidence-of';
import { attemptsOf, drilledAttempts, faultAttemptsOf } from './log';

let at = 0;
const event = (body: BankEventBody, rest: Partial<BankEvent> = {}): BankEvent => ({
  id: `e${(at += 1)}`,
  lessonId: 'l',
  studentId: 'sam',
  blockId: null,
  deviceId: 'd',
  atMs: at * 1000,
  body,
  ...rest,
});
const said = (...bodies: BankEventBody[]): [string, boolean, string | undefined][] =>
  evidenceOf(
    bodies.map((body) => event(body)),
    'sam',
  ).map(({ skillId, good, evidence }) => [skillId.split('.')[1] ?? '', good, evidence]);
const change = (what: 'pattern' | 'indicator' | 'shot' | 'rig'): BankEventBody => ({
  kind: 'change',
  what,
  to: '',
});

describe('what the record says of skills', () => {
  it('by the cause of a missed take, of one of unknown cause nothing', () => {
    expect(said({ kind: 'miss', cause: 'late' })).toEqual([['set-timing', false, 'passing']]);
    expect(said({ kind: 'miss', cause: 'wrong-way' })).toEqual([['set-direction', false, 'passing']]);
    expect(said({ kind: 'miss', cause: 'unknown' })).toEqual([]);
  });

  it('by fish, tangles and stones', () => {
    const fish = { kind: 'fish', species: 'trout', lengthCm: 30 } as const;
    expect(said({ ...fish, outcome: 'lost' }).map(([skill]) => skill)).toEqual(['see-take', 'set-timing']);
    expect(said({ ...fish, outcome: 'to-hand', outOfWaterS: 25 }).at(-1)).toEqual([
      'unhook-in-water',
      false,
      'passing',
    ]);
    expect(
      said(
        { kind: 'tangle', seconds: 40 },
        { kind: 'tangle', seconds: 400 },
        { kind: 'tangle', seconds: null },
      ),
    ).toEqual([
      ['untangle', true, 'passing'],
      ['untangle', false, 'passing'],
    ]);
    expect(said({ kind: 'stones', counts: { mayfly: 3 } })).toEqual([['match-food', true, 'passing']]);
  });

  it('by the beat of the casts, as a measurement', () => {
    const tempo = (pauseMs: number): BankEventBody => ({
      kind: 'tempo',
      lineM: 7,
      tapsMs: [0, pauseMs, 2 * pauseMs, 3 * pauseMs, 4 * pauseMs],
    });
    expect(said(tempo(150))).toEqual([['pause', false, 'measured']]);
    expect(said(tempo(900))[0]?.[2]).toBe('measured');
  });

  it('by the order of changes: depth and drift twice, then the fly', () => {
    const order = (...whats: Parameters<typeof change>[0][]): boolean[] =>
      said(...whats.map(change)).map(([, good]) => good);
    expect(order('pattern')).toEqual([false]);
    expect(order('indicator', 'shot', 'pattern')).toEqual([true, true, true]);
    expect(order('indicator', 'rig', 'pattern')).toEqual([true, false]);
    expect(order('indicator', 'shot', 'pattern', 'pattern')).toEqual([true, true, true, false]);
  });

  it('tells the habit of changing the fly first, lesson by lesson', () => {
    const events = ['pattern', 'indicator', 'shot', 'pattern'].map((what) =>
      event(change(what as 'pattern')),
    );
    expect(flyFirst(events, 'sam')).toEqual({ first: 1, of: 2 });
    expect(flyFirst([...events, event(change('pattern'), { lessonId: 'next' })], 'sam')).toEqual({
      first: 2,
      of: 3,
    });
    expect(flyFirst(events, 'noor')).toEqual({ first: 0, of: 0 });
  });

  it('leaves answers and figures out where a fault is counted, and has them among the attempts', () => {
    const attempt = { kind: 'attempt', skillId: 'casting.pause', drillId: null, faultId: null } as const;
    const events = [
      event({ ...attempt, good: true }),
      event({
        ...attempt,
        good: false,
        evidence: 'answer',
        asked: { questionId: 'q', choice: 1, choices: 4 },
      }),
      event({ ...attempt, good: true, evidence: 'bench', home: true }),
      event({ ...attempt, good: false, evidence: 'passing', faultId: 'cast.crack' }),
    ];
    expect(attemptsOf(events, 'sam').map(({ evidence, choices, home }) => [evidence, choices, home])).toEqual(
      [
        [undefined, undefined, undefined],
        ['answer', 4, undefined],
        ['bench', undefined, true],
        ['passing', undefined, undefined],
      ],
    );
    expect(faultAttemptsOf(events, 'sam').map(({ faultId }) => faultId)).toEqual([null, 'cast.crack']);
    expect(drilledAttempts(events, 'sam')).toHaveLength(2);
  });

  it('says the same through an overview, which tells of no fish and no remark', () => {
    const undone = event({ kind: 'miss', cause: 'slack' });
    const events = [
      event({ kind: 'attempt', skillId: 'casting.stop', drillId: null, good: true, faultId: null }),
      event({ kind: 'fish', species: 'trout', lengthCm: 31, outcome: 'to-hand', outOfWaterS: 4 }),
      event({ kind: 'tangle', seconds: 30 }),
      event(change('indicator')),
      event(change('pattern')),
      event({ kind: 'note', text: 'tired', aboutId: null }),
      undone,
      event({ kind: 'undo', targetId: undone.id }),
    ];
    const overview = overviewOf(events);
    expect(new Set(overview.map(({ body }) => body.kind))).toEqual(new Set(['attempt', 'tangle']));
    const told = (of: BankEvent[]) =>
      evidenceOf(of, 'sam')
        .map(({ skillId, good, evidence, atMs }) => [skillId, good, evidence, atMs].join())
        .sort();
    expect(told(overview)).toEqual(told(events));
    expect(told(events)).toHaveLength(8);
  });

  it('is nothing of another student, nor of what was taken back', () => {
    const miss = event({ kind: 'miss', cause: 'late' });
    const undo = event({ kind: 'undo', targetId: miss.id });
    expect(evidenceOf([miss, undo], 'sam')).toEqual([]);
    expect(evidenceOf([miss], 'noor')).toEqual([]);
  });
});
