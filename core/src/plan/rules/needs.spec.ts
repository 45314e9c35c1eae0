import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import type { Need } from '../../need';
import { skillState } from '../../skill';
import type { Water } from '../../water';
import { applyEdit, blockFromDrill } from '../edits';
import { type Block, emptyPlan, type PlanBody } from '../plan';
import { planProblems, type PlanLesson } from '.';

const block = (drill: string, startMin: number, lane: number | null = null, minutes?: number): Block => {
  const made = blockFromDrill(SHIPPED.drills.get(drill), `${drill}/${lane}`, startMin, lane);
  return minutes === undefined ? made : { ...made, durationMin: minutes };
};
const plan = (...blocks: Block[]): PlanBody => ({ ...emptyPlan(), groupSize: 2, blocks });
const lesson = (...needs: Need[]): PlanLesson => ({
  startMs: Date.UTC(2026, 5, 10, 8),
  date: '2026-06-10',
  water: { latitude: 57, longitude: 9, timeZone: 'UTC', places: [], rules: {} } as unknown as Water,
  students: [
    {
      ...{ id: 'petra', name: 'Petra Holm', ageYears: 58, saidAdult: false, guardianConsent: false },
      needs,
      skills: skillState(SHIPPED.skills.all, [], 0),
    },
  ],
});
const needsOf = (body: PlanBody, ...needs: Need[]) =>
  planProblems(SHIPPED, body, lesson(...needs)).filter(({ rule }) => rule === 'needs');

describe('needs in the check of a plan', () => {
  it('are a tip where a drill bends: less line, less time at a stretch', () => {
    const [found] = needsOf(plan(block('count-the-pause', 10, null, 20)), 'shoulder');
    expect([found?.level, found?.studentId]).toEqual(['tip', 'petra']);
    expect(found?.facts).toEqual({
      name: 'Petra Holm',
      needs: ['shoulder'],
      blocks: [
        { asks: 'line', block: 'Count the pause', lineOutM: 7, allowedM: 5.6 },
        { asks: 'minutes', block: 'Count the pause', minutes: 20, allowedMin: 10 },
      ],
    });
  });

  it('are to be looked at where another drill must be done, with one press in his own lane', () => {
    const body = plan(block('tuck-over', 10, 0));
    const [found] = needsOf(body, 'shoulder');
    expect(found?.level).toBe('check');
    const change = found?.fixes[0]?.change;
    const mended = change?.kind === 'edit' ? applyEdit(SHIPPED, body, change.edit) : body;
    expect(mended.blocks[0]).toMatchObject({ drillId: 'water-load', title: 'Let the river load it' });
    expect(needsOf(mended, 'shoulder').map(({ level }) => level)).toEqual(['tip']);
    // What all do is not changed for one of them.
    expect(needsOf(plan(block('tuck-over', 10)), 'shoulder')[0]?.fixes).toEqual([]);
  });

  it('keep on the bank whoever cannot swim', () => {
    const wading = { ...block('turn-back', 10), place: 'run' as const };
    expect(needsOf(plan(wading), 'cannot-swim')[0]?.facts).toMatchObject({
      blocks: [{ asks: 'other-drill', drill: 'Stick and staff' }],
    });
  });

  it('say nothing of a left hand, of a talk, or of nobody’s needs', () => {
    expect(needsOf(plan(block('count-the-pause', 10, null, 40)), 'left-hand')).toEqual([]);
    expect(needsOf(plan(block('hats-and-glasses', 0, null, 30)), 'shoulder')).toEqual([]);
    expect(needsOf(plan(block('tuck-over', 10)))).toEqual([]);
  });
});
