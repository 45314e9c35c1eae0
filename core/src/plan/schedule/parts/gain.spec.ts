import type { MeasuredDrill, WeighedFault } from '../../../curriculum';
import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { seededRandom } from '../../../random';
import { CARD } from '../../../testing/rule-card';
import { type SkillState, skillState } from '../../../skill';
import { whatNext } from '../../../teach';
import { typicalPlaces } from '../../../water';
import { emptyPlan } from '../../plan';
import { boardOf } from '../board/board';
import { actOf } from '../exact';
import type { Board } from '../model';
import { USUAL_WEIGHTS } from '../task';
import { gainOf } from './gain';

/** Minutes that telling takes: they are no tries. */
const TELLING = 2;

function stateBy(seed: string): SkillState {
  const random = seededRandom(seed);
  const attempts = Array.from({ length: 40 }, (_, k) => ({
    ...{ id: `${k}`, atMs: k, good: random() < 0.6 },
    skillId: SHIPPED.skills.all[Math.floor(random() * 16)]!.id,
  }));
  return skillState(SHIPPED.skills.all, attempts, 100);
}

function boardFor(
  skills: SkillState,
  goals: Record<string, number> = {},
  { faults = [], effects = [] }: { faults?: WeighedFault[]; effects?: MeasuredDrill[] } = {},
): Board {
  const one = { id: 's', name: 'S', ageYears: 40, saidAdult: false, guardianConsent: true, skills, faults };
  return boardOf({
    ...{ curriculum: SHIPPED, plan: emptyPlan(), staff: { instructors: 1, assistants: 0 }, goals },
    ...{ lockedIds: [], drillIds: null, closed: [], stock: {}, weights: USUAL_WEIGHTS },
    lesson: {
      ...{ startMs: 0, date: '2026-06-01', students: [one], effects },
      water: {
        ...{ name: 'Ford', kind: 'river', latitude: null, longitude: null, timeZone: 'UTC' },
        ...{ species: [], places: typicalPlaces('river'), rules: CARD, said: {}, calendar: null },
      },
    },
  });
}

const gainIn = (board: Board, id: string, from: number, taken: number): number =>
  gainOf(board, 0, [actOf(board.drillOf(id)!, from, taken, 1)!]);

/** What a drill counts by a fault of such a cost, against the worst there is, 5. */
const watching = (id: string, cost: number): number => {
  const { watchFor } = SHIPPED.drills.get(id);
  return watchFor.includes('cast.crack') ? 1 + cost / watchFor.length / 5 : 1;
};

describe('what a student is expected to gain in a plan', () => {
  it.each(['a', 'b', 'c'])('is for one drill what is foretold where one asks what comes next: %s', (seed) => {
    const state = stateBy(seed);
    const board = boardFor(state);
    const grounds = ['grass', 'river', 'anywhere'] as const;
    let compared = 0;
    for (const { drill, gain } of whatNext(SHIPPED, state, grounds, 60)) {
      if (board.drillOf(drill.id)?.place === null) continue;
      expect(gainIn(board, drill.id, 0, drill.minutes.likely + TELLING)).toBeCloseTo(gain, 9);
      compared += 1;
    }
    expect(compared).toBeGreaterThan(30);
  });

  it('counts for more where a drill worked, or looks out for his faults, as where one asks what comes next', () => {
    const state = stateBy('a');
    const faults = [{ fault: SHIPPED.faults.get('cast.crack'), count: 3, exposed: 4, score: 2.2 }];
    const effects = [
      { drillId: 'count-the-pause', n: 10, rise: { mean: 0.3 } },
      { drillId: 'stop-and-say', n: 10, rise: { mean: 0.1 } },
    ];
    const board = boardFor(state, {}, { faults, effects });
    // The mean of both is usual: one rose by half as much again, of ten bouts that counts for half of it.
    expect(board.drillOf('stop-and-say')!.counts[0]).toBeCloseTo(0.75 * watching('stop-and-say', 2.2), 9);
    const advised = whatNext(SHIPPED, state, ['grass'], 60, { faults, effects });
    for (const id of ['count-the-pause', 'stop-and-say', 'hoops']) {
      const { worth, drill } = advised.find((one) => one.drill.id === id)!;
      const { likely } = drill.minutes;
      expect(gainIn(board, id, 0, likely + TELLING)).toBeCloseTo(worth * likely, 9);
    }
  });

  it('grows with minutes, each of them giving less than the one before', () => {
    const board = boardFor(stateBy('a'));
    const after = [5, 10, 15, 20].map((taken) => gainIn(board, 'clinch-race', 0, taken));
    const steps = after.slice(1).map((gain, i) => gain - after[i]!);
    expect(steps.every((step) => step > 0)).toBe(true);
    expect(steps[1]).toBeLessThan(steps[0]!);
    expect(steps[2]).toBeLessThan(steps[1]!);
  });

  it('is nothing while it is only told, and counts by the goals', () => {
    const state = stateBy('a');
    expect(gainIn(boardFor(state), 'clinch-race', 0, TELLING)).toBe(0);
    const none = Object.fromEntries(SHIPPED.skills.all.map(({ id }) => [id, 0]));
    expect(gainIn(boardFor(state, none), 'clinch-race', 0, 10)).toBe(0);
    const thrice = Object.fromEntries(SHIPPED.skills.all.map(({ id }) => [id, 3]));
    expect(gainIn(boardFor(state, thrice), 'clinch-race', 0, 10)).toBeCloseTo(
      3 * gainIn(boardFor(state), 'clinch-race', 0, 10),
      9,
    );
  });
});
