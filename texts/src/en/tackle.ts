import type { DressingId, KnotId, LineKind, MaterialId } from '@doceo/core';

/** What each knot is called. */
export const KNOT_NAMES: Record<KnotId, string> = {
  'improved-clinch': 'improved clinch',
  clinch: 'clinch',
  'loop-to-fly': 'loop knot to fly',
  'bend-clinch': 'clinch over the bend',
  snell: 'snell',
  'double-surgeon': 'double surgeon’s',
  'triple-surgeon': 'triple surgeon’s',
  blood: 'blood',
  'double-uni': 'double uni',
  nail: 'nail',
  'perfection-loop': 'perfection loop',
  'surgeon-loop': 'surgeon’s loop',
  'slip-loop': 'slip loop on cord',
  'loop-to-loop': 'loop to loop',
  'tippet-ring': 'tippet ring',
  tapered: 'no knot, tapered',
};

/** What each class of leader material is called. */
export const MATERIAL_NAMES: Record<MaterialId, string> = {
  'stiff-mono': 'stiff mono',
  'limp-nylon': 'limp nylon',
  copolymer: 'copolymer',
  fluorocarbon: 'fluorocarbon',
  sighter: 'sighter mono',
  braid: 'braid',
};

/** What each dressing of a fly is called. */
export const DRESSING_NAMES: Record<DressingId, string> = {
  'slim-nymph': 'slim nymph',
  nymph: 'mayfly nymph',
  emerger: 'emerger',
  wet: 'soft-hackle wet',
  'hackle-sparse': 'sparse hackled dry',
  'hackle-full': 'full hackled dry',
  palmered: 'palmered sedge',
  'deer-hair': 'deer-hair sedge',
  foam: 'foam beetle',
  streamer: 'marabou leech',
  yarn: 'yarn tuft',
};

/** What each kind of fly line is called. */
export const LINE_NAMES: Record<LineKind, string> = {
  floating: 'floating',
  hover: 'hover',
  'sink-tip': 'sink tip',
  'type-1': 'type 1',
  'type-2': 'type 2',
  'type-3': 'type 3',
  'type-4': 'type 4',
  'type-5': 'type 5',
  'type-6': 'type 6',
  'type-7': 'type 7',
  level: 'level line',
};
