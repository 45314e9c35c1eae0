import type { Strand } from '../skill';
import type { GroundKind } from '../water';

export interface Minutes {
  min: number;
  likely: number;
  max: number;
}

export interface Drill {
  id: string;
  name: string;
  strand: Strand;
  /** Skills it trains, the main one first. */
  skills: string[];
  minutes: Minutes;
  ground: GroundKind;
  gear: string[];
  /** What the instructor says, in a few words. */
  cue: string;
  /** How it goes, two or three sentences. */
  how: string;
  /** Done when `good` of the last `of` attempts are good. */
  success: { good: number; of: number; at: string };
  /** Fault ids to look out for. */
  watchFor: string[];
  /** Line a student casts in it, metres; 0 when no line flies. */
  lineOutM: number;
  /** Attempts a student makes in a minute. A rule of thumb. */
  attemptsPerMin: number;
  adaptation: string;
}
