import type { Beat } from '../../beat';
import type { Curriculum } from '../../curriculum';
import type { StoneCount } from '../../fly-box';
import type { Rig } from '../../rig';
import type { RuleCard, Species } from '../../water';
import type { HereQuestion } from './here-question';
import { indicatorQuestion, partsFirst, pauseQuestion } from './of-rig';
import { beatQuestions, foodQuestion, ruleQuestions, warmQuestion } from './of-water';

/** What is on hand at a moment of a lesson; null or empty where nothing is known. */
export interface OnHand {
  rig: Rig | null;
  /** Depth where one fishes, metres; null asks for the depth the rig is made for. */
  depthM: number | null;
  /** Line out in the drill of the moment, metres; 0 when none flies. */
  lineM: number;
  rules: RuleCard | null;
  species: readonly Species[];
  /** Last reading of a thermometer in the water, °C. */
  waterC: number | null;
  beats: readonly Beat[];
  /** Stones turned today, a count a place. */
  stones: readonly StoneCount[];
}

/**
 * Questions about the rig, the water and the readings of the moment, whose answers are computed from them. What is not
 * known is not asked, nor what two answers would be right for, nor what the school does not teach.
 */
export function questionsHere({ skills }: Curriculum, here: OnHand): HereQuestion[] {
  const { rig, rules } = here;
  const all = [
    ...(rig ? [...partsFirst(rig), ...indicatorQuestion(rig, here.depthM ?? rig.waterDepthM)] : []),
    ...pauseQuestion(here.lineM),
    ...(rules ? ruleQuestions(rules) : []),
    ...(here.waterC === null ? [] : warmQuestion(here.waterC, here.species)),
    ...here.beats.slice(0, 1).flatMap(beatQuestions),
    ...foodQuestion(here.stones),
  ];
  return all.filter(({ skillId }) => skills.has(skillId));
}
