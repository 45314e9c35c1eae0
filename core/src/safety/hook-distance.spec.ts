import { hookDistance, studentsThatFit } from './hook-distance';

describe('hooks of two students', () => {
  it('are two line lengths apart', () => expect(hookDistance(8)).toBe(16));

  it('are a rod, a leader and an arm apart where little line is out', () => {
    expect(hookDistance(0)).toBeCloseTo(2.74 + 2.7 + 0.7, 9);
    expect(hookDistance(1, { rodM: 3.05, leaderM: 4 })).toBeCloseTo(7.75, 9);
  });

  it('leave room for so many along a bank', () => {
    expect(studentsThatFit(32, 16)).toBe(3);
    expect(studentsThatFit(5, 16)).toBe(1);
  });
});
