import { SHIPPED_CURRICULUM as SHIPPED } from '../../../curriculum/shipped';
import { seededRandom } from '../../../random';
import { skillState } from '../../../skill';
import { CARD } from '../../../testing/rule-card';
import { typicalPlaces } from '../../../water';
import { emptyPlan } from '../../plan';
import { boardOf } from '../board/board';
import { actOf } from '../exact';
import type { Activity, Board } from '../model';
import { USUAL_WEIGHTS } from '../task';
import { type Pupil, pupilAlike, pupilOf, taught } from './gain';
import { worthLater } from './later';

const random = seededRandom('worth later');

/** One student of whom some things were seen, with two goals that count for more. */
function boardFor(): Board {
  const attempts = Array.from({ length: 40 }, (_, k) => ({
    ...{ id: `${k}`, atMs: k, good: random() < 0.6 },
    skillId: SHIPPED.skills.all[Math.floor(random() * 16)]!.id,
  }));
  const skills = skillState(SHIPPED.skills.all, attempts, 100);
  const one = {
    id: 's',
    name: 'S',
    ageYears: 40,
    saidAdult: false,
    guardianConsent: true,
    skills,
    needs: [],
  };
  return boardOf({
    ...{ curriculum: SHIPPED, plan: emptyPlan(), staff: { instructors: 1, assistants: 0 } },
    goals: { [SHIPPED.skills.all[3]!.id]: 2, [SHIPPED.skills.all[9]!.id]: 3 },
    ...{ lockedIds: [], drillIds: null, closed: [], stock: {}, weights: USUAL_WEIGHTS },
    lesson: {
      ...{ startMs: 0, date: '2026-06-01', students: [one] },
      water: {
        ...{ name: 'Ford', kind: 'river', latitude: null, longitude: null, timeZone: 'UTC' },
        ...{ species: [], places: typicalPlaces('river'), rules: CARD, said: {}, calendar: null },
      },
    },
  });
}

/** Ten drills by a draw, each ten minutes. */
function dayOf(board: Board): Activity[] {
  const drills = board.drills.filter(({ place }) => place !== null);
  return Array.from({ length: 10 }, (_, i) => {
    return actOf(drills[Math.floor(random() * drills.length)]!, 10 * i, 10, 1)!;
  });
}

/** No two skills can be just as weak: then one more of either alone would change nothing. */
function stirred(pupil: Pupil): Pupil {
  pupil.mastery.forEach((mastery, i) => (pupil.mastery[i] = 0.9 * mastery + 0.05 * random()));
  return pupil;
}

function gained(board: Board, pupil: Pupil, acts: readonly Activity[]): number {
  const going = pupilAlike(pupil);
  return acts.reduce(
    (sum, { on, startMin, endMin }) => sum + taught(board, going, on!, endMin - startMin) * on!.counts[0]!,
    0,
  );
}

describe('what a skill is worth for what is done later', () => {
  it('is what a little more of it changes in the gain of the rest of a day, for every skill of 20 days', () => {
    let [helps, hinders] = [0, 0];
    for (let day = 0; day < 20; day++) {
      const board = boardFor();
      const acts = dayOf(board);
      const pupil = stirred(pupilOf(board, 0));
      const worth = worthLater(board, pupil, acts, 30);
      const rest = acts.slice(3);
      const before = gained(board, pupil, rest);
      for (const skill of board.skills.keys()) {
        const more = pupilAlike({ ...pupil, ready: pupil.ready.map(() => Number.NaN) });
        more.mastery[skill]! += 1e-6;
        expect((gained(board, more, rest) - before) / 1e-6).toBeCloseTo(worth[skill]!, 3);
        if (worth[skill]! > 0.01) helps += 1;
        if (worth[skill]! < -0.01) hinders += 1;
      }
    }
    expect(helps).toBeGreaterThan(20);
    expect(hinders).toBeGreaterThan(20);
  });

  it('is nothing where nothing follows', () => {
    const board = boardFor();
    const acts = dayOf(board);
    expect([...worthLater(board, pupilOf(board, 0), acts, 100)].every((worth) => worth === 0)).toBe(true);
  });
});
