import type { BankEvent } from '../bank';
import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { skillState } from '../skill';
import { toldStrands, wentWell } from './student-letter';

const NOW = Date.parse('2026-10-10T10:00:00Z');
let count = 0;
/** Tries at a skill in a lesson, a minute apart: `+` good, `-` not. */
function tries(
  skillId: string,
  signs: string,
  lessonId: string,
  fromMs: number,
  rest: { home?: boolean; studentId?: string } = {},
): BankEvent[] {
  return [...signs].map((sign, i): BankEvent => ({
    id: `e${(count += 1)}`,
    lessonId,
    ...{ studentId: rest.studentId ?? 'sam', blockId: null, deviceId: 'd' },
    atMs: fromMs + i * 60_000,
    body: {
      ...{ kind: 'attempt', skillId, drillId: null, good: sign === '+', faultId: null },
      ...(rest.home && { home: true }),
    },
  }));
}
const ago = (days: number): number => NOW - days * 86_400_000;

describe('what went well', () => {
  const well = (events: BankEvent[]) => wentWell(SHIPPED, events, 'sam', 'today');

  it('is the greatest rise against long ago, with the tries as they came', () => {
    const events = [
      ...tries('hook-setting.see-take', '--+--+--+-', 'early', ago(30)),
      ...tries('casting.stop', '++++++++++', 'early', ago(30)),
      ...tries('casting.stop', '++++++++++', 'today', NOW),
      ...tries('hook-setting.see-take', '--+++++++-++', 'today', NOW),
    ];
    expect(well(events)).toEqual({
      skillId: 'hook-setting.see-take',
      skillName: SHIPPED.skills.get('hook-setting.see-take').name,
      tries: [true, true, true, true, true, true, true, false, true, true],
      before: { good: 3, of: 10, atMs: ago(30) + 9 * 60_000 },
    });
  });

  it('is compared with nothing where there was too little, or it was no worse', () => {
    expect(well(tries('casting.stop', '+++-+', 'today', NOW))).toMatchObject({ before: null });
    expect(
      well([
        ...tries('casting.stop', '++++', 'early', ago(40)),
        ...tries('casting.stop', '+++-', 'today', NOW),
      ]),
    ).toMatchObject({ tries: [true, true, true, false], before: null });
    // Ten days ago is no long time.
    expect(
      well([
        ...tries('casting.stop', '----', 'early', ago(10)),
        ...tries('casting.stop', '++++', 'today', NOW),
      ]),
    ).toMatchObject({ before: null });
  });

  it.each([
    ['too little was tried', tries('casting.stop', '+++', 'today', NOW)],
    ['most of it failed', tries('casting.stop', '+---+-', 'today', NOW)],
    ['it was another lesson', tries('casting.stop', '+++++', 'early', NOW)],
    ['it was at home', tries('casting.stop', '+++++', 'today', NOW, { home: true })],
    ['it was somebody else', tries('casting.stop', '+++++', 'today', NOW, { studentId: 'kim' })],
    ['the school does not teach it', tries('casting.of-old', '+++++', 'today', NOW)],
  ])('is nothing where %s', (_, events) => expect(well(events)).toBeNull());
});

describe('the streams of a student', () => {
  it('say what he has and what comes next, for four strands', () => {
    const state = skillState(SHIPPED.skills.all, [], NOW);
    const nothing = toldStrands(SHIPPED, state);
    expect(nothing.map(({ strand }) => strand)).toEqual(['casting', 'rigging', 'hook-setting', 'water']);
    expect(nothing[0]).toMatchObject({ has: 0, learning: 0, hasName: null });
    // Somebody new begins with what rests on nothing.
    const first = SHIPPED.skills.all.find(({ name }) => name === nothing[0]?.nextName);
    expect(SHIPPED.skills.ancestors(first?.id ?? '')).toEqual([]);
  });

  it('name the skill that is nearest as next, and the one that rests on most as had', () => {
    const estimate = (mastery: number) => ({ attempts: 20, mastery, low: 0, high: 1 });
    const state = {
      'casting.grip-stance': estimate(0.9),
      'casting.stop': estimate(0.8),
      'casting.pause': estimate(0.4),
      'casting.straight-path': estimate(0.2),
    } as unknown as ReturnType<typeof skillState>;
    const [casting] = toldStrands(SHIPPED, state);
    expect(casting).toMatchObject({
      ...{ has: 2, learning: 2, hasName: SHIPPED.skills.get('casting.stop').name },
      nextName: SHIPPED.skills.get('casting.pause').name,
    });
    expect(casting?.of).toBe(SHIPPED.skills.all.filter(({ strand }) => strand === 'casting').length);
  });
});
