import { inRange } from '../../error';

/** What an angler may do while the fly drifts. */
export const ACT_KINDS = ['mend', 'feed', 'lift', 'step'] as const;
export type ActKind = (typeof ACT_KINDS)[number];

/**
 * An act at a time. `mend` lays a stretch of line up or down the stream and feeds the line that takes; `feed` gives line
 * to a stretch, at the tip when it is stacked; `lift` takes so much line at the tip off the water; `step` takes the rod
 * tip down the stream, up it when less than zero.
 */
export interface Act {
  kind: ActKind;
  atS: number;
  sizeM: number;
  /** Of a mend. */
  way: 'up' | 'down';
  /** Where on the line beyond the tip a mend or feed begins and ends, shares of its length. */
  from: number;
  to: number;
}

export const MAX_ACTS = 12;

/** What an act works on. */
export interface ActedOn {
  line: LineLaid;
  /** Takes so much line at the tip off the water, metres. */
  lift: (metres: number) => void;
  /** Moves the rod tip down the stream, metres. */
  step: (metres: number) => void;
  /** The line of a mend is fed only, and left where it lies. */
  mendsFed: boolean;
}

/** Sizes that each act may have, metres, and what it does. */
const LINE_ACTIONS: Record<ActKind, { minM: number; maxM: number; does: (on: ActedOn, act: Act) => void }> = {
  mend: { minM: 0, maxM: 6, does: ({ line, mendsFed }, act) => (mendsFed ? feedMend : layMend)(line, act) },
  feed: { minM: 0, maxM: 6, does: ({ line }, act) => feed(line, act) },
  lift: { minM: 0, maxM: 15, does: ({ lift }, { sizeM }) => lift(sizeM) },
  step: { minM: -6, maxM: 6, does: ({ step }, { sizeM }) => step(sizeM) },
};

/** Does an act. */
export function doAct(on: ActedOn, act: Act): void {
  LINE_ACTIONS[act.kind].does(on, act);
}

/** @throws CoreError 'out-of-range' naming the act and what of it cannot be */
export function checkActs(acts: readonly Act[], durationS: number): void {
  inRange('acts', acts.length, 0, MAX_ACTS);
  acts.forEach(({ kind, atS, sizeM, from, to }, i) => {
    inRange(`acts[${i}].atS`, atS, 0, durationS);
    inRange(`acts[${i}].sizeM`, sizeM, LINE_ACTIONS[kind].minM, LINE_ACTIONS[kind].maxM);
    inRange(`acts[${i}].from`, from, 0, 0.98);
    inRange(`acts[${i}].to`, to, from + 0.02, 1);
  });
}

interface LineLaid {
  xs: Float64Array;
  ys: Float64Array;
  rests: Float64Array;
}

/** Lays the stretch up or down in the form of a bump, a squared sine, and feeds the line that takes. */
export function layMend(line: LineLaid, mend: Act): void {
  const { xs, rests } = line;
  const bumps = bumpsOf(rests.length, mend);
  feedForm(line, bumps);
  for (let i = 1; i < bumps.length; i++) xs[i] = xs[i]! + bumps[i]!;
}

/** Feeds what a mend would take, and leaves the line where it lies. */
export function feedMend(line: LineLaid, mend: Act): void {
  feedForm(line, bumpsOf(line.rests.length, mend));
}

/** Gives so much line to the stretch, evenly. */
export function feed({ rests }: LineLaid, { sizeM, from, to }: Act): void {
  const n = rests.length;
  const inside = rests.map((_, j) => ((j + 0.5) / n >= from && (j + 0.5) / n <= to ? 1 : 0));
  const count = inside.reduce((sum, one) => sum + one, 0) || 1;
  for (let j = 0; j < n; j++) rests[j] = rests[j]! + (inside[j]! * sizeM) / count;
}

function bumpsOf(n: number, { way, sizeM, from, to }: Act): number[] {
  const side = way === 'up' ? -sizeM : sizeM;
  return Array.from({ length: n + 1 }, (_, i) => {
    const share = (i / n - from) / (to - from);
    return share <= 0 || share >= 1 ? 0 : side * Math.sin(Math.PI * share) ** 2;
  });
}

/** Slack that lies in the stretch already is not laid twice: all of what the form takes is fed. */
function feedForm({ xs, ys, rests }: LineLaid, bumps: readonly number[]): void {
  for (let j = 0; j < rests.length; j++) {
    const [dx, dy] = [xs[j + 1]! - xs[j]!, ys[j + 1]! - ys[j]!];
    const longer = Math.hypot(dx + bumps[j + 1]! - bumps[j]!, dy) - Math.hypot(dx, dy);
    rests[j] = rests[j]! + Math.max(0, longer);
  }
}
