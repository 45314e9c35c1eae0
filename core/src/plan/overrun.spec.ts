import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { seededRandom } from '../random';
import { blockFromDrill, plainBlock } from './edits';
import { overrun, softMinutes } from './overrun';
import { type Block, emptyPlan, type PlanBody } from './plan';

const PAUSE = SHIPPED.drills.get('count-the-pause');

const drillBlock = (
  id: string,
  startMin: number,
  durationMin: number,
  lane: number | null = null,
): Block => ({
  ...blockFromDrill(PAUSE, id, startMin, lane),
  durationMin,
});
const plan = (blocks: Block[], change: Partial<PlanBody> = {}): PlanBody => ({
  ...emptyPlan(),
  groupSize: 2,
  lengthMin: 60,
  blocks,
  ...change,
});

/** The same lessons run one by one, written apart: a triangular time for each block, all lanes by hand. */
function late(one: PlanBody, runs: number, seed: string): number {
  const random = seededRandom(seed);
  // A time is drawn anywhere between, and taken as often as the triangle is high there.
  const time = (soft: ReturnType<typeof softMinutes>): number => {
    const { leastMin, likelyMin, mostMin } = soft;
    if (mostMin === leastMin) return likelyMin;
    for (;;) {
      const x = leastMin + (mostMin - leastMin) * random();
      const height =
        x < likelyMin ? (x - leastMin) / (likelyMin - leastMin) : (mostMin - x) / (mostMin - likelyMin);
      if (random() < height) return x;
    }
  };
  let count = 0;
  for (let run = 0; run < runs; run++) {
    const free = Array.from({ length: one.groupSize }, () => 0);
    for (const block of [...one.blocks].sort((p, q) => p.startMin - q.startMin)) {
      const lanes = block.lane === null ? free.map((_, lane) => lane) : [block.lane];
      const start = Math.max(...lanes.map((lane) => free[lane]!));
      const end = start + time(softMinutes(SHIPPED, block));
      for (const lane of lanes) free[lane] = end;
    }
    if (Math.max(...free) > one.lengthMin) count += 1;
  }
  return count / runs;
}

describe('when a lesson ends', () => {
  it('spreads a drill half as far as it could, a break by a rule of thumb, and what was said as it was said', () => {
    const { min, likely, max } = PAUSE.minutes;
    expect(softMinutes(SHIPPED, drillBlock('a', 0, likely))).toEqual({
      leastMin: (likely + min) / 2,
      likelyMin: likely,
      mostMin: (likely + max) / 2,
    });
    expect(softMinutes(SHIPPED, plainBlock('break', 'Tea', 'b', 0, 10))).toEqual({
      leastMin: 9,
      likelyMin: 10,
      mostMin: 15,
    });
    const said = { ...drillBlock('a', 0, 20), soonestMin: 18, latestMin: 40 };
    expect(softMinutes(SHIPPED, said)).toEqual({ leastMin: 18, likelyMin: 20, mostMin: 40 });
    // Made longer since, it is no more certain than it is.
    expect(softMinutes(SHIPPED, { ...said, durationMin: 50 }).mostMin).toBe(50);
  });

  it('is nothing for an empty plan, and its own length for what never varies', () => {
    expect(overrun(SHIPPED, plan([]))).toBeNull();
    const sure = { ...drillBlock('a', 0, 30), soonestMin: 30, latestMin: 30 };
    expect(overrun(SHIPPED, plan([sure]))).toMatchObject({
      soonestMin: 30,
      likelyMin: 30,
      latestMin: 30,
      late: 0,
    });
  });

  it('waits for the last of those who go on together, and for a gap on purpose', () => {
    const sure = (block: Block): Block => ({
      ...block,
      soonestMin: block.durationMin,
      latestMin: block.durationMin,
    });
    const blocks = [
      sure(drillBlock('a', 0, 10, 0)),
      sure(drillBlock('b', 0, 25, 1)),
      sure(drillBlock('c', 25, 10)),
      sure(drillBlock('d', 45, 10)),
    ];
    expect(overrun(SHIPPED, plan(blocks))?.likelyMin).toBe(55);
  });

  it('has the chance of ending late that 20 000 lessons have, run by another hand', () => {
    const random = seededRandom('overrun plans');
    for (let i = 0; i < 12; i++) {
      const blocks: Block[] = [];
      let at = 0;
      while (at < 150) {
        const minutes = 5 * (1 + Math.floor(random() * 5));
        const parted = random() < 0.4;
        if (parted) blocks.push(drillBlock(`${at}a`, at, minutes, 0), drillBlock(`${at}b`, at, minutes, 1));
        else blocks.push(drillBlock(`${at}`, at, minutes));
        at += minutes;
      }
      // What two do alike at the same time takes one time for both: here they are told apart.
      const apart = blocks.map((block) => ({ ...block, note: block.id }));
      const one = plan(apart, { lengthMin: at + 5 * Math.floor(random() * 3) });
      const told = overrun(SHIPPED, one)!.late;
      expect(Math.abs(told - late(one, 20_000, `apart ${i}`))).toBeLessThan(0.03);
    }
  });
});
