export const MATERIAL_IDS = [
  'stiff-mono',
  'limp-nylon',
  'copolymer',
  'fluorocarbon',
  'sighter',
  'braid',
] as const;
export type MaterialId = (typeof MATERIAL_IDS)[number];

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

export const LINE_KINDS = [
  'floating',
  'hover',
  'sink-tip',
  'type-1',
  'type-2',
  'type-3',
  'type-4',
  'type-5',
  'type-6',
  'type-7',
  'level',
] as const;
/** Kind of fly line: type n sinks about n inches a second; a level line is that of a fixed-line rod. */
export type LineKind = (typeof LINE_KINDS)[number];

export const INDICATOR_STYLES = ['fixed', 'slip-release', 'yarn'] as const;
