import { CoreError, inRange } from '../../error';
import { type Act, checkActs, doAct } from './line-actions';
import { type Chain, pullOf, solveConstraints } from '../../chain';
import { speedAt } from './current-bands';
import type { SurfaceDrift } from './surface-options';
import { waterHolds } from './water-holds';

export interface DriftFrame {
  atS: number;
  xs: number[];
  ys: number[];
  /** Tension of each stretch, N. */
  tensions: number[];
  /** Of the fly against its own water, m/s, and over the ground. */
  slipMs: number;
  flyMs: number;
}

export interface DriftRun {
  /** When drag sets in: slip over 3 cm/s that lasts; null when it never does. */
  onsetS: number | null;
  /** How far the fly went until then, and for how long. */
  cleanM: number;
  cleanS: number;
  /** The largest stretch of any segment at any time, as a share. */
  overStretch: number;
  frames: DriftFrame[];
}

export const DEFAULT_DRIFT: SurfaceDrift = {
  lanes: [{ toM: 30, speedMs: 0.6 }],
  blendM: 0.4,
  castM: 9,
  castDeg: 110,
  slackShare: 0.1,
  slackWaveM: 0,
  leaderM: 2.7,
  acrossNsM2: 0.06,
  ratio: 20,
  leaderShare: 0.25,
  quadratic: false,
  tip: { startM: 0, speedMs: 0, untilS: 0 },
  liftedM: 0,
  acts: [],
  nodes: 100,
  stepS: 0.02,
  durationS: 10,
  untilDrag: false,
};

/** Slip that is drag, and how long it lasts before it is told as such. */
export const DRAG_MS = 0.03;
const LASTS_S = 0.3;
const FRAME_S = 0.1;
export const MAX_NODES = 400;
const MAX_LANES = 9;
const FASTEST_MS = 4;
/** A segment stretched by more has not been solved. */
const DIVERGED = 0.01;
/** How fast a tip goes while the angler steps, m/s. */
const STEPPING_MS = 1;

/**
 * The drift of a fly on a line that the water carries: inextensible, perfectly flexible, without inertia; the resistance
 * across it about twenty times that along it. Absolute seconds depend on the resistance ratio and on how the slack lies;
 * the order of presentations does less. See docs/models.md.
 *
 * @throws CoreError 'out-of-range' for what cannot be, 'diverged' for a run that does not converge
 */
export function surfaceDrift(options: Partial<SurfaceDrift> = {}): DriftRun {
  return drifted({ ...DEFAULT_DRIFT, ...options }, false);
}

/** A drift with its mends, the same line fed as slack without them, and neither: much of what a mend gains is that line. */
export function mendCompared(options: Partial<SurfaceDrift> & Pick<SurfaceDrift, 'acts'>): {
  mended: DriftRun;
  fed: DriftRun;
  left: DriftRun;
} {
  const drift = { ...DEFAULT_DRIFT, ...options };
  return {
    mended: drifted(drift, false),
    fed: drifted(drift, true),
    left: drifted({ ...drift, acts: drift.acts.filter(({ kind }) => kind !== 'mend') }, false),
  };
}

function drifted(drift: SurfaceDrift, mendsFed: boolean): DriftRun {
  check(drift);
  const { nodes, stepS, durationS } = drift;
  const line = layOut(drift);
  const pull = pullOf(nodes);
  const water = waterHolds(drift, line, pull);
  const acts = [...drift.acts].sort((a, b) => a.atS - b.atS);
  const clock = dragClock();
  let [tipX, toGo, fly, overStretch] = [drift.tip.startM, 0, flyOf(line), 0];
  const frames: DriftFrame[] = [frameOf(line, 0, 0, 0)];
  const on = { line, mendsFed, lift: water.lift, step: (metres: number) => void (toGo += metres) };
  const steps = Math.round(durationS / stepS);
  for (let k = 1; k <= steps; k++) {
    const atS = k * stepS;
    while (acts[0] && atS >= acts[0].atS) {
      doAct(on, acts.shift() as Act);
      fly = flyOf(line);
    }
    const goes = Math.sign(toGo) * Math.min(Math.abs(toGo), STEPPING_MS * stepS);
    toGo -= goes;
    tipX += goes + (atS <= drift.tip.untilS + stepS / 2 ? drift.tip.speedMs * stepS : 0);
    const own = speedAt(drift, fly.y);
    water.set(tipX, stepS);
    const stretch = solveConstraints(line, pull, { heldFirst: true, forceN: water.forceN() });
    if (!(stretch < DIVERGED)) throw new CoreError('diverged', { name: 'stretch', value: stretch, atS });
    overStretch = Math.max(overStretch, stretch);
    water.note(stepS);
    const now = flyOf(line);
    const [vx, vy] = [(now.x - fly.x) / stepS, (now.y - fly.y) / stepS];
    const [slipMs, flyMs] = [Math.hypot(vx - own, vy), Math.hypot(vx, vy)];
    fly = now;
    clock.tell(atS, slipMs, flyMs * stepS, stepS);
    if (Math.floor(atS / FRAME_S + 1e-9) > Math.floor((atS - stepS) / FRAME_S + 1e-9))
      frames.push(frameOf(line, atS, slipMs, flyMs));
    if (drift.untilDrag && clock.onsetS() !== null) break;
  }
  const onsetS = clock.onsetS();
  return { onsetS, cleanM: clock.cleanM(), cleanS: onsetS ?? durationS, overStretch, frames };
}

