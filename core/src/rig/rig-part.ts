import type { Fitting } from './rig';
import type { KnotId } from './tackle/ids';

/** Something of a rig that one tells of. What it is called is said elsewhere; names are those of the rig's own parts. */
export type RigPart =
  | { kind: 'section'; name: string }
  | { kind: 'fly'; name: string }
  | { kind: 'tag'; fly: string }
  | { kind: 'indicator'; style: Extract<Fitting, { kind: 'indicator' }>['style'] }
  | { kind: 'shot'; metal: Extract<Fitting, { kind: 'shot' }>['metal'] }
  /** The leader under water, below a float. */
  | { kind: 'leader-below' }
  | { kind: 'knot'; knot: KnotId }
  /** A knot between two sections; the upper one is null for the fly line. */
  | { kind: 'joint'; knot: KnotId; upper: string | null; lower: string }
  | { kind: 'fly-knot'; knot: KnotId; fly: string };
