/** A fault as an instructor sees it. `id` is stable: the record stores it. */
export interface Fault {
  id: string;
  /** Two or three words for a button. */
  short: string;
  sign: string;
  cause: string;
  cure: string;
}

const fault = (id: string, short: string, sign: string, cause: string, cure: string): Fault => ({
  id,
  short,
  sign,
  cause,
  cure,
});

/** The catalogue that ships. */
export const FAULTS: readonly Fault[] = [
  fault(
    'cast.crack',
    'Forward too soon',
    'whip-crack behind',
    'forward before the back cast has unrolled',
    'longer pause; watch it; count',
  ),
  fault(
    'cast.pile',
    'Lands in a heap',
    'line falls in a heap',
    'pause too long, or no stop, no power',
    'stop high, shorter line',
  ),
  fault(
    'cast.wide-loop',
    'Wide loop',
    'big open loop, dies in wind',
    'wrist breaks, arc too wide',
    'shorter arc, elbow, book under arm',
  ),
  fault(
    'cast.tailing',
    'Tailing loop',
    'loop crosses itself, wind knots',
    'power too early, creep, arc too short',
    'smooth power, drift of the rod',
  ),
  fault(
    'cast.low-back',
    'Low back cast',
    'hook catches grass behind',
    'rod goes past two o’clock',
    'stop higher, steeple',
  ),
  fault(
    'cast.slack-start',
    'Slack at the start',
    'nothing moves for the first third',
    'line not straight before pick-up',
    'rod tip to the water, strip in',
  ),
  fault(
    'cast.too-much-line',
    'Too much line',
    'collapse at distance',
    'more line than the student controls',
    'mark the line',
  ),
  fault(
    'cast.false-casts',
    'Too many false casts',
    'many false casts over the fish',
    'habit',
    'limit to two',
  ),
  fault(
    'cast.sidearm-heavy',
    'Sidearm, heavy rig',
    'sidearm, stumbling with a heavy rig',
    'reaching with a weighted rig',
    'elbow home, up and over, water-load',
  ),
  fault(
    'cast.tight-loop-heavy',
    'Tight loop, heavy rig',
    'shot hits rod or hat',
    'tight loop with weight',
    'oval, open loop',
  ),
  fault('cast.lining', 'Line over fish', 'line lands over fish', 'first cast too long', 'near water first'),
  fault(
    'set.late',
    'Waited too long',
    'indicator was under for a second',
    'waiting for certainty',
    'set on anything; trainer',
  ),
  fault(
    'set.no-reaction',
    'Did not see it',
    'twitch passed',
    'looking elsewhere, glare',
    'glasses, indicator colour',
  ),
  fault(
    'set.upstream',
    'Set upstream',
    'fly pulled out of the mouth',
    'set against the drift',
    'rod low, downstream',
  ),
  fault(
    'set.slack',
    'Slack on the water',
    'rod up, nothing tight',
    'belly, line let out on mends',
    'strip in with the mend',
  ),
  fault(
    'set.break',
    'Broke off',
    'tippet parts',
    'too hard, old knot, trapped line',
    'wrist length, check knots',
  ),
  fault('set.early', 'Too early', 'fish missed on top', 'nerves', 'say a short phrase first'),
  fault(
    'set.trout-lift',
    'Lifted, not stripped',
    'streamer fish missed',
    'lifts instead of strips',
    'strip set',
  ),
  fault('fish.dry-hands', 'Dry hands', 'touches the fish dry', 'forgets', 'wet hands while it is led in'),
  fault('fish.air', 'Held in the air', 'fish out of the water', 'wants to look', 'keep it under, look there'),
  fault('fish.squeeze', 'Squeezed', 'hand closes round the body', 'it struggles', 'cradle, turn it over'),
  fault(
    'fish.chase-net',
    'Chased with the net',
    'net stabs after the fish',
    'haste',
    'net still, lead it in',
  ),
  fault(
    'fish.tight-drag',
    'Drag too tight',
    'no line on the run',
    'drag never set',
    'set it by hand before fishing',
  ),
  fault(
    'fish.line-foot',
    'Line underfoot',
    'standing on loose line',
    'line dropped anywhere',
    'loose line downstream of you',
  ),
  fault(
    'fish.warm-water',
    'Fished on too warm',
    'no reading taken',
    'forgot the thermometer',
    'read it before the first cast',
  ),
  fault('rig.dry-knot', 'Knot drawn dry', 'curled line above the knot', 'not wetted', 'wet it, draw slowly'),
  fault(
    'rig.knot-slips',
    'Knot slips',
    'comes open on a pull',
    'not seated, too few turns',
    'seat it with nails and breath',
  ),
  fault(
    'rig.tag-long',
    'Tag too long',
    'weed on the knot',
    'not trimmed',
    'trim after the test, keep the bit',
  ),
  fault(
    'rig.girth-hitch',
    'Loops girth-hitched',
    'loops cut each other',
    'pulled through the wrong one',
    'fly line loop over leader, end through',
  ),
  fault(
    'rig.wrong-size',
    'Wrong size',
    'tippet too thick or thin',
    'did not read the spool',
    'hook over three',
  ),
  fault('rig.depth-guess', 'Wrong depth', 'never ticks, or always', 'depth guessed', 'measure, then set'),
  fault(
    'rig.shot-slides',
    'Shot slides',
    'shot on the fly’s eye',
    'no knot below it',
    'above a stopper knot',
  ),
  fault(
    'rig.fly-first',
    'Changed fly first',
    'fly box open after ten casts',
    'habit',
    'depth, drift, then fly',
  ),
  fault('rig.tangle', 'Tangle', 'flies and shot in a ball', 'tight loop, hurry', 'open loop, one fly'),
  fault(
    'rig.pulls-tangle',
    'Pulls at the tangle',
    'knot tightens',
    'impatience',
    'from the point fly upward',
  ),
  fault('rig.wet-dry-fly', 'Dry fly drowned', 'fly sinks', 'dressed while wet', 'dry first, then dress'),
  fault('water.no-card', 'Card not read', 'fishing before the rules', 'eager', 'card before rod'),
  fault(
    'water.missed-seam',
    'Missed the seam',
    'casts to the middle',
    'does not see the edge',
    'follow the bubbles',
  ),
  fault('water.stomps', 'Scared the fish', 'fish bolt', 'upright, in the window', 'kneel, fewer steps'),
  fault(
    'water.far-first',
    'Far water first',
    'first cast to the far bank',
    'far looks better',
    'shortest cast first',
  ),
  fault(
    'water.across',
    'Straight across',
    'line over every lane',
    'did not move',
    'two steps down, quarter up',
  ),
  fault(
    'water.wrong-mend',
    'Mend the wrong way',
    'drag gets worse',
    'does not read the near lane',
    'faster between: up',
  ),
  fault(
    'water.mend-moves-indicator',
    'Mend moved it',
    'indicator jumps',
    'mend too big',
    'lift to the leader, no more',
  ),
  fault(
    'water.late-mend',
    'Mend too late',
    'belly before the mend',
    'watching the fly only',
    'mend as it lands',
  ),
  fault('water.short-sink', 'Did not let it sink', 'fly never at depth', 'impatience', 'count aloud'),
  fault(
    'water.too-fast',
    'Retrieve too fast',
    'fly races',
    'cold hands, nerves',
    'half that, then half again',
  ),
  fault(
    'water.wades-deep',
    'Waded too deep',
    'past the thigh, no exit',
    'chasing the far lie',
    'stop at the knee, ask',
  ),
  fault('safety.no-glasses', 'No glasses', 'casting without', 'forgot', 'glasses before the rod'),
  fault(
    'safety.too-near',
    'Too near others',
    'within a cast of somebody',
    'did not look round',
    'two line lengths',
  ),
  fault('safety.no-belt', 'No belt or staff', 'wading without', 'forgot', 'belt before boots are wet'),
  fault(
    'safety.stays-out',
    'Stayed out in thunder',
    'still fishing after thunder',
    'one more cast',
    'rods down at the first one',
  ),
];

const BY_ID = new Map(FAULTS.map((entry) => [entry.id, entry]));

/** The fault with this id, or undefined for one from a newer catalogue. */
export function findFault(id: string): Fault | undefined {
  return BY_ID.get(id);
}
