/** A chain as it lay at a time, node by node, with whatever else was kept of it. */
export interface ChainFrame {
  atS: number;
  xs: number[];
  ys: number[];
}

/**
 * A chain at a time between those that were kept: its nodes and every figure in proportion, lists and marks as in the
 * later one; before the first and after the last, these.
 */
export function frameAt<Frame extends ChainFrame>(frames: readonly Frame[], atS: number): Frame {
  const next = frames.findIndex((frame) => frame.atS >= atS);
  if (next < 0) return frames.at(-1)!;
  if (next === 0) return frames[0]!;
  const [a, b] = [frames[next - 1]!, frames[next]!];
  const share = (atS - a.atS) / (b.atS - a.atS || 1);
  const mix = (one: number, two: number): number => one + (two - one) * share;
  const mixed = Object.entries(b).map(([name, value]: [string, unknown]) => [
    name,
    typeof value === 'number' ? mix(a[name as keyof Frame] as number, value) : value,
  ]);
  return {
    ...(Object.fromEntries(mixed) as Frame),
    xs: b.xs.map((x, i) => mix(a.xs[i]!, x)),
    ys: b.ys.map((y, i) => mix(a.ys[i]!, y)),
  };
}
