import { SHIPPED_CURRICULUM as SHIPPED } from '../../curriculum/shipped';
import { seededRandom } from '../../random';
import { blockFromDrill } from '../edits';
import { emptyPlan, type Staff } from '../plan';
import { isShared, staffLanes } from './staff-lanes';

const drillBy = (supervision: 'eyes-on' | 'within-call'): string =>
  SHIPPED.drills.all.find((drill) => drill.supervision === supervision && drill.group.max >= 4)!.id;
const WATCHED = drillBy('eyes-on');
const CALLED = drillBy('within-call');
const block = (
  id: string,
  drillId: string,
  startMin: number,
  durationMin: number,
  lane: number | null = null,
) => ({
  ...blockFromDrill(SHIPPED.drills.get(drillId), id, startMin, lane),
  durationMin,
  // Else what several do alike at the same time is one group.
  cue: id,
});
const told = (blocks: ReturnType<typeof block>[], staff: Staff): string[] =>
  staffLanes({ ...emptyPlan(), groupSize: 4, blocks, staff }, SHIPPED).map(
    ({ who, spans }) =>
      `${who}: ${spans
        .map(
          ({ startMin, endMin, blocks: own, eyesOn }) =>
            `${startMin}-${endMin} ${own.map(({ id }) => id).join('+')}${eyesOn ? '!' : ''}`,
        )
        .join(', ')}`,
  );

describe('who has which group', () => {
  it('is one alone with everybody', () =>
    expect(
      told([block('a', WATCHED, 0, 20), block('b', CALLED, 20, 30)], { instructors: 1, assistants: 0 }),
    ).toEqual(['instructor: 0-20 a!, 20-50 b']));

  it('is an instructor for what wants eyes on it, an assistant for the rest', () =>
    expect(
      told([block('a', CALLED, 0, 30, 0), block('b', CALLED, 0, 30, 1), block('c', WATCHED, 0, 30, 2)], {
        instructors: 1,
        assistants: 1,
      }),
    ).toEqual(['instructor: 0-30 c!', 'assistant: 0-30 a, 0-30 b']));

  it('keeps its students where it can', () =>
    expect(
      told(
        [
          ...[block('a', CALLED, 0, 20, 0), block('b', CALLED, 0, 30, 1)],
          // Whoever had the second student goes on with him, though this group comes first now.
          ...[block('c', WATCHED, 30, 20, 1), block('d', WATCHED, 30, 20, 0)],
        ],
        { instructors: 2, assistants: 0 },
      ),
    ).toEqual(['instructor: 0-20 a, 30-50 d!', 'instructor: 0-30 b, 30-50 c!']));

  it('leaves out what nobody is free for, and breaks', () =>
    expect(
      told(
        [
          ...[block('a', WATCHED, 0, 20, 0), block('b', WATCHED, 0, 20, 1)],
          { ...block('c', CALLED, 20, 10), kind: 'break' as const, drillId: null },
        ],
        { instructors: 1, assistants: 0 },
      ),
    ).toEqual(['instructor: 0-20 a!']));

  it('never gives an assistant what wants an instructor, nor an instructor two such groups', () => {
    const random = seededRandom('staff lanes');
    for (let i = 0; i < 200; i++) {
      const blocks = Array.from({ length: 8 }, (_, k) =>
        block(
          `${k}`,
          random() < 0.5 ? WATCHED : CALLED,
          Math.floor(random() * 6) * 10,
          10 + Math.floor(random() * 3) * 10,
          Math.floor(random() * 4),
        ),
      );
      const staff = { instructors: 1 + Math.floor(random() * 2), assistants: Math.floor(random() * 2) };
      const lanes = staffLanes({ ...emptyPlan(), groupSize: 4, blocks, staff }, SHIPPED);
      expect(lanes).toHaveLength(staff.instructors + staff.assistants);
      for (const { who, spans } of lanes)
        for (const span of spans) {
          expect(who === 'assistant' && span.eyesOn).toBe(false);
          const others = spans.filter(
            (other) => other !== span && other.startMin < span.endMin && span.startMin < other.endMin,
          );
          expect(others.some(({ eyesOn }) => eyesOn || span.eyesOn)).toBe(false);
        }
    }
  });

  it('is told where more than one teaches', () => {
    expect(isShared({ instructors: 1, assistants: 0 })).toBe(false);
    expect(isShared({ instructors: 1, assistants: 1 })).toBe(true);
  });
});
