import type { BoxStage, ColourFamily, WeightClass } from '../water';

/** Kinds of fly as a box tells them apart. */
export interface BoxKind {
  stage: BoxStage;
  colour: ColourFamily;
  weight: WeightClass;
  hookSize: number;
}

/** Flies of one kind in a box. */
export interface BoxFly extends BoxKind {
  count: number;
}

export interface FlyBox {
  flies: BoxFly[];
}

/** Most flies of one kind that a box counts. */
export const MAX_OF_A_KIND = 99;
