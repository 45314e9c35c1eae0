import { type Chain, pullOf, solveConstraints } from '../chain';
import { CoreError, inRange } from '../error';
import { GRAVITY } from '../units';
import { loopForces } from './loop-forces';
import { type LoopSigns, signsOf } from './loop-signs';
import type { LoopCast, LoopFrame } from './loop-cast';
import { strokeOf, tipTrajectory } from './tip-path';

export interface LoopRun {
  /** From the start to the stop. */
  strokeS: number;
  /** From the stop until the line is as good as straight; null when it never is. */
  unrollS: number | null;
  signs: LoopSigns;
  overStretch: number;
  frames: LoopFrame[];
}

export const DEFAULT_LOOP: LoopCast = {
  stroke: strokeOf('straight'),
  lineM: 9,
  massPerM: 0.001,
  diameterM: 0.0011,
  flyKg: 2e-5,
  flyDragAreaM2: 4e-5,
  acrossDrag: 1.1,
  skinFriction: 0.01,
  headWindMs: 0,
  tipHeightM: 3,
  gravity: GRAVITY,
  nodes: 60,
  stepS: 0.001,
  durationS: 2.4,
};

const FRAME_S = 0.02;
const DIVERGED = 0.02;
/** A line this fast feels every stretch as a speed: solved closer than a drift. */
const TOLERANCE = 1e-6;
/** A crack comes behind the angler, until so long after the stop, seconds. */
const BEHIND_S = 0.1;
/** The fly is this share of the line from the tip: it has unrolled. */
const STRAIGHT = 0.9;

/**
 * A line thrown by the tip of a rod: an inextensible chain with mass, the air across and along it, gravity, and water
 * below. Without air and gravity it unrolls in 4L/(3v) to one in ten. See docs/models.md.
 *
 * @throws CoreError 'out-of-range' for what cannot be, 'diverged' for a run that does not converge
 */
export function loopCast(options: Partial<LoopCast> = {}): LoopRun {
  const cast = { ...DEFAULT_LOOP, ...options };
  check(cast);
  const { nodes, stepS, durationS, stroke, lineM } = cast;
  const way = tipTrajectory(stroke);
  const chain = layBehind(cast);
  const pull = pullOf(nodes);
  const floor = {
    ys: new Float64Array(nodes + 1).fill(-cast.tipHeightM),
    presses: new Float64Array(nodes + 1),
  };
  const forces = loopForces(cast, chain, pull, floor.presses);
  const frames: LoopFrame[] = [frameOf(chain, 0)];
  let [overStretch, unrollS, peakMs] = [0, null as number | null, 0];
  for (let k = 1; k * stepS <= durationS + 1e-9; k++) {
    const atS = k * stepS;
    forces.set(way.at(atS), stepS);
    const stretch = solveConstraints(chain, pull, {
      heldFirst: true,
      forceN: 0.2 * stroke.speedMs * lineM * cast.massPerM,
      tolerance: TOLERANCE,
      floor,
    });
    if (!(stretch < DIVERGED)) throw new CoreError('diverged', { name: 'stretch', value: stretch, atS });
    overStretch = Math.max(overStretch, stretch);
    forces.note(stepS);
    if (!flyAhead(chain) && atS < way.strokeS + BEHIND_S) peakMs = Math.max(peakMs, forces.flyMs());
    if (atS > way.strokeS && unrollS === null && awayOf(chain) >= STRAIGHT * lineM && flyAhead(chain))
      unrollS = atS - way.strokeS;
    if (Math.floor(atS / FRAME_S + 1e-9) > Math.floor((atS - stepS) / FRAME_S + 1e-9))
      frames.push(frameOf(chain, atS));
  }
  return {
    strokeS: way.strokeS,
    unrollS,
    signs: signsOf(frames, {
      strokeS: way.strokeS,
      lineM,
      tipHeightM: cast.tipHeightM,
      peakMs,
      speedMs: stroke.speedMs,
    }),
    overStretch,
    frames,
  };
}

const awayOf = ({ xs, ys }: Chain): number => Math.hypot(xs.at(-1)! - xs[0]!, ys.at(-1)! - ys[0]!);
const flyAhead = ({ xs }: Chain): boolean => xs.at(-1)! > xs[0]!;

function frameOf({ xs, ys }: Chain, atS: number): LoopFrame {
  return { atS, xs: [...xs], ys: [...ys] };
}

/** Height of the loop that a back cast still has, metres. */
const BACK_LOOP_M = 0.6;

/** A back cast is thrown a little up: so much higher for each metre behind the tip. Estimate. */
const BACK_RISES = -0.1;

/** The line behind the tip, straight, or with the end of the back cast still to come: over the top and towards the tip. */
function layBehind({ lineM, nodes, stroke }: LoopCast): Chain {
  const rest = lineM / nodes;
  const turnM = (Math.PI / 2) * BACK_LOOP_M;
  const straightM = stroke.backShare === 1 ? lineM : Math.max(rest, stroke.backShare * lineM - turnM / 2);
  const place = (i: number): { x: number; y: number } => {
    const wayM = i * rest;
    if (wayM <= straightM) return { x: -wayM, y: 0 };
    const turn = Math.min(Math.PI, (wayM - straightM) / (BACK_LOOP_M / 2));
    const back = Math.max(0, wayM - straightM - turnM);
    return {
      x: -straightM - (BACK_LOOP_M / 2) * Math.sin(turn) + back,
      y: (BACK_LOOP_M / 2) * (1 - Math.cos(turn)),
    };
  };
  const tilt = Math.atan(BACK_RISES);
  const tilted = (i: number): { x: number; y: number } => {
    const { x, y } = place(i);
    return { x: x * Math.cos(tilt) + y * Math.sin(tilt), y: y * Math.cos(tilt) - x * Math.sin(tilt) };
  };
  return {
    xs: Float64Array.from({ length: nodes + 1 }, (_, i) => tilted(i).x),
    ys: Float64Array.from({ length: nodes + 1 }, (_, i) => tilted(i).y),
    rests: new Float64Array(nodes).fill(rest),
    tensions: new Float64Array(nodes),
  };
}

function check(cast: LoopCast): void {
  inRange('lineM', cast.lineM, 2, 25);
  inRange('massPerM', cast.massPerM, 0.0002, 0.01);
  inRange('diameterM', cast.diameterM, 0.0002, 0.005);
  inRange('flyKg', cast.flyKg, 0, 0.005);
  inRange('flyDragAreaM2', cast.flyDragAreaM2, 0, 0.01);
  inRange('acrossDrag', cast.acrossDrag, 0, 10);
  inRange('skinFriction', cast.skinFriction, 0, 1);
  inRange('headWindMs', cast.headWindMs, -20, 20);
  inRange('tipHeightM', cast.tipHeightM, 0.5, 10);
  inRange('gravity', cast.gravity, 0, 20);
  inRange('nodes', cast.nodes, 10, 200);
  inRange('stepS', cast.stepS, 0.0002, 0.002);
  inRange('durationS', cast.durationS, 0.1, 6);
}
