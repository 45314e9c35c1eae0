import {
  buildRig,
  emptyPlan,
  EVIDENCE_KINDS,
  planProblems,
  type Rig,
  rigFigures,
  rigProblems,
  seededRandom,
  type SkillAttempt,
  skillState,
} from '@doceo/core';
import { SHIPPED_CURRICULUM as SHIPPED } from '@doceo/core/shipped';
import { fastestMs } from './fastest';

function attempts(count: number, seed: string): SkillAttempt[] {
  const random = seededRandom(seed);
  const ids = SHIPPED.skills.all.map((skill) => skill.id);
  return Array.from({ length: count }, (_, i) => ({
    id: `${i}`,
    atMs: i * 40_000,
    good: random() < 0.6,
    skillId: ids[Math.floor(random() * 12)] as string,
    ...(i % 2 === 0 ? {} : { evidence: EVIDENCE_KINDS[i % EVIDENCE_KINDS.length], choices: 2 + (i % 4) }),
  }));
}

/** A rig of twenty parts: as many sections as a leader may sensibly have, three flies, indicator and shot. */
function twentyParts(): Rig {
  const rig = buildRig('lake-long-leader');
  const more = Array.from({ length: 11 }, (_, i) => ({
    ...(rig.sections[0] as Rig['sections'][number]),
    id: `more-${i}`,
    lengthM: 0.2,
  }));
  const { fittings } = buildRig('indicator-nymph');
  return { ...rig, sections: [...more, ...rig.sections], fittings };
}

/** What a page computes at every touch: skill states, an edit of a rig, the check of a plan. */
export function benchCore(): void {
  const rig = twentyParts();
  const thousand = Array.from({ length: 30 }, (_, i) => attempts(1000, `student ${i}`));
  const ten = attempts(10, 'few');
  const plan = {
    ...emptyPlan(),
    blocks: SHIPPED.drills.all.slice(0, 20).map((drill, i) => ({
      id: `${i}`,
      kind: 'drill' as const,
      title: drill.name,
      drillId: drill.id,
      startMin: i * 10,
      durationMin: 10,
      lane: null,
      place: 'anywhere' as const,
      rigId: null,
      cue: '',
      watchFor: [],
      note: '',
    })),
  };

  const state = fastestMs(() => thousand.forEach((list) => skillState(SHIPPED.skills.all, list, 1e9)));
  const small = fastestMs(() => skillState(SHIPPED.skills.all, ten, 1e9));
  const figures = fastestMs(() => void [rigFigures(rig, 2), rigProblems(rig, { water: null })]);
  const check = fastestMs(() => void planProblems(SHIPPED, plan, null));

  console.log(
    `skill state, 30 students × 1000 events of all kinds: ${state.toFixed(1)} ms of 50 ms (${(state / 50).toFixed(2)} of the aim; ${(state / 30 / small).toFixed(1)} × one student with 10 events)`,
  );
  console.log(
    `edit of a rig of 20 parts, all figures and problems: ${figures.toFixed(2)} ms of 8 ms (${(figures / 8).toFixed(2)} of the aim)`,
  );
  console.log(`plan check, 20 blocks: ${check.toFixed(2)} ms (${(check / figures).toFixed(1)} × a rig edit)`);
}
