import { type Skill, skill } from './skill';

const s = (...rest: Parameters<typeof skill> extends [unknown, ...infer R] ? R : never): Skill => skill('water', ...rest);

/** The water-choice strand, moving water first. */
export const WATER_SKILLS: Skill[] = [
  s('rules-check', 'Rules first', 'Read the card and the signs before the rod is up.', 'Names season, hooks and who to ask.', [], ['water.no-card']),
  s('read-units', 'Read the water', 'Name run, pool, tail-out, riffle and pocket.', 'Five of five at a new place.', ['rules-check'], ['water.missed-seam']),
  s('find-seam', 'Find the seam', 'See where fast meets slow and put the fly there.', 'Points at it before casting.', ['read-units'], ['water.missed-seam']),
  s('approach-low', 'Approach low', 'Stay low and out of the fish’s window.', 'No fish bolts.', ['read-units'], ['water.stomps', 'cast.lining']),
  s('near-to-far', 'Near to far', 'Fish the near water first, tail before head.', 'First cast is the shortest.', ['approach-low'], ['water.far-first', 'cast.lining']),
  s('angle-choice', 'Choose the angle', 'Stand where the line lies in one lane.', 'Moves the feet before the mend.', ['find-seam', 'near-to-far'], ['water.across']),
  s('mend-up', 'Upstream mend', 'Lift the belly upstream when the near water is faster.', 'The indicator does not move.', ['angle-choice'], ['water.mend-moves-indicator', 'water.wrong-mend', 'water.late-mend']),
  s('mend-down', 'Downstream mend', 'Mend down when the water between is slower.', 'Indicator keeps pace with the bubbles.', ['mend-up'], ['water.wrong-mend', 'water.mend-moves-indicator', 'water.late-mend']),
  s('reach-mend', 'Reach mend', 'Mend in the air, before the line lands.', 'Two seconds more of clean drift.', ['mend-up', 'casting/reach'], ['water.late-mend', 'water.wrong-mend']),
  s('match-food', 'Match the food', 'Turn stones, then choose shape, size, colour.', 'Three stones before the first fly.', ['read-units'], ['rig.fly-first']),
  s('lake-structure', 'Lake structure', 'Find shoal, drop-off, weed edge and inflow.', 'Names the first place to cast and why.', ['rules-check'], ['water.far-first']),
  s('depth-count', 'Count down', 'Count the fly down, one more each cast until weed, then one less.', 'Same count three casts running.', ['lake-structure'], ['water.short-sink']),
  s('retrieve-choice', 'Choose the retrieve', 'Change length, speed or pause, one at a time.', 'Three retrieves tried before the fly changes.', ['depth-count'], ['water.too-fast', 'rig.fly-first']),
  s('wade-judgement', 'Wading judgement', 'Judge depth and speed; turn back early.', 'Stops and asks at the right place.', ['safety/wade-basic'], ['water.wades-deep']),
];
