import type { CurrentLane } from './current-bands';
import type { Act } from './line-actions';

/** The rod tip: where it begins along the stream, how fast it goes with it and for how long, and how far out it is held. */
export interface TipPath {
  startM: number;
  speedMs: number;
  untilS: number;
  outM?: number | undefined;
}

/** A line on the water seen from above: x downstream, y across from the near edge. SI. */
export interface SurfaceDrift {
  lanes: CurrentLane[];
  /** Over so much the speed changes from lane to lane. */
  blendM: number;
  /** From the tip to the fly along the line that lies straight, and its direction from downstream, degrees. */
  castM: number;
  castDeg: number;
  /** Line beyond that, as a share of it. */
  slackShare: number;
  /** Half the length of the waves the slack is laid in, metres; 0 lays it evenly. */
  slackWaveM: number;
  leaderM: number;
  /** Resistance across the line for each metre and metre a second, N·s/m²; how many times that along it; the leader's share. */
  acrossNsM2: number;
  ratio: number;
  leaderShare: number;
  /** Whether resistance grows with the square of the speed; it is then as said above at `QUADRATIC_AT_MS`. */
  quadratic: boolean;
  tip: TipPath;
  /** Line at the tip that hangs in the air, metres. */
  liftedM: number;
  acts: Act[];
  nodes: number;
  stepS: number;
  durationS: number;
  /** Ends the run when drag has set in. */
  untilDrag: boolean;
}
