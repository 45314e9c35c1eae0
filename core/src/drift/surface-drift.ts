import { CoreError, inRange } from '../error';
import { type Filament, stepFilament } from './filament';

/** A lane of current: from the one before up to a distance across, with its speed downstream; less than nought runs back. */
export interface CurrentLane {
  toM: number;
  speedMs: number;
}

/** A mend: a stretch of line laid up or down the stream, and line fed for it. */
export interface Mend {
  atS: number;
  way: 'up' | 'down';
  sizeM: number;
  /** Where on the line beyond the tip it begins and ends, shares of its length. */
  from: number;
  to: number;
}

/** The rod tip: where it begins along the stream, how fast it goes with it, and for how long. */
export interface TipPath {
  startM: number;
  speedMs: number;
  untilS: number;
}

/** A line on the water seen from above: x downstream, y across, the tip at y = 0. SI. */
export interface SurfaceDrift {
  lanes: CurrentLane[];
  /** Over so much the speed changes from lane to lane. */
  blendM: number;
  /** From the tip to the fly along the line that lies straight, and its direction from downstream, degrees. */
  castM: number;
  castDeg: number;
  /** Line beyond that, as a share of it. */
  slackShare: number;
  leaderM: number;
  /** Resistance across the line for each metre and metre a second, N·s/m²; how many times that along it; the leader's share. */
  acrossNsM2: number;
  ratio: number;
  leaderShare: number;
  tip: TipPath;
  mend: Mend | null;
  nodes: number;
  stepS: number;
  durationS: number;
}

export interface DriftFrame {
  atS: number;
  xs: number[];
  ys: number[];
  /** Tension of each stretch, N. */
  tensions: number[];
  /** Of the fly against its own water, m/s. */
  slipMs: number;
}

export interface DriftRun {
  /** When drag sets in: slip over 3 cm/s that lasts; null when it never does. */
  onsetS: number | null;
  /** How far the fly went until then. */
  cleanM: number;
  /** The largest stretch of any segment at any time, as a share. */
  overStretch: number;
  frames: DriftFrame[];
}

export const USUAL_DRIFT: SurfaceDrift = {
  lanes: [{ toM: 30, speedMs: 0.6 }],
  blendM: 0.4,
  castM: 9,
  castDeg: 110,
  slackShare: 0.1,
  leaderM: 2.7,
  acrossNsM2: 0.06,
  ratio: 20,
  leaderShare: 0.25,
  tip: { startM: 0, speedMs: 0, untilS: 0 },
  mend: null,
  nodes: 60,
  stepS: 0.02,
  durationS: 10,
};

const DRAG_MS = 0.03;
const LASTS_S = 0.3;
const FRAME_S = 0.1;
export const MOST_NODES = 400;
const MOST_LANES = 9;
const FASTEST_MS = 4;
/** A segment stretched by more has not been solved. */
const DIVERGED = 0.01;

/**
 * The drift of a fly on a line that the water carries: inextensible, perfectly flexible, without inertia; the resistance
 * across it about twenty times that along it. Slack is laid evenly: every segment begins shorter than it may be. Absolute
 * seconds depend on the resistance ratio and on how the slack lies; the order of presentations does less. See
 * docs/models.md.
 *
 * @throws CoreError 'out-of-range' for what cannot be, and for a run that does not converge
 */
export function surfaceDrift(given: Partial<SurfaceDrift> = {}): DriftRun {
  const drift = { ...USUAL_DRIFT, ...given };
  check(drift);
  const { nodes, stepS, durationS, castM, castDeg, tip } = drift;
  const line = layOut(drift);
  const [waterX, waterY] = [new Float64Array(nodes + 1), new Float64Array(nodes + 1)];
  const turn = (castDeg * Math.PI) / 180;
  let fly = { x: tip.startM + castM * Math.cos(turn), y: castM * Math.sin(turn) };
  let [onsetS, since, cleanM, went, overStretch, mended] = [
    null as number | null,
    null as number | null,
    0,
    0,
    0,
    false,
  ];
  const frames: DriftFrame[] = [frameOf(line, 0, 0)];
  const steps = Math.round(durationS / stepS);
  for (let k = 1; k <= steps; k++) {
    const atS = k * stepS;
    if (drift.mend && !mended && atS >= drift.mend.atS) {
      layMend(line, drift.mend);
      mended = true;
      fly = { x: line.xs[nodes]!, y: line.ys[nodes]! };
    }
    for (let i = 0; i <= nodes; i++) waterX[i] = speedAt(drift, line.ys[i]!);
    const own = waterX[nodes]!;
    const tipAt = { x: tip.startM + tip.speedMs * Math.min(atS, tip.untilS), y: 0 };
    const stretch = stepFilament(line, waterX, waterY, tipAt, stepS, drift.ratio);
    if (!(stretch < DIVERGED))
      throw new CoreError('out-of-range', { name: 'stretch', value: stretch, min: 0, max: DIVERGED });
    overStretch = Math.max(overStretch, stretch);
    const [x, y] = [line.xs[nodes]!, line.ys[nodes]!];
    const slipMs = Math.hypot((x - fly.x) / stepS - own, (y - fly.y) / stepS);
    went += Math.hypot(x - fly.x, y - fly.y);
    fly = { x, y };
    if (slipMs > DRAG_MS) since ??= atS;
    else since = null;
    if (since === null && onsetS === null) cleanM = went;
    if (since !== null && onsetS === null && atS - since >= LASTS_S - stepS / 2) onsetS = since;
    if (Math.floor(atS / FRAME_S + 1e-9) > Math.floor((atS - stepS) / FRAME_S + 1e-9))
      frames.push(frameOf(line, atS, slipMs));
  }
  return { onsetS, cleanM: onsetS === null ? went : cleanM, overStretch, frames };
}

