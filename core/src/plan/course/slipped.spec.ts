import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { mainSkillOf } from '../../drill';
import { blockFromDrill } from '../edits';
import { emptyPlan, type PlanBody } from '../plan';
import { restsOn, slipped } from '.';

const plan = (...drills: string[]): PlanBody => ({
  ...emptyPlan(),
  blocks: drills.map((id, i) => blockFromDrill(SHIPPED.drills.get(id), `b${i}`, 0)),
});
const skillOf = (drill: string): string => mainSkillOf(SHIPPED.drills.get(drill));
const PAUSE = skillOf('count-the-pause');
const HOOPS = skillOf('hoops');

describe('what slipped', () => {
  it('was in a plan, and is not on the record of that lesson', () => {
    const over = [{ plan: plan('count-the-pause', 'hoops'), tried: new Set([HOOPS]) }];
    expect(slipped(SHIPPED, [PAUSE, HOOPS], over, [plan('hoops'), null, plan('count-the-pause')])).toEqual([
      { skillId: PAUSE, missedIn: 0, nextIn: 2 },
    ]);
    expect(slipped(SHIPPED, [PAUSE], over, [plan('hoops')])).toEqual([
      { skillId: PAUSE, missedIn: 0, nextIn: null },
    ]);
  });

  it('has not slipped when it was tried later, and is told of the last lesson that missed it', () => {
    const missed = { plan: plan('count-the-pause'), tried: new Set<string>([HOOPS]) };
    const made = { plan: plan('hoops'), tried: new Set([PAUSE]) };
    expect(slipped(SHIPPED, [PAUSE], [missed, made], [])).toEqual([]);
    expect(slipped(SHIPPED, [PAUSE], [missed, missed], [])).toMatchObject([{ missedIn: 1 }]);
  });

  it('is nothing where a lesson has no record, or the skill has to do with no goal', () => {
    const none = { plan: plan('count-the-pause'), tried: null };
    expect(slipped(SHIPPED, [PAUSE], [none], [])).toEqual([]);
    const free = SHIPPED.skills.all.find(({ id, needs }) => needs.length === 0 && id !== PAUSE)!.id;
    expect(slipped(SHIPPED, [free], [{ ...none, tried: new Set([HOOPS]) }], [])).toEqual([]);
  });

  it('counts what the goals rest on, all the way down', () => {
    const above = SHIPPED.skills.all.find(({ needs }) => needs.includes(PAUSE))!.id;
    expect(restsOn(SHIPPED, [above])).toContain(PAUSE);
    const over = [{ plan: plan('count-the-pause'), tried: new Set([above]) }];
    expect(slipped(SHIPPED, [above], over, [])).toMatchObject([{ skillId: PAUSE }]);
  });
});
