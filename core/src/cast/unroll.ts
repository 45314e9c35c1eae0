import { CoreError, inRange } from '../error';

/** A line thrown by a rod tip that stops, and the air it goes through. SI. */
export interface Throw {
  /** Line beyond the rod tip, metres. */
  lineM: number;
  /** Speed at which the tip lets go of it, m/s. */
  speedMs: number;
  /** Mass of a metre of line, kg. */
  massPerM: number;
  diameterM: number;
  /** Of the air along the line. */
  skinFriction: number;
  /** Drag area of the fly, C_d × A, m². */
  flyDragAreaM2: number;
  /** Drag coefficient of the front of the loop, and its height, metres. */
  loopDrag: number;
  loopHeightM: number;
  /** Wind against the fly leg, m/s; less than zero blows with it. */
  headWindMs: number;
}

export interface Unrolling {
  /** With air, integrated; null when the line stalls and never unrolls. */
  seconds: number | null;
  /** At constant speed of the fly leg: 2L/v. */
  constantSpeedS: number;
  /** With its energy kept and no air: 4L/(3v). */
  energyKeptS: number;
  /** Speed of the fly when it is straight, or where it stalled, m/s. */
  endSpeedMs: number;
  /** Line that is straight at the end, metres. */
  unrolledM: number;
}

/** A five-weight line with a small dry fly, thrown by a beginner: defaults with the spread told in docs/models.md. */
export const DEFAULT_THROW: Throw = {
  lineM: 9,
  speedMs: 12,
  massPerM: 0.001,
  diameterM: 0.0011,
  skinFriction: 0.01,
  flyDragAreaM2: 4e-5,
  loopDrag: 1,
  loopHeightM: 0.6,
  headWindMs: 0,
};

const AIR_KG_M3 = 1.225;
/** Steps of the line's length over which it is integrated. */
const STEPS = 2000;
/** A fly leg slower than this hangs in the air, m/s. */
const STALL_MS = 0.5;
/** The last of the leg is as good as none: with its energy kept its speed would have no end. */
const LAST_SHARE = 0.002;

/**
 * How long a loop takes to unroll: an inextensible line whose fly leg moves at v while its rod leg lies still, so that the
 * front goes at v/2 and the leg shortens at v/2. The leg's energy ½mv² is lost to the air's friction along it, to the fly
 * and to the front of the loop; what is left is kept by a leg that grows shorter, which speeds it up.
 *
 * d(½μsv²)/dt = −(F_skin + F_fly)·v − F_loop·v/2, with ds/dt = −v/2; stepped over the length with the midpoint rule.
 *
 * @throws CoreError 'out-of-range'
 */
export function unroll(options: Partial<Throw> = {}): Unrolling {
  const line = { ...DEFAULT_THROW, ...options };
  check(line);
  const { lineM, speedMs, massPerM } = line;
  const step = (lineM * (1 - LAST_SHARE)) / STEPS;
  let [leg, energy, seconds] = [lineM, 0.5 * massPerM * lineM * speedMs ** 2, 0];
  const speedOf = (e: number, s: number): number => Math.sqrt(Math.max(0, (2 * e) / (massPerM * s)));
  for (let i = 0; i < STEPS; i++) {
    const v = speedOf(energy, leg);
    const half = energy - (lossPerM(line, v, leg) * step) / 2;
    const middle = speedOf(half, leg - step / 2);
    if (middle < STALL_MS)
      return { ...closedForms(line), seconds: null, endSpeedMs: v, unrolledM: lineM - leg };
    energy -= lossPerM(line, middle, leg - step / 2) * step;
    leg -= step;
    seconds += (2 * step) / middle;
  }
  return { ...closedForms(line), seconds, endSpeedMs: speedOf(energy, leg), unrolledM: lineM };
}

/** Energy the air takes for each metre the leg grows shorter, J/m: the leg goes two metres for one. */
function lossPerM(
  { diameterM, skinFriction, flyDragAreaM2, loopDrag, loopHeightM, headWindMs }: Throw,
  v: number,
  leg: number,
): number {
  const q = (speed: number): number => 0.5 * AIR_KG_M3 * speed * Math.abs(speed);
  const skin = q(v + headWindMs) * skinFriction * Math.PI * diameterM * leg;
  const fly = q(v + headWindMs) * flyDragAreaM2;
  const front = q(v / 2 + headWindMs) * loopDrag * diameterM * loopHeightM;
  return 2 * (skin + fly) + front;
}

function closedForms({ lineM, speedMs }: Throw): { constantSpeedS: number; energyKeptS: number } {
  return { constantSpeedS: (2 * lineM) / speedMs, energyKeptS: (4 * lineM) / (3 * speedMs) };
}

function check(line: Throw): void {
  inRange('lineM', line.lineM, 0.5, 40);
  inRange('speedMs', line.speedMs, 1, 60);
  inRange('massPerM', line.massPerM, 0.0001, 0.01);
  inRange('diameterM', line.diameterM, 0.0002, 0.005);
  inRange('skinFriction', line.skinFriction, 0, 1);
  inRange('flyDragAreaM2', line.flyDragAreaM2, 0, 0.01);
  inRange('loopDrag', line.loopDrag, 0, 3);
  inRange('loopHeightM', line.loopHeightM, 0, 5);
  inRange('headWindMs', line.headWindMs, -20, 20);
}

/** One line of the table of pauses for a student's card. */
export interface PauseRow {
  lineM: number;
  /** From the stop to the start of the next stroke, seconds; null when it does not unroll. */
  pauseS: number | null;
  /** Casts a minute when back and forward pauses are alike and a stroke takes so long. */
  beatsPerMin: number | null;
}

/** A stroke of a beginner, seconds. Estimate, 0.35 to 0.6. */
const STROKE_S = 0.45;

/**
 * The pause for each length of line.
 *
 * @param lengths metres of line and leader in the air
 * @throws CoreError 'out-of-range' for none or more than 60 lengths, or a line that cannot be thrown so
 */
export function pauseTable(lengths: readonly number[], options: Partial<Throw> = {}): PauseRow[] {
  if (lengths.length === 0 || lengths.length > 60)
    throw new CoreError('out-of-range', { name: 'lengths', value: lengths.length, min: 1, max: 60 });
  return lengths.map((lineM) => {
    const { seconds } = unroll({ ...options, lineM });
    return { lineM, pauseS: seconds, beatsPerMin: seconds === null ? null : 60 / (seconds + STROKE_S) };
  });
}
