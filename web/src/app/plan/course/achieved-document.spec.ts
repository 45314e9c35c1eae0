import type { SkillAttempt, SkillState } from '@doceo/core';
import { SHIPPED_CURRICULUM } from '@doceo/core/shipped';
import { LESSON, SAM, WATER } from '../../../testing/fixtures';
import { achievedDocument, achievementOf } from './achieved-document';

const at = (iso: string, good: boolean, skillId = 'casting.pause'): SkillAttempt => ({
  ...{ id: iso, atMs: Date.parse(iso), good, skillId },
});
const tries = ['08:00', '08:01', '08:02', '08:03', '08:04'].map((time, i) =>
  at(`2026-06-10T${time}:00Z`, i > 0),
);

describe('a record of achievement', () => {
  const achieved = (attempts: readonly SkillAttempt[], mastery: number) =>
    achievementOf({
      course: {
        ...{ name: 'Summer', fromOn: '2026-06-01', untilOn: '2026-06-30' },
        ...{ goals: ['casting.pause', 'casting.gone'], studentIds: [SAM.id] },
      },
      ...{ student: SAM.student, attempts, curriculum: SHIPPED_CURRICULUM, from: 'Maren Voss' },
      state: { 'casting.pause': { mastery } } as unknown as SkillState,
      lessons: [
        {
          ...{ saved: LESSON, startMs: Date.parse(LESSON.startsAt), over: true, closed: false },
          ...{ date: '2026-06-10', day: 'Wed 10 Jun', water: WATER.water },
        },
      ],
      nowMs: Date.parse('2026-06-20T12:00:00Z'),
      zone: 'Europe/Copenhagen',
    });

  it('names a goal with the tries behind it, and until when', () => {
    const { goals, span, lessons } = achieved(tries, 0.86);
    expect(goals).toMatchObject([{ reached: true, evidence: '4 good of 5 seen, on 10 Jun.' }]);
    expect(span).toBe('1 Jun 2026 to 20 Jun 2026');
    expect(lessons).toBe('Wed 10 Jun, River Ostrel');
  });

  it('claims nothing that is not sure, or was hardly seen', () => {
    expect(achieved(tries, 0.79).goals[0]?.reached).toBe(false);
    expect(achieved(tries.slice(0, 4), 0.95).goals[0]?.reached).toBe(false);
  });

  it('counts as evidence what was seen in the course alone', () => {
    const before = tries.map((one) => ({ ...one, atMs: Date.parse('2026-05-02T08:00:00Z') }));
    expect(achieved(before, 0.9).goals).toMatchObject([
      { reached: true, evidence: 'Nothing on the record of this course.' },
    ]);
  });

  it('is signed, and says that it is no licence', () => {
    const text = JSON.stringify(achievedDocument(achieved([], 0.2)));
    expect(text).toContain('Maren Voss, instructor');
    expect(text).toContain('It is no licence');
    expect(text).toContain('Nothing is sure enough yet');
  });
});
