import { drillEffectText } from './drill-effect';

const EFFECT = { drillId: 'count-the-pause', n: 6, students: 6, attempts: 40 };

describe('how well a drill worked', () => {
  it('says that an estimate rose, fell or hardly moved, and between what it likely lies', () => {
    const told = (mean: number, low: number, high: number): string =>
      drillEffectText({ ...EFFECT, rise: { mean, low, high } } as never);
    expect(told(0.06, 0.02, 0.1)).toBe(
      '6 bouts of 6 students, 40 tries: the estimate rose by 6 of 100 (likely +2 to +10).',
    );
    expect(told(-0.04, -0.16, 0.08)).toContain('the estimate fell by 4 of 100 (likely −16 to +8).');
    expect(told(-0.001, -0.004, 0.03)).toContain('the estimate hardly moved (likely 0 to +3).');
  });

  it('says when there is too little to tell, in the right number', () => {
    expect(drillEffectText({ ...EFFECT, n: 1, students: 1, attempts: 1, rise: null } as never)).toBe(
      '1 bout of 1 student, 1 try: too few to say how well it works.',
    );
  });
});
