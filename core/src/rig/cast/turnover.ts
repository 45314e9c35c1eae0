import { flyAttachment, leaderLength } from '../leader/leader-geometry';
import { DRESSINGS } from '../tackle/dressings';
import { hookOf } from '../tackle/hooks';
import { MATERIALS, sectionArea } from '../tackle/materials';
import type { Rig } from '../rig';

/** Air at 15 °C, kg/m³. */
const AIR_DENSITY = 1.225;
/** Drag coefficients in air of a bushy fly and of a ball. Estimates, ± 30 %. */
const FLY_DRAG = 1;
const BALL_DRAG = 0.5;
/** Speed of the fly leg of a beginner's short cast, m/s. Estimate, 8…14. */
const LOOP_SPEED_MS = 10;

/** Above the first it lays out straight, below the second it falls in a heap. Rules of thumb. */
export const TURNS_OVER = 1.2;
export const FALLS_SHORT = 0.45;

export type TurnoverVerdict = 'lays-out' | 'firm-stop' | 'heap';

export interface Turnover {
  /** Mass of the leader, kg. */
  leaderKg: number;
  /** Air that flies and fittings push aside while the leader unrolls, kg. */
  airKg: number;
  /** Energy of the leader ÷ work against the air; infinite when nothing meets the wind. */
  ratio: number;
  verdict: TurnoverVerdict;
}

/**
 * Whether the leader can lay out what is tied to it: the leader's energy ½·m·v² against the work of dragging flies and
 * fittings through the air, ½·ρ·C·A·(v + w)²·s, each as far as it lies from the fly line. The speed cancels in still air.
 *
 * Estimate, ± 40 %: it leaves out the energy that still comes in from the fly line, and what a stiff or limp taper
 * loses; good for comparing two leaders for the same fly.
 *
 * @param headWindMs wind against the cast, m/s, ≥ 0
 */
export function turnover(rig: Rig, headWindMs = 0): Turnover {
  const lengthM = leaderLength(rig);
  const leaderKg = rig.sections.reduce(
    (sum, section) =>
      sum + MATERIALS[section.material].density * sectionArea(section.diameterM) * section.lengthM,
    0,
  );
  const flies = rig.flies.reduce(
    (sum, fly) => sum + FLY_DRAG * flyWindArea(fly) * (lengthM - flyAttachment(rig, fly)),
    0,
  );
  const fittings = rig.fittings.reduce(
    (sum, fitting) => sum + BALL_DRAG * fittingWindArea(fitting) * Math.max(0, lengthM - fitting.aboveFlyM),
    0,
  );
  const faster = ((LOOP_SPEED_MS + headWindMs) / LOOP_SPEED_MS) ** 2;
  const airKg = AIR_DENSITY * (flies + fittings) * faster;
  const ratio = airKg > 0 ? leaderKg / airKg : Number.POSITIVE_INFINITY;
  return {
    leaderKg,
    airKg,
    ratio,
    verdict: ratio >= TURNS_OVER ? 'lays-out' : ratio >= FALLS_SHORT ? 'firm-stop' : 'heap',
  };
}

/** Area a fly shows the wind, m². */
export function flyWindArea({ dressing, hookSize, wire }: Rig['flies'][number]): number {
  return DRESSINGS[dressing].windArea * hookOf(hookSize, wire).shankM ** 2;
}

/** Area a fitting shows the wind, m²; shot is small beside everything else. */
export function fittingWindArea(fitting: Rig['fittings'][number]): number {
  return fitting.kind === 'indicator' ? (Math.PI / 4) * fitting.diameterM ** 2 : 0;
}
