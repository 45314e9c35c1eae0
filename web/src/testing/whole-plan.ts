import { blockFromDrill, buildRig, emptyPlan, type PlanBody, plainBlock } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { uuid } from './fixtures';

const RIG = uuid(301);
const pause = (n: number, lane: number, startMin: number) =>
  blockFromDrill(SHIPPED.drills.get('count-the-pause'), uuid(n), startMin, lane);

/** A plan with some of everything: lines of two students, a drill that comes twice, a rest, a rig, a plan B. */
export const WHOLE_PLAN: { title: string; body: PlanBody } = {
  title: 'First nymphs',
  body: {
    ...emptyPlan(),
    ...{ aim: 'Set on ten takes.', groupSize: 4, lengthMin: 210, season: 'autumn', waterKind: 'river' },
    rigs: [{ id: RIG, name: 'Two nymphs', rig: buildRig('indicator-nymph') }],
    blocks: [
      blockFromDrill(SHIPPED.drills.get('hats-and-glasses'), uuid(302), 0),
      pause(303, 0, 15),
      pause(304, 1, 15),
      plainBlock('break', 'Tea', uuid(305), 45, 10),
      { ...blockFromDrill(SHIPPED.drills.get('count-the-pause'), uuid(306), 55), rigId: RIG },
    ],
    planB: {
      trigger: 'thunder',
      fromMin: 100,
      blocks: [{ ...blockFromDrill(SHIPPED.drills.get('hats-and-glasses'), uuid(307), 100) }],
    },
  },
};
