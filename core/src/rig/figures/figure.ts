/** How far a figure can be trusted. */
export type Certainty = 'measured' | 'computed' | 'rule of thumb' | 'estimate';

export type FigureId =
  | 'leader-length'
  | 'indicator-distance'
  | 'breaks-first'
  | 'net-reach'
  | 'hook-count'
  | 'float-margin'
  | 'sink'
  | 'count-to-depth'
  | 'hinge'
  | 'starting-x'
  | 'turnover'
  | 'casting-load'
  | 'tangle-risk';

/** A computed figure that opens to its reason. Lengths in metres, forces in newtons. */
export interface Figure {
  id: FigureId;
  label: string;
  value: number;
  unit: 'm' | 'N' | 'hooks' | 'ratio' | 'kg' | 'm/s' | 's' | 'X' | 'tangles/h';
  /** The limit to compare with, in the same unit, where there is one. */
  limit: number | null;
  /** Value in words for people, in the chosen units. */
  text: string;
  inputs: { label: string; text: string }[];
  rule: string;
  certainty: Certainty;
}
