import type { Strand } from './strand';

export interface Skill {
  /** Stable: strand, a dot, a name. */
  id: string;
  strand: Strand;
  name: string;
  /** One sentence a student understands. */
  sentence: string;
  /** What good looks like. */
  good: string;
  /** Ids of the skills it rests on. */
  needs: string[];
  /** Ids of the faults that belong to it. */
  faults: string[];
}

/** Short form for the tables of skills. Names in `needs` without a dot belong to the same strand. */
export function skill(
  strand: Strand,
  name: string,
  title: string,
  sentence: string,
  good: string,
  needs: string[] = [],
  faults: string[] = [],
): Skill {
  return {
    id: `${strand}.${name}`,
    strand,
    name: title,
    sentence,
    good,
    needs: needs.map((need) => (need.includes('/') ? need.replace('/', '.') : `${strand}.${need}`)),
    faults,
  };
}
