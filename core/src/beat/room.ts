import { type Beat, pieceAt } from './beat';
import type { Point } from '../geometry';

const STEP_M = 0.25;

/** Room for a back cast: metres behind a stand, away from the lie, until trees or the sheet's edge; at most so many. */
export function roomBehindM(
  beat: Beat,
  stand: Point,
  lie: Point,
  mostM = 20,
): { roomM: number; trees: boolean } {
  const away = Math.hypot(stand.x - lie.x, stand.y - lie.y) || 1;
  const [dx, dy] = [(stand.x - lie.x) / away, (stand.y - lie.y) / away];
  for (let roomM = STEP_M; roomM <= mostM; roomM += STEP_M) {
    const at = { x: stand.x + dx * roomM, y: stand.y + dy * roomM };
    if (at.x < 0 || at.y < 0 || at.x > beat.lengthM || at.y > beat.widthM)
      return { roomM: roomM - STEP_M, trees: false };
    if (pieceAt(beat, at)?.kind === 'trees') return { roomM: roomM - STEP_M, trees: true };
  }
  return { roomM: mostM, trees: false };
}
