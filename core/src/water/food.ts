export const BOX_STAGES = ['nymph', 'emerger', 'adult', 'terrestrial', 'streamer'] as const;
/** Stage of life a fly suggests; small fish and leeches are streamers. */
export type BoxStage = (typeof BOX_STAGES)[number];

export const COLOUR_FAMILIES = ['light', 'drab', 'dark', 'bright'] as const;
/** Families of colour: what a fish can tell apart at a glance. Bright is for attractors. */
export type ColourFamily = (typeof COLOUR_FAMILIES)[number];

export const WEIGHT_CLASSES = ['floats', 'plain', 'bead', 'heavy'] as const;
/** Floats, sinks by its hook alone, has a brass bead, or a tungsten one. */
export type WeightClass = (typeof WEIGHT_CLASSES)[number];

/** Flies that stand for a food: every size in the range in every colour and weight named. */
export interface Imitation {
  stage: BoxStage;
  colours: ColourFamily[];
  weights: WeightClass[];
  /** Largest and smallest fly by hook size, e.g. 10 and 16. */
  largest: number;
  smallest: number;
}

/** Something fish eat in a water, and when. */
export interface Food {
  name: string;
  /** Months, 1…12, in which it matters. */
  months: number[];
  imitations: Imitation[];
}
