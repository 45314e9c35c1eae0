import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { simulateStudent } from '.';

describe('student simulator', () => {
  it('is the same for the same seed and draws faults by habit', () => {
    const play = () =>
      simulateStudent(SHIPPED, 'seed', { key: 'Sam', head: { casting: 0 }, habits: { 'cast.crack': 20 } }, [
        { drillId: 'count-the-pause', startMs: 0, attempts: 80 },
      ]);
    expect(play()).toEqual(play());
    const faults = play().attempts.filter(({ good }) => !good);
    expect(faults.filter(({ faultId }) => faultId === 'cast.crack').length).toBeGreaterThan(
      faults.length * 0.7,
    );
    expect(play().truth).toHaveLength(1);
  });
});
