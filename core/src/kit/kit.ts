/** Who a rod is for: a child's is short and light. */
export const ROD_FOR = ['anybody', 'child'] as const;
/** On which side the handle of its reel is, or both ways. */
export const REEL_HANDS = ['either', 'left', 'right'] as const;

/** What there is of a thing: rods of one kind, boots of one size. */
export interface KitEntry {
  /** As drills name it: `rod`, `wading belt`. */
  item: string;
  /** How many, whole, 0 and more. */
  count: number;
  /** What one costs, in the currency of the kit, 0 and more; null for what nobody said. */
  priceEach: number | null;
  /** For rods: length, metres; null where nobody said. */
  lengthM: number | null;
  rodFor: (typeof ROD_FOR)[number];
  reelHand: (typeof REEL_HANDS)[number];
  /** Sizes and whatever else tells them apart. */
  note: string;
}

/** What a school has to teach with. */
export interface Kit {
  /** Three letters, as banks write it. */
  currency: string;
  entries: KitEntry[];
}

export const EMPTY_KIT: Kit = { currency: 'EUR', entries: [] };
