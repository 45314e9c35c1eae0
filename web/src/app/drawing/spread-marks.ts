import type { Spot } from './untangle';

const ROUNDS = 200;

/**
 * Moves marks of a drawing apart so that none covers another; those that stand free stay where they are.
 *
 * Two that are too near part along the line between them, half the want each, again and again until all are free.
 *
 * @param gap least distance of two middles, above zero
 * @returns a place for each mark, in the order of `wanted`
 */
export function spreadMarks(wanted: readonly Spot[], gap: number): Spot[] {
  const places = wanted.map(({ x, y }) => ({ x, y }));
  for (let round = 0; round < ROUNDS; round++) {
    let moved = false;
    places.forEach((a, i) =>
      places.slice(i + 1).forEach((b, k) => {
        const apart = Math.hypot(b.x - a.x, b.y - a.y);
        if (apart >= gap) return;
        moved = true;
        // Marks on one spot part along a direction of their own, so that three of them do not stay in one line.
        const turn = i + 2 * (i + k + 1);
        const [ux, uy] =
          apart > gap * 1e-6 ? [(b.x - a.x) / apart, (b.y - a.y) / apart] : [Math.cos(turn), Math.sin(turn)];
        const by = (gap - apart) / 2 + gap * 1e-3;
        a.x -= ux * by;
        a.y -= uy * by;
        b.x += ux * by;
        b.y += uy * by;
      }),
    );
    if (!moved) break;
  }
  return places;
}
