import { toBrief } from './briefing';
import type { BankEvent, SafetyKind } from './event';

const incident = (
  n: number,
  what: SafetyKind,
  lessonId: string,
  studentId: string | null = 'jonas',
): BankEvent => ({
  id: `e${n}`,
  ...{ lessonId, studentId, blockId: null, deviceId: 'd', atMs: n },
  body: { kind: 'safety', what, text: '' },
});

describe('what a safety talk should speak of', () => {
  it('is what went wrong before, the latest first, each kind once a student, and not of today', () => {
    const events = [
      incident(1, 'slip', 'spring'),
      incident(2, 'slip', 'summer'),
      incident(3, 'hook', 'summer', 'petra'),
      incident(4, 'storm', 'summer', null),
      incident(5, 'cold', 'today'),
    ];
    expect(toBrief(events, 'today').map(({ what, studentId, atMs }) => [what, studentId, atMs])).toEqual([
      ['storm', null, 4],
      ['hook', 'petra', 3],
      ['slip', 'jonas', 2],
    ]);
  });

  it('is nothing that was taken back, and no long list', () => {
    const one = incident(1, 'slip', 'spring');
    const undo: BankEvent = { ...one, id: 'u', body: { kind: 'undo', targetId: one.id } };
    expect(toBrief([one, undo], 'today')).toEqual([]);
    const many = Array.from({ length: 9 }, (_, i) => incident(i, 'slip', 'spring', `s${i}`));
    expect(toBrief(many, 'today')).toHaveLength(4);
  });
});
