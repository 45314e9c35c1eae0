import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import type { BankEvent } from '../bank';
import { debrief } from './debrief';

let at = 0;
const attempt = (
  skillId: string,
  faultId: string | null,
  lessonId = 'today',
  studentId = 'sam',
): BankEvent => ({
  id: `${(at += 1)}`,
  lessonId,
  studentId,
  blockId: null,
  deviceId: 'd',
  atMs: at,
  body: { kind: 'attempt', skillId, drillId: null, good: faultId === null, faultId },
});
const many = (n: number, skillId: string, faultId: string | null, lessonId?: string): BankEvent[] =>
  Array.from({ length: n }, () => attempt(skillId, faultId, lessonId));
const fish = (): BankEvent => ({
  ...attempt('casting.stop', null),
  body: { kind: 'fish', species: 'grayling', lengthCm: 30, outcome: 'to-hand' },
});

describe('what a student is told after a lesson', () => {
  it('is three good things at the most, what has risen first', () => {
    const { good } = debrief(
      SHIPPED,
      [
        ...many(8, 'casting.pause', 'cast.crack', 'before'),
        ...many(2, 'casting.pause', null, 'before'),
        ...many(7, 'casting.pause', null),
        ...many(3, 'casting.pause', 'cast.crack'),
        ...many(9, 'casting.stop', null),
        ...many(1, 'casting.stop', 'cast.pile'),
        ...many(5, 'hook-setting.set-timing', null),
        fish(),
      ],
      'sam',
      'today',
    );
    expect(good).toEqual([
      { kind: 'skill', name: 'Pause', goods: 7, n: 10, rise: expect.closeTo(0.5, 9) },
      expect.objectContaining({ kind: 'skill', rise: null }),
      expect.objectContaining({ kind: 'skill', rise: null }),
    ]);
  });

  it('is one thing to work on, seen more than once, with a drill that needs no water', () => {
    const { workOn, home } = debrief(
      SHIPPED,
      [...many(4, 'casting.pause', 'cast.crack'), attempt('casting.stop', 'cast.pile')],
      'sam',
      'today',
    );
    expect(workOn).toMatchObject({ fault: { id: 'cast.crack' }, times: 4 });
    expect(['anywhere', 'grass']).toContain(home?.ground);
    expect(home?.watchFor).toContain('cast.crack');
  });

  it('makes no claim from a handful, of another student, or of what was taken back', () => {
    const [slip] = many(1, 'casting.pause', 'cast.crack') as [BankEvent];
    const undo: BankEvent = { ...slip, id: 'u', body: { kind: 'undo', targetId: slip.id } };
    const told = debrief(
      SHIPPED,
      [
        ...many(3, 'casting.stop', null),
        slip,
        undo,
        attempt('casting.pause', 'cast.crack'),
        ...Array.from({ length: 9 }, () => attempt('casting.pause', 'cast.crack', 'today', 'ida')),
      ],
      'sam',
      'today',
    );
    expect(told).toEqual({ good: [], workOn: null, sentence: null, home: null });
  });

  it('carries the last sentence of the instructor, and none when it was emptied or taken back', () => {
    const said = (text: string): BankEvent => ({
      ...attempt('casting.stop', null),
      body: { kind: 'sentence', text },
    });
    const of = (events: BankEvent[]): string | null => debrief(SHIPPED, events, 'sam', 'today').sentence;
    const [first, second] = [said('Stop.'), said('Say “one-and”.')];
    expect(of([first, second])).toBe('Say “one-and”.');
    const undo: BankEvent = { ...second, id: 'u2', body: { kind: 'undo', targetId: second.id } };
    expect(of([first, second, undo])).toBe('Stop.');
    expect(of([first, second, said('')])).toBeNull();
    expect(of([{ ...first, lessonId: 'before' }])).toBeNull();
  });

  it('counts fish when casts say nothing yet', () =>
    expect(debrief(SHIPPED, [fish(), fish()], 'sam', 'today').good).toEqual([{ kind: 'fish', count: 2 }]));
});
