/** What a knot joins. */
export type KnotUse = 'line-to-fly' | 'line-to-line' | 'line-to-loop' | 'line-to-ring' | 'line-to-bend';

export interface Knot {
  id: KnotId;
  name: string;
  uses: KnotUse[];
  /** Typical share of the unknotted strength that remains when tied wet and seated. A rule of thumb, ± 0.08. */
  share: number;
  /** Largest ratio of the two diameters it holds well. */
  maxDiameterRatio: number;
}

export const KNOT_IDS = [
  'improved-clinch',
  'clinch',
  'loop-to-fly',
  'bend-clinch',
  'snell',
  'double-surgeon',
  'triple-surgeon',
  'blood',
  'double-uni',
  'nail',
  'perfection-loop',
  'surgeon-loop',
  'loop-to-loop',
  'slip-loop',
  'tippet-ring',
  'tapered',
] as const;
export type KnotId = (typeof KNOT_IDS)[number];

const FLY: KnotUse[] = ['line-to-fly', 'line-to-ring', 'line-to-bend'];

export const KNOTS: Record<KnotId, Knot> = {
  'improved-clinch': {
    id: 'improved-clinch',
    name: 'improved clinch',
    uses: FLY,
    share: 0.85,
    maxDiameterRatio: 20,
  },
  clinch: { id: 'clinch', name: 'clinch', uses: FLY, share: 0.78, maxDiameterRatio: 20 },
  'loop-to-fly': {
    id: 'loop-to-fly',
    name: 'loop knot to fly',
    uses: ['line-to-fly'],
    share: 0.8,
    maxDiameterRatio: 20,
  },
  'bend-clinch': {
    id: 'bend-clinch',
    name: 'clinch over the bend',
    uses: ['line-to-bend', 'line-to-fly'],
    share: 0.82,
    maxDiameterRatio: 20,
  },
  snell: { id: 'snell', name: 'snell', uses: ['line-to-fly'], share: 0.9, maxDiameterRatio: 20 },
  'double-surgeon': {
    id: 'double-surgeon',
    name: 'double surgeon’s',
    uses: ['line-to-line'],
    share: 0.85,
    maxDiameterRatio: 2,
  },
  'triple-surgeon': {
    id: 'triple-surgeon',
    name: 'triple surgeon’s',
    uses: ['line-to-line'],
    share: 0.9,
    maxDiameterRatio: 2,
  },
  blood: { id: 'blood', name: 'blood', uses: ['line-to-line'], share: 0.88, maxDiameterRatio: 1.4 },
  'double-uni': {
    id: 'double-uni',
    name: 'double uni',
    uses: ['line-to-line'],
    share: 0.88,
    maxDiameterRatio: 2.5,
  },
  nail: { id: 'nail', name: 'nail', uses: ['line-to-loop'], share: 0.9, maxDiameterRatio: 4 },
  'perfection-loop': {
    id: 'perfection-loop',
    name: 'perfection loop',
    uses: ['line-to-loop'],
    share: 0.85,
    maxDiameterRatio: 4,
  },
  'surgeon-loop': {
    id: 'surgeon-loop',
    name: 'surgeon’s loop',
    uses: ['line-to-loop'],
    share: 0.82,
    maxDiameterRatio: 4,
  },
  'slip-loop': {
    id: 'slip-loop',
    name: 'slip loop on cord',
    uses: ['line-to-loop'],
    share: 0.8,
    maxDiameterRatio: 12,
  },
  'loop-to-loop': {
    id: 'loop-to-loop',
    name: 'loop to loop',
    uses: ['line-to-loop', 'line-to-line'],
    share: 0.85,
    maxDiameterRatio: 6,
  },
  'tippet-ring': {
    id: 'tippet-ring',
    name: 'tippet ring',
    uses: ['line-to-line'],
    share: 0.85,
    maxDiameterRatio: 6,
  },
  tapered: { id: 'tapered', name: 'no knot, tapered', uses: [], share: 1, maxDiameterRatio: 3 },
};

/** The knots that serve a use, strongest first. */
export function knotsFor(use: KnotUse): Knot[] {
  return Object.values(KNOTS)
    .filter((knot) => knot.uses.includes(use))
    .sort((a, b) => b.share - a.share);
}
