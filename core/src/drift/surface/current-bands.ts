/** A lane of current: from the one before up to a distance across, with its speed downstream; less than zero runs back. */
export interface CurrentLane {
  toM: number;
  speedMs: number;
}

/** Lanes that join smoothly: over so much the speed changes from lane to lane. */
export interface Current {
  lanes: CurrentLane[];
  blendM: number;
}

/**
 * Speed of the water at a distance across, m/s: lanes joined by a hyperbolic tangent.
 *
 * @param y metres across from the angler's bank
 */
export function speedAt({ lanes, blendM }: Current, y: number): number {
  let speed = lanes[0]!.speedMs;
  for (let k = 1; k < lanes.length; k++) {
    const off = y - lanes[k - 1]!.toM;
    const share = blendM === 0 ? (off > 0 ? 1 : 0) : 0.5 * (1 + Math.tanh((2 * off) / blendM));
    speed += (lanes[k]!.speedMs - lanes[k - 1]!.speedMs) * share;
  }
  return speed;
}
