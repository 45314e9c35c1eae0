import type { Point } from '../geometry';
import { inRange } from '../error';

/** A set seen from above. Directions in degrees from x, downstream, turning towards y. */
export interface SetGiven {
  /** From the rod tip to the fly, metres. */
  awayM: number;
  /** From the rod tip to the fly. */
  lineDeg: number;
  /** Where the tip goes, and how far. */
  sweepDeg: number;
  sweepM: number;
  /** Line that is not straight between tip and fly, metres. */
  slackM: number;
  /** Where the fish faces; up the stream when nothing else is known. */
  facingDeg: number;
  /** What the tippet breaks at with its weakest knot, N. */
  breaksAtN: number;
  /** How hard a rod pulls for each metre it is taken beyond the slack, N/m. Estimate, 8 to 20. */
  rodNPerM: number;
}

export interface SetFound {
  /** Line the sweep takes up, before slack is taken off, metres. */
  takenM: number;
  /** How far the fly moves, and whither, degrees. */
  movesM: number;
  movesDeg: number;
  /** From 1, into the corner of the mouth, to −1, out of it; 0 when the fly does not move. */
  intoMouth: number;
  pullN: number;
  /** Pull as a share of what breaks. */
  load: number;
  verdict: 'nothing-tight' | 'out-of-the-mouth' | 'across' | 'into-the-mouth' | 'breaks';
}

export const DEFAULT_SET: SetGiven = {
  awayM: 8,
  lineDeg: 120,
  sweepDeg: 0,
  sweepM: 1,
  slackM: 0.3,
  facingDeg: 180,
  breaksAtN: 15,
  rodNPerM: 12,
};

/** Of the mouth's direction, cosine. Rule of thumb. */
const CLEAR = 0.3;

/**
 * What a set does to the fly: the tip goes somewhere, the line between tip and fly grows longer by geometry, the slack is
 * taken up first, and what is left draws the fly towards the tip. A fish that faces up the stream is hooked by a fly that
 * goes down the stream.
 *
 * @throws CoreError 'out-of-range'
 */
export function setGeometry(options: Partial<SetGiven> = {}): SetFound {
  const set = { ...DEFAULT_SET, ...options };
  inRange('awayM', set.awayM, 0.5, 40);
  inRange('sweepM', set.sweepM, 0, 6);
  inRange('slackM', set.slackM, 0, 20);
  inRange('breaksAtN', set.breaksAtN, 0.1, 500);
  inRange('rodNPerM', set.rodNPerM, 0.1, 200);
  for (const name of ['lineDeg', 'sweepDeg', 'facingDeg'] as const) inRange(name, set[name], -360, 360);
  const fly = along(set.lineDeg, set.awayM);
  const tip = along(set.sweepDeg, set.sweepM);
  const back = { x: tip.x - fly.x, y: tip.y - fly.y };
  const apart = Math.hypot(back.x, back.y);
  const takenM = Math.max(0, apart - set.awayM);
  const tight = Math.max(0, takenM - set.slackM);
  const tail = along(set.facingDeg + 180, 1);
  const intoMouth = tight === 0 || apart === 0 ? 0 : (back.x * tail.x + back.y * tail.y) / apart;
  const pullN = set.rodNPerM * tight;
  const load = pullN / set.breaksAtN;
  return {
    takenM,
    movesM: tight,
    movesDeg: (Math.atan2(back.y, back.x) * 180) / Math.PI,
    intoMouth,
    pullN,
    load,
    verdict: verdictOf(tight, load, intoMouth),
  };
}

function verdictOf(tight: number, load: number, intoMouth: number): SetFound['verdict'] {
  if (tight === 0) return 'nothing-tight';
  if (load >= 1) return 'breaks';
  if (intoMouth >= CLEAR) return 'into-the-mouth';
  return intoMouth <= -CLEAR ? 'out-of-the-mouth' : 'across';
}

function along(deg: number, lengthM: number): Point {
  const turn = (deg * Math.PI) / 180;
  return { x: lengthM * Math.cos(turn), y: lengthM * Math.sin(turn) };
}
