import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import {
  blockFromDrill,
  emptyPlan,
  type PlanChange,
  type PlanFacts,
  type PlanFix,
  type PlanProblem,
} from '@doceo/core';
import { alertText, planProblemInWords, type PlanProblemInWords, windowReasonText } from '..';

const change: PlanChange = { kind: 'open', what: 'rigs', id: null };
function told<Rule extends keyof PlanFacts>(
  rule: Rule,
  facts: PlanFacts[Rule],
  fixes: PlanFix[] = [],
  units: 'metric' | 'imperial' = 'metric',
): PlanProblemInWords {
  const problem = {
    id: rule,
    rule,
    level: 'must-fix',
    facts,
    fixes: fixes.map((does) => ({ does, change })),
    blockIds: ['a'],
    studentId: null,
  } as unknown as PlanProblem;
  return planProblemInWords(problem, units);
}
const gap = (skill: string, mastery = 0, attempts = 0) => ({ skill, mastery, attempts });

describe('a problem of a plan in words', () => {
  it('names who needs what first, and says what was never seen as that', () => {
    const gaps = ['Pause', 'Stop', 'Straight path'].map((id) => gap(id));
    const unseen = told('prerequisites', {
      drill: 'Count the pause',
      students: ['Sam Okande', 'Noor Hadley', 'Petra Holm'].map((name) => ({ name, gaps })),
    });
    expect(unseen.title).toMatch(/^Look first: .+, .+ and 1 more of Sam, Noor and Petra$/);
    expect(unseen.evidence).toHaveLength(9);
    expect(unseen.evidence[3]).toEqual({ label: expect.stringMatching(/^Noor, /), text: 'not seen' });
    const some = told('prerequisites', {
      drill: 'Count the pause',
      students: [
        { name: 'Sam Okande', gaps: [gap('Pause', 0.314, 12), gap('Stop')] },
        { name: 'Noor Hadley', gaps: gaps.slice(0, 1) },
      ],
    });
    expect(some.title).toBe('Sam and Noor need first: pause');
    expect(some.evidence.map(({ text }) => text)).toEqual(['learning', 'not seen', 'not seen']);
    for (const { title, reason } of [unseen, some]) expect(`${title} ${reason}`).not.toMatch(/0\.\d|likely/);
  });

  it('tells the clock of the water', () => {
    const at = (time: string): number => Date.parse(`2026-06-10T${time}:00Z`);
    const facts = {
      dark: 'end' as const,
      endMs: at('20:45'),
      sunsetMs: at('20:30'),
      duskMs: at('21:10'),
      timeZone: 'Europe/London',
    };
    const dark = told('dark-before-end', facts, [{ earlierMin: 30 }]);
    expect(dark.title).toBe('Sun down before the end');
    expect(dark.reason).toContain('ends at 21:45; the sun sets at 21:30 and light is gone at 22:10');
    expect(dark.fixes).toEqual([{ label: 'Start 30 min earlier', change }]);
    expect(told('dark-before-end', { ...facts, endMs: at('21:30') }).title).toBe('Dark before the end');
  });

  it('speaks the units of who reads it', () => {
    const facts = { students: 4, fit: 3, block: 'Hoops', place: 'grass' as const };
    const near = { ...facts, lineOutM: 9, distanceM: 12, lengthM: 40, lengthFrom: 'measured' as const };
    expect(told('hook-distance', near).reason).toContain('need 12 m between them');
    expect(told('hook-distance', near).reason).not.toContain('typical');
    expect(told('hook-distance', { ...near, lengthFrom: 'typical' }).reason).toContain(
      'a typical length nobody has paced out',
    );
    expect(told('hook-distance', near, [], 'imperial').reason).toMatch(/need 39 ft/);
  });

  it('says how long they go on without a break, and who where that is known', () => {
    const long = told('no-break', { minutes: 150, names: ['Sam Okande', 'Jonas Wren'] });
    expect(long.title).toBe('2 h 30 min without a break');
    expect(long.evidence).toEqual([{ label: 'who', text: 'Sam and Jonas' }]);
    expect(told('no-break', { minutes: 110, names: [] }).evidence).toEqual([]);
  });

  it('says of a card that was never read that it never was, and of a closed season when it is open', () => {
    const card = {
      season: 'not-read',
      water: 'River Ostrel',
      checkedOn: null,
      wantedAfter: '2025-09-30',
    } as const;
    expect(told('rule-card', card).evidence[0]).toEqual({ label: 'last read', text: 'never' });
    const closed = {
      season: 'closed',
      water: 'River Ostrel',
      from: '03-15',
      to: '09-30',
      date: '2026-12-01',
    } as const;
    expect(told('rule-card', closed).reason).toContain('says 03-15 to 09-30');
  });

  it.each<[PlanFix, string]>([
    ['open-student', 'Open the student'],
    [{ lengthenToMin: 95 }, 'Make it 95 min'],
    [{ breakAfter: 'Hoops' }, 'Ten minutes after “Hoops”'],
    [{ rig: 'Sam’s dry' }, 'Use “Sam’s dry”'],
    [{ longerPlace: 'Sheep green' }, 'Use Sheep green'],
    [{ place: 'Sheep green' }, 'At Sheep green'],
    [{ drill: 'Hoops' }, 'Hoops instead'],
  ])('the fix %j', (does, label) => {
    const words = told('over-time', { overMin: 5, endMin: 95, lengthMin: 90 }, [does]);
    expect(words.fixes.map((fix) => fix.label)).toEqual([label]);
    expect(words.title).toBe('5 min over time');
  });

  it('keeps where it lies', () => {
    const block = blockFromDrill(SHIPPED.drills.get('hoops'), 'a', 0);
    expect({ ...emptyPlan(), blocks: [block] }.blocks[0]?.id).toBe('a');
    expect(told('safety-first', { firstBlock: block.title, later: false })).toMatchObject({
      blockIds: ['a'],
      rule: 'safety-first',
      evidence: [{ label: 'first block', text: block.title }],
    });
  });
});

describe('what the hours bring', () => {
  it('is another thing over still water', () => {
    expect(alertText({ kind: 'windy', still: true }).title).toBe('Too much wind for small craft');
    expect(alertText({ kind: 'windy', still: false }).title).toBe('Too windy for beginners to cast');
    expect(alertText({ kind: 'ice', still: true }).reason).toMatch(/^Nobody steps on ice/);
  });

  it('is told in short for a window of the day', () => {
    expect(windowReasonText({ kind: 'thunder', still: false })).toBe('Thunder is likely');
    expect(windowReasonText('little-wind')).toBe('Little wind');
  });
});
