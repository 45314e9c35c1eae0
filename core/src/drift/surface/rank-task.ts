import { shuffler } from 'd3-array';
import { seededRandom } from '../../random';
import type { Presentation } from './presentation';
import type { Ranked } from './rank';

/** A way to put the fly over the lie, with what it gives. */
export interface WayRanked {
  way: Presentation;
  ranked: Ranked;
}

/** Three ways that a student is to put in order, before he is shown what they give. */
export interface RankTask {
  /** As they are shown, in no order. */
  ways: WayRanked[];
  /** Their ids, the longest drift first. */
  order: string[];
  /** What he shows who has the order right. */
  skillId: string;
}

const WAYS = 3;
/** Two drifts are told apart when they differ by so much: as a share of the longer, and metres. Rules of thumb. */
const APART_SHARE = 0.25;
const APART_M = 0.25;

/**
 * Three of many ways that drift clearly apart, others for another seed.
 *
 * @param found ways with what they give, each once
 * @returns null where there are no three that one can tell apart
 */
export function rankTask(found: readonly WayRanked[], seed: string): RankTask | null {
  const mixed = shuffler(seededRandom(seed))([...found]);
  const ways: WayRanked[] = [];
  for (const one of mixed)
    if (ways.length < WAYS && ways.every((other) => areApart(one, other))) ways.push(one);
  if (ways.length < WAYS) return null;
  const ranked = [...ways].sort((a, b) => b.ranked.cleanM - a.ranked.cleanM);
  return { ways, order: ranked.map(({ way }) => way.id), skillId: skillShown((ranked[0] as WayRanked).way) };
}

function areApart({ ranked: a }: WayRanked, { ranked: b }: WayRanked): boolean {
  const longer = Math.max(a.cleanM, b.cleanM);
  return Math.abs(a.cleanM - b.cleanM) >= Math.max(APART_M, APART_SHARE * longer);
}

/** What one has understood who finds this way the best. */
function skillShown({ handling, mend }: Presentation): string {
  if (mend) return mend.way === 'up' ? 'water.mend-up' : 'water.mend-down';
  return handling === 'reach-up' || handling === 'reach-down' ? 'water.reach-mend' : 'water.angle-choice';
}
