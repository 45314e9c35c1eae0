import type { Curriculum } from '../curriculum';
import { mainSkillOf } from '../drill';
import { groundOf } from '../water';
import { drillOf } from './carried';
import type { Block } from './plan';

/** Whether those in a block stand in the water: it is at a river, and wading too deep is a fault of its skill. */
export function wadesIn(curriculum: Curriculum, block: Block): boolean {
  const drill = drillOf(curriculum, block);
  if (!drill || groundOf(block.place) !== 'river') return false;
  return curriculum.skills.find(mainSkillOf(drill))?.faults.includes('water.wades-deep') ?? false;
}
