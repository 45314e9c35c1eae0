import type { Fitting, Fly } from '../rig';
import type { KnotId, LineKind, MaterialId } from '../tackle/ids';

/** Flies that are alike in all that is weighed. */
export type FlyType = Pick<Fly, 'hookSize' | 'wire' | 'dressing' | 'bead' | 'beadDiameterM'>;

type Indicator = Pick<Extract<Fitting, { kind: 'indicator' }>, 'style' | 'diameterM'>;

const micrometres = (metres: number): string => (metres * 1e6).toFixed(0);

/** The keys under which measured values are kept: what is alike has the same key. */
export const measuredKey = {
  fly: ({ hookSize, wire, dressing, bead, beadDiameterM }: FlyType): string =>
    `${hookSize}/${wire}/${dressing}/${bead}/${bead === 'none' ? 0 : micrometres(beadDiameterM)}`,
  line: (line: LineKind): string => line,
  material: (material: MaterialId): string => material,
  diameter: (material: MaterialId, diameterM: number): string => `${material}/${micrometres(diameterM)}`,
  knot: (knot: KnotId): string => knot,
  indicator: ({ style, diameterM }: Indicator): string => `${style}/${micrometres(diameterM)}`,
};
