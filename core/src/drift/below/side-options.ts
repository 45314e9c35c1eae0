import type { WaterColumn } from './profile';

/** A fly or shot on the leader. */
export interface LeaderLoad {
  /** Along the leader below the float, metres. */
  belowFloatM: number;
  /** Weight under water, N; less than zero floats. */
  submergedN: number;
  massKg: number;
  /** Drag coefficient times area, m². */
  dragAreaM2: number;
}

/** What the leader hangs from: floating free, or led by the rod at a speed, zero holds it. */
export interface LeaderTop {
  ledMs: number | null;
  dragAreaM2: number;
  massKg: number;
  /** What it carries before it goes under, N; null is not asked. */
  liftN: number | null;
}

export const LANDINGS = ['straight', 'tucked'] as const;
/** Lying on the water up the stream of the float, or most of it heaped below it. */
export type Landing = (typeof LANDINGS)[number];

/** A leader with its flies in the current, seen from the side: x downstream, y up from the surface. SI. */
export interface SideDrift extends WaterColumn {
  /** From the float to the point fly. */
  leaderM: number;
  diameterM: number;
  densityKgM3: number;
  /** The last one, at the leader's end, is the point fly. */
  loads: LeaderLoad[];
  top: LeaderTop;
  landing: Landing;
  /** Drag coefficient of the leader across itself, how much of it acts along, and whether it rises as speed falls. */
  acrossDrag: number;
  alongShare: number;
  byReynolds: boolean;
  /** Height of the highest stones of the bed, and their seed; how hard it rubs. */
  stonesM: number;
  seed: string;
  friction: number;
  /** The fly fishes this far above the bed and below, metres. */
  zoneM: number;
  nodes: number;
  stepS: number;
  durationS: number;
}