/** A mend, the same line fed as slack without it, and neither: much of what a mend gains is the line it feeds. */
export function mendCompared(given: Partial<SurfaceDrift> & { mend: Mend }): {
  mended: DriftRun;
  fed: DriftRun;
  left: DriftRun;
} {
  return {
    mended: surfaceDrift(given),
    fed: surfaceDrift({ ...given, mend: { ...given.mend, sizeM: -Math.abs(given.mend.sizeM) } }),
    left: surfaceDrift({ ...given, mend: null }),
  };
}

/** Speed of the water at a distance across: lanes joined by a hyperbolic tangent. */
export function speedAt({ lanes, blendM }: Pick<SurfaceDrift, 'lanes' | 'blendM'>, y: number): number {
  let speed = lanes[0]!.speedMs;
  for (let k = 1; k < lanes.length; k++) {
    const share =
      blendM === 0
        ? y > lanes[k - 1]!.toM
          ? 1
          : 0
        : 0.5 * (1 + Math.tanh((y - lanes[k - 1]!.toM) / (blendM / 2)));
    speed += (lanes[k]!.speedMs - lanes[k - 1]!.speedMs) * share;
  }
  return speed;
}

function layOut({
  castM,
  castDeg,
  slackShare,
  leaderM,
  nodes,
  acrossNsM2,
  leaderShare,
  tip,
}: SurfaceDrift): Filament {
  const turn = (castDeg * Math.PI) / 180;
  const rest = (castM * (1 + slackShare)) / nodes;
  const at = (i: number): number => (i / nodes) * castM;
  const leaderFrom = castM * (1 + slackShare) - leaderM;
  return {
    xs: Float64Array.from({ length: nodes + 1 }, (_, i) => tip.startM + at(i) * Math.cos(turn)),
    ys: Float64Array.from({ length: nodes + 1 }, (_, i) => at(i) * Math.sin(turn)),
    rests: new Float64Array(nodes).fill(rest),
    across: Float64Array.from(
      { length: nodes },
      (_, j) => acrossNsM2 * rest * ((j + 0.5) * rest > leaderFrom ? leaderShare : 1),
    ),
    tensions: new Float64Array(nodes),
  };
}

/** Lays the stretch up or down in the form of a bump, and feeds the line that takes; a size below nought only feeds it. */
function layMend({ xs, ys, rests }: Filament, { way, sizeM, from, to }: Mend): void {
  const n = rests.length;
  const side = way === 'up' ? -1 : 1;
  const bump = (i: number): number => {
    const share = (i / n - from) / (to - from);
    return share <= 0 || share >= 1 ? 0 : side * Math.abs(sizeM) * Math.sin(Math.PI * share) ** 2;
  };
  for (let j = 0; j < n; j++) {
    const [dx, dy] = [xs[j + 1]! - xs[j]!, ys[j + 1]! - ys[j]!];
    const longer = Math.hypot(dx + bump(j + 1) - bump(j), dy) - Math.hypot(dx, dy);
    // Slack that lies in the stretch already is not laid twice: all of what the form takes is fed.
    rests[j] = rests[j]! + Math.max(0, longer);
  }
  if (sizeM > 0) for (let i = 1; i <= n; i++) xs[i] = xs[i]! + bump(i);
}

function frameOf({ xs, ys, tensions }: Filament, atS: number, slipMs: number): DriftFrame {
  return { atS, xs: [...xs], ys: [...ys], tensions: [...tensions], slipMs };
}

function check(drift: SurfaceDrift): void {
  inRange('nodes', drift.nodes, 4, MOST_NODES);
  inRange('lanes', drift.lanes.length, 1, MOST_LANES);
  drift.lanes.forEach(({ toM, speedMs }, k) => {
    inRange(`lanes[${k}].speedMs`, speedMs, -FASTEST_MS, FASTEST_MS);
    inRange(`lanes[${k}].toM`, toM, k === 0 ? 0 : drift.lanes[k - 1]!.toM, 200);
  });
  inRange('castM', drift.castM, 1, 30);
  inRange('castDeg', drift.castDeg, -180, 180);
  inRange('slackShare', drift.slackShare, 0, 2);
  inRange('leaderM', drift.leaderM, 0, drift.castM);
  inRange('blendM', drift.blendM, 0, 5);
  inRange('ratio', drift.ratio, 1, 200);
  inRange('acrossNsM2', drift.acrossNsM2, 1e-4, 100);
  inRange('leaderShare', drift.leaderShare, 0.01, 1);
  inRange('stepS', drift.stepS, 0.001, 0.1);
  inRange('durationS', drift.durationS, drift.stepS, 60);
  if (drift.mend) {
    inRange('mend.atS', drift.mend.atS, 0, drift.durationS);
    inRange('mend.from', drift.mend.from, 0, 0.98);
    inRange('mend.to', drift.mend.to, drift.mend.from + 0.02, 1);
    inRange('mend.sizeM', Math.abs(drift.mend.sizeM), 0, 5);
  }
}