/** Tells when slip over the limit has lasted, and how far the fly had gone when it began. */
function dragClock(): {
  tell: (atS: number, slipMs: number, wentM: number, stepS: number) => void;
  onsetS: () => number | null;
  cleanM: () => number;
} {
  let [since, onset, went, clean] = [null as number | null, null as number | null, 0, 0];
  return {
    tell: (atS, slipMs, wentM, stepS) => {
      if (onset !== null) return;
      went += wentM;
      if (slipMs > DRAG_MS) since ??= atS;
      else since = null;
      if (since === null) clean = went;
      else if (atS - since >= LASTS_S - stepS / 2) onset = since;
    },
    onsetS: () => onset,
    cleanM: () => clean,
  };
}

function layOut(drift: SurfaceDrift): Chain {
  const { castM, castDeg, slackShare, nodes, tip } = drift;
  const turn = (castDeg * Math.PI) / 180;
  const [alongX, alongY] = [Math.cos(turn), Math.sin(turn)];
  const rest = (castM * (1 + slackShare)) / nodes;
  const aside = slackWaves(drift);
  const out = tip.outM ?? 0;
  return {
    xs: Float64Array.from(
      { length: nodes + 1 },
      (_, i) => tip.startM + (i / nodes) * castM * alongX - aside[i]! * alongY,
    ),
    ys: Float64Array.from(
      { length: nodes + 1 },
      (_, i) => out + (i / nodes) * castM * alongY + aside[i]! * alongX,
    ),
    rests: new Float64Array(nodes).fill(rest),
    tensions: new Float64Array(nodes),
  };
}

/** How far each node lies beside the straight line: zigzags that take up the slack, with none at the tip and the fly. */
function slackWaves({ castM, slackShare, slackWaveM, nodes }: SurfaceDrift): number[] {
  if (slackWaveM === 0) return Array.from({ length: nodes + 1 }, () => 0);
  const waves = Math.max(1, Math.round(castM / slackWaveM));
  const heightM = (Math.sqrt((1 + slackShare) ** 2 - 1) * castM) / waves / 2;
  return Array.from({ length: nodes + 1 }, (_, i) => {
    const at = (i / nodes) * waves;
    const [wave, share] = [Math.floor(at), at % 1];
    return (wave % 2 === 0 ? 1 : -1) * heightM * (1 - Math.abs(2 * share - 1));
  });
}

const flyOf = ({ xs, ys }: Chain): { x: number; y: number } => ({ x: xs.at(-1)!, y: ys.at(-1)! });

function frameOf({ xs, ys, tensions }: Chain, atS: number, slipMs: number, flyMs: number): DriftFrame {
  return { atS, xs: [...xs], ys: [...ys], tensions: [...tensions], slipMs, flyMs };
}

function check(drift: SurfaceDrift): void {
  inRange('nodes', drift.nodes, 4, MAX_NODES);
  inRange('lanes', drift.lanes.length, 1, MAX_LANES);
  drift.lanes.forEach(({ toM, speedMs }, k) => {
    inRange(`lanes[${k}].speedMs`, speedMs, -FASTEST_MS, FASTEST_MS);
    inRange(`lanes[${k}].toM`, toM, k === 0 ? 0 : drift.lanes[k - 1]!.toM, 200);
  });
  inRange('castM', drift.castM, 1, 30);
  inRange('castDeg', drift.castDeg, -180, 180);
  inRange('slackShare', drift.slackShare, 0, 2);
  inRange('slackWaveM', drift.slackWaveM, 0, 5);
  inRange('leaderM', drift.leaderM, 0, drift.castM);
  inRange('liftedM', drift.liftedM, 0, drift.castM);
  inRange('blendM', drift.blendM, 0, 5);
  inRange('ratio', drift.ratio, 1, 200);
  inRange('acrossNsM2', drift.acrossNsM2, 1e-4, 100);
  inRange('leaderShare', drift.leaderShare, 0.01, 1);
  inRange('stepS', drift.stepS, 0.001, 0.1);
  inRange('durationS', drift.durationS, drift.stepS, 60);
  checkActs(drift.acts, drift.durationS);
}
