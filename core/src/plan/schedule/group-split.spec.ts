import fc from 'fast-check';
import type { PlanStudent } from '../rules';
import { groupSplit, readiness } from '.';

const ready = (id: string, mastery: number, left = false): PlanStudent => ({
  ...{ id, name: id, ageYears: 40, saidAdult: true, guardianConsent: true },
  needs: left ? ['left-hand'] : [],
  skills: { 'casting.pause': { mastery, attempts: 5 } } as unknown as PlanStudent['skills'],
});
const ids = (parts: PlanStudent[][]): string[] => parts.map((part) => part.map(({ id }) => id).join(''));

describe('groups of a class', () => {
  const six = [
    ready('a', 0.1),
    ready('b', 0.9),
    ready('c', 0.5),
    ready('d', 0.7),
    ready('e', 0.3),
    ready('f', 0.6),
  ];

  it('are those alike by readiness, or each with its share of the strong', () => {
    expect(ids(groupSplit(six, { groups: 2, by: 'readiness', leftTogether: false }))).toEqual(['bdf', 'cea']);
    expect(ids(groupSplit(six, { groups: 3, by: 'readiness', leftTogether: false }))).toEqual([
      'bd',
      'fc',
      'ea',
    ]);
    expect(ids(groupSplit(six, { groups: 2, by: 'mixed', leftTogether: false }))).toEqual(['bce', 'dfa']);
  });

  it('count what the goals say', () => {
    expect(readiness(ready('a', 0.4))).toBe(0.4);
    expect(readiness(ready('a', 0.4), { 'casting.pause': 0 })).toBe(0);
  });

  it('keep left hands together where there is room, changing those most alike', () => {
    const lefts = [ready('a', 0.9, true), ready('b', 0.8), ready('c', 0.2, true), ready('d', 0.1)];
    expect(ids(groupSplit(lefts, { groups: 2, by: 'readiness', leftTogether: true }))).toEqual(['ac', 'bd']);
    expect(ids(groupSplit(lefts, { groups: 2, by: 'readiness', leftTogether: false }))).toEqual(['ab', 'cd']);
  });

  it('have everybody once, none larger by more than one', () => {
    const group = fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.boolean()), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(
        group,
        fc.integer({ min: 1, max: 8 }),
        fc.constantFrom('readiness', 'mixed'),
        (list, groups, by) => {
          const students = list.map(([mastery, left], i) => ready(`${i}`, mastery, left));
          const parts = groupSplit(students, { groups, by: by as 'mixed', leftTogether: true });
          expect(
            parts
              .flat()
              .map(({ id }) => id)
              .sort(),
          ).toEqual(students.map(({ id }) => id).sort());
          const sizes = parts.map((part) => part.length);
          expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1);
        },
      ),
    );
  });
});
