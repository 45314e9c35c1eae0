import { blockFromDrill, emptyPlan, type PlanBody } from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { STAFF_PX, staffColumns, staffSpoken } from './staff-shapes';

const drillBy = (supervision: 'eyes-on' | 'within-call'): string =>
  SHIPPED.drills.all.find((drill) => drill.supervision === supervision && drill.group.max >= 4)!.id;
const block = (id: string, drillId: string, lane: number) => ({
  ...blockFromDrill(SHIPPED.drills.get(drillId), id, 10, lane),
  ...{ durationMin: 30, cue: id },
});
const PLAN: PlanBody = {
  ...emptyPlan(),
  groupSize: 3,
  staff: { instructors: 1, assistants: 1 },
  blocks: [
    ...[block('a', drillBy('within-call'), 0), block('b', drillBy('within-call'), 1)],
    block('c', drillBy('eyes-on'), 2),
  ],
};

describe('the lanes of those who teach', () => {
  const [instructor, assistant] = staffColumns(PLAN, SHIPPED, 2, 'b');

  it('stand beside each other, instructors before assistants', () =>
    expect([instructor, assistant].map((column) => [column?.mark, column?.name, column?.left])).toEqual([
      ['1', 'instructor 1', 0],
      ['a', 'assistant 1', STAFF_PX],
    ]));

  it('have what one looks at alone in full width, and several groups beside each other', () => {
    expect(instructor?.spans).toMatchObject([{ number: 3, eyesOn: true, top: 20, left: 0, width: 17 }]);
    expect(assistant?.spans).toMatchObject([
      { number: 1, eyesOn: false, left: 20, width: 8.5, selected: false },
      { number: 2, eyesOn: false, left: 28.5, width: 8.5, selected: true },
    ]);
  });

  it('are told in words too', () =>
    expect(staffSpoken(staffColumns(PLAN, SHIPPED, 2, null))).toBe(
      'instructor 1: block 3, eyes on. assistant 1: block 1; block 2',
    ));

  it('are not drawn for one who teaches alone', () =>
    expect(staffColumns({ ...PLAN, staff: { instructors: 1, assistants: 0 } }, SHIPPED, 2, null)).toEqual(
      [],
    ));
});
