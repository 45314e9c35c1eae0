import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { type BankEvent, tanglesPerHour } from '../bank';
import { buildRig, classKit } from '../rig';
import { blockFromDrill } from './edits';
import { emptyPlan, type PlanBody } from './plan';
import { rigUses } from './rig-uses';

const rig = { id: 'r', name: 'Two nymphs', rig: buildRig('indicator-nymph') };
const block = (
  id: string,
  startMin: number,
  lane: number | null,
  rigId: string | null,
  durationMin = 30,
) => ({
  ...blockFromDrill(SHIPPED.drills.get('hoops'), id, startMin, lane),
  durationMin,
  rigId,
});
const plan = (blocks: PlanBody['blocks'], groupSize = 3): PlanBody => ({
  ...emptyPlan(),
  groupSize,
  rigs: [rig],
  blocks,
});
const names = ['Sam', 'Noor'].map((name) => ({ name, tanglesPerHour: null }));

describe('who fishes which rig', () => {
  it('is everybody for a block of all, and the lane’s student for a lane’s', () => {
    expect(rigUses(plan([block('a', 0, null, 'r')]), names)).toMatchObject([
      { hours: 0.5, students: [{ name: 'Sam' }, { name: 'Noor' }, { name: 'Student 3' }] },
    ]);
    expect(rigUses(plan([block('a', 0, 1, 'r')]), names)).toMatchObject([{ students: [{ name: 'Noor' }] }]);
  });

  it('counts the hours of those who fish it', () => {
    const two = plan([block('a', 0, 0, 'r'), block('b', 30, 0, 'r'), block('c', 0, 1, 'r')]);
    expect(rigUses(two, names)[0]?.hours).toBeCloseTo(0.75, 9);
  });

  it('leaves out rigs that no block asks for', () =>
    expect(rigUses(plan([block('a', 0, null, null)]), names)).toEqual([]));

  it('packs more for a student who tangles more', () => {
    const pack = (tangles: number): number =>
      classKit(
        rigUses(plan([block('a', 0, null, 'r', 120)], 1), [{ name: 'Sam', tanglesPerHour: tangles }]),
      ).find(({ thing }) => thing.kind === 'material' && thing.material === 'fluorocarbon')?.count ?? 0;
    expect(pack(8)).toBeGreaterThan(pack(1));
  });
});

describe('tangles in an hour', () => {
  const event = (id: string, lessonId: string, body: BankEvent['body'], studentId = 's'): BankEvent => ({
    id,
    lessonId,
    studentId,
    blockId: null,
    deviceId: 'd',
    atMs: Number(id),
    body,
  });
  const tangle = { kind: 'tangle', seconds: 60 } as const;
  const hours = (): number => 2;

  it('are those on the record over the hours of lessons with the student', () => {
    const events = [
      event('1', 'a', tangle),
      event('2', 'a', tangle),
      event('3', 'b', tangle),
      event('4', 'b', tangle, 'other'),
    ];
    expect(tanglesPerHour(events, 's', hours)).toBeCloseTo(3 / 4, 9);
  });

  it('do not count what was taken back', () => {
    const events = [
      event('1', 'a', tangle),
      event('2', 'a', { kind: 'undo', targetId: '1' }),
      event('3', 'a', { kind: 'note', text: 'x', aboutId: null }),
    ];
    expect(tanglesPerHour(events, 's', hours)).toBe(0);
  });

  it('are not told of too little time', () => {
    expect(tanglesPerHour([], 's', hours)).toBeNull();
    expect(tanglesPerHour([event('1', 'a', tangle)], 's', () => 1)).toBeNull();
  });
});
