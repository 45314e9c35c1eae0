import type { Curriculum } from '../curriculum';
import type { Drill } from '../drill';
import { allBlocks, type Block, type Carried, type PlanBody } from './plan';

/** The plan with copies of all that its blocks use and nobody else; what it carries already stays as it is. */
export function carrying(curriculum: Curriculum, plan: PlanBody): PlanBody {
  const had = plan.carries;
  const blocks = allBlocks(plan);
  const drills = copies(
    blocks.flatMap(({ drillId }) => drillId ?? []),
    had?.drills,
    curriculum.drills.find,
  );
  const carries: Carried = {
    drills,
    skills: copies(
      drills.flatMap(({ trains }) => trains.map(({ skillId }) => skillId)),
      had?.skills,
      curriculum.skills.find,
    ),
    faults: copies(
      [...blocks, ...drills].flatMap(({ watchFor }) => watchFor),
      had?.faults,
      curriculum.faults.find,
    ),
  };
  return drills.length + carries.faults.length === 0 && !had ? plan : { ...plan, carries };
}

function copies<T extends { id: string }>(
  ids: readonly string[],
  had: readonly T[] | undefined,
  find: (id: string) => T | undefined,
): T[] {
  return [...new Set(ids)].flatMap((id) => had?.find((one) => one.id === id) ?? find(id) ?? []);
}

/**
 * The curriculum as a plan reads it: its drills are those it carries, and skills and faults that the curriculum does not
 * know are told by the copies. What is in force does not change.
 */
export function curriculumOf(curriculum: Curriculum, { carries }: Pick<PlanBody, 'carries'>): Curriculum {
  if (!carries) return curriculum;
  const drills = new Map(carries.drills.map((drill) => [drill.id, drill]));
  const skills = new Map(carries.skills.map((skill) => [skill.id, skill]));
  const faults = new Map(carries.faults.map((fault) => [fault.id, fault]));
  const { drills: shelved, skills: graph, faults: known } = curriculum;
  return {
    ...curriculum,
    drills: {
      ...shelved,
      find: (id) => drills.get(id) ?? shelved.find(id),
      get: (id) => drills.get(id) ?? shelved.get(id),
    },
    skills: {
      ...graph,
      find: (id) => graph.find(id) ?? skills.get(id),
      get: (id) => graph.find(id) ?? skills.get(id) ?? graph.get(id),
    },
    faults: {
      ...known,
      find: (id) => known.find(id) ?? faults.get(id),
      get: (id) => known.find(id) ?? faults.get(id) ?? known.get(id),
    },
  };
}

/** The drill of a block; undefined for a block without one. */
export function drillOf({ drills }: Curriculum, { drillId }: Pick<Block, 'drillId'>): Drill | undefined {
  return drillId === null ? undefined : drills.find(drillId);
}
