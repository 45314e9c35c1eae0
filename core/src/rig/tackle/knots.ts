import type { KnotId, MaterialId } from './ids';
import { measuredOf, NOTHING_MEASURED } from '../measured/measured';
import { measuredKey } from '../measured/measured-key';

/** What a knot joins. */
export type KnotUse = 'line-to-fly' | 'line-to-line' | 'line-to-loop' | 'line-to-ring' | 'line-to-bend';

export interface Knot {
  id: KnotId;
  uses: KnotUse[];
  /** Typical share of the unknotted strength that remains when tied wet and seated. A rule of thumb, ± 0.08. */
  share: number;
  /** Largest ratio of the two diameters it holds well. */
  maxDiameterRatio: number;
  /** Thinnest and thickest line it seats well in, metres. Rule of thumb. */
  rangeM: readonly [number, number];
  /** Materials in which it slips or does not seat. */
  notIn: readonly MaterialId[];
  /** Largest ratio of the two elastic moduli: a stiff and a limp line do not wrap evenly. */
  maxModulusRatio: number | null;
}

const FLY: KnotUse[] = ['line-to-fly', 'line-to-ring', 'line-to-bend'];

const MM = 1e-3;

export const KNOTS: Record<KnotId, Knot> = {
  'improved-clinch': {
    id: 'improved-clinch',
    uses: FLY,
    share: 0.85,
    maxDiameterRatio: 20,
    rangeM: [0.08 * MM, 0.3 * MM],
    notIn: ['braid'],
    maxModulusRatio: null,
  },
  clinch: {
    id: 'clinch',
    uses: FLY,
    share: 0.78,
    maxDiameterRatio: 20,
    rangeM: [0.15 * MM, 0.4 * MM],
    notIn: ['braid'],
    maxModulusRatio: null,
  },
  'loop-to-fly': {
    id: 'loop-to-fly',
    uses: ['line-to-fly'],
    share: 0.8,
    maxDiameterRatio: 20,
    rangeM: [0.12 * MM, 0.45 * MM],
    notIn: ['braid'],
    maxModulusRatio: null,
  },
  'bend-clinch': {
    id: 'bend-clinch',
    uses: ['line-to-bend', 'line-to-fly'],
    share: 0.82,
    maxDiameterRatio: 20,
    rangeM: [0.08 * MM, 0.26 * MM],
    notIn: ['braid'],
    maxModulusRatio: null,
  },
  snell: {
    id: 'snell',
    uses: ['line-to-fly'],
    share: 0.9,
    maxDiameterRatio: 20,
    rangeM: [0.15 * MM, 0.6 * MM],
    notIn: [],
    maxModulusRatio: null,
  },
  'double-surgeon': {
    id: 'double-surgeon',
    uses: ['line-to-line'],
    share: 0.85,
    maxDiameterRatio: 2,
    rangeM: [0.08 * MM, 0.35 * MM],
    notIn: [],
    maxModulusRatio: null,
  },
  'triple-surgeon': {
    id: 'triple-surgeon',
    uses: ['line-to-line'],
    share: 0.9,
    maxDiameterRatio: 2,
    rangeM: [0.08 * MM, 0.3 * MM],
    notIn: [],
    maxModulusRatio: null,
  },
  blood: {
    id: 'blood',
    uses: ['line-to-line'],
    share: 0.88,
    maxDiameterRatio: 1.4,
    rangeM: [0.12 * MM, 0.56 * MM],
    notIn: ['braid'],
    maxModulusRatio: 2.2,
  },
  'double-uni': {
    id: 'double-uni',
    uses: ['line-to-line'],
    share: 0.88,
    maxDiameterRatio: 2.5,
    rangeM: [0.12 * MM, 0.56 * MM],
    notIn: [],
    maxModulusRatio: null,
  },
  nail: {
    id: 'nail',
    uses: ['line-to-loop'],
    share: 0.9,
    maxDiameterRatio: 4,
    rangeM: [0.33 * MM, 0.6 * MM],
    notIn: ['braid'],
    maxModulusRatio: null,
  },
  'perfection-loop': {
    id: 'perfection-loop',
    uses: ['line-to-loop'],
    share: 0.85,
    maxDiameterRatio: 4,
    rangeM: [0.15 * MM, 0.6 * MM],
    notIn: ['braid'],
    maxModulusRatio: null,
  },
  'surgeon-loop': {
    id: 'surgeon-loop',
    uses: ['line-to-loop'],
    share: 0.82,
    maxDiameterRatio: 4,
    rangeM: [0.08 * MM, 0.45 * MM],
    notIn: [],
    maxModulusRatio: null,
  },
  'slip-loop': {
    id: 'slip-loop',
    uses: ['line-to-loop'],
    share: 0.8,
    maxDiameterRatio: 12,
    rangeM: [0.1 * MM, 0.6 * MM],
    notIn: [],
    maxModulusRatio: null,
  },
  'loop-to-loop': {
    id: 'loop-to-loop',
    uses: ['line-to-loop', 'line-to-line'],
    share: 0.85,
    maxDiameterRatio: 6,
    rangeM: [0.15 * MM, 0.6 * MM],
    notIn: [],
    maxModulusRatio: null,
  },
  'tippet-ring': {
    id: 'tippet-ring',
    uses: ['line-to-line'],
    share: 0.85,
    maxDiameterRatio: 6,
    rangeM: [0.08 * MM, 0.45 * MM],
    notIn: ['braid'],
    maxModulusRatio: null,
  },
  tapered: {
    id: 'tapered',
    uses: [],
    share: 1,
    maxDiameterRatio: 3,
    rangeM: [0.05 * MM, 2 * MM],
    notIn: [],
    maxModulusRatio: null,
  },
};

/** Share of the line's strength that a knot keeps: as this person ties it, else what is typical. */
export function knotShare(knot: KnotId, measured = NOTHING_MEASURED): number {
  return measuredOf(measured, 'knot-share', measuredKey.knot(knot))?.value ?? KNOTS[knot].share;
}

/** The knots that serve a use, strongest first. */
export function knotsFor(use: KnotUse): Knot[] {
  return Object.values(KNOTS)
    .filter((knot) => knot.uses.includes(use))
    .sort((a, b) => b.share - a.share);
}
