import type { TemplateId } from '@doceo/core';

/** What a way to rig is called and said of. */
export interface RigTemplateWords {
  name: string;
  /** What it is for, in a sentence a student understands. */
  purpose: string;
  /** The water it is for. */
  water: string;
  /** What to say while it is tied. */
  cues: readonly string[];
}

/** The words of every way to rig. */
export const RIG_TEMPLATE_WORDS: Record<TemplateId, RigTemplateWords> = {
  'dry-fly': {
    name: 'Dry fly, tapered leader',
    purpose: 'Lays one floating fly down softly, with enough slack at the end to drift free.',
    water: 'runs, tails and flats where fish rise',
    cues: ['The line lands, the fly follows.', 'Curves in the tippet are wanted.'],
  },
  'small-stream': {
    name: 'Small stream',
    purpose: 'Turns over with two or three rod lengths of line, under branches and into pockets.',
    water: 'becks and small streams, one cast wide',
    cues: [
      'Short line, tip high.',
      'Shorter still when it does not turn over.',
      'One cast a pocket, then a step.',
    ],
  },
  'sacrificial-tippet': {
    name: 'New leader with sacrificial tippet',
    purpose: 'Keeps a new leader whole: fly changes eat the short end, not the taper.',
    water: 'anywhere a bought leader is used',
    cues: ['Same X as the end of the leader.', 'When it is a hand long, tie a new one.'],
  },
  'dry-dropper': {
    name: 'Dry and dropper',
    purpose: 'A floating fly that is also the indicator for a nymph a forearm below it.',
    water: 'riffles and pockets up to 1 m deep',
    cues: [
      'The dry must carry the nymph.',
      'No shot here: a heavier bead instead.',
      'Set on the dry as on an indicator.',
    ],
  },
  'indicator-nymph': {
    name: 'Nymphs under an indicator',
    purpose: 'Drifts one or two nymphs near the bottom and shows the take at the surface.',
    water: 'runs and pools from knee deep to 2 m',
    cues: ['Measure the depth, then set.', 'Tick the bottom about one cast in six.', 'Set on anything.'],
  },
  'tuck-hinge': {
    name: 'Hinge leader for the tuck cast',
    purpose:
      'Folds at the hinge, so that fly, then shot, then indicator enter the water and the nymph sinks at once.',
    water: 'deep runs and pockets with heavy nymphs',
    cues: ['Stop high: the hinge does the rest.', 'Fly in first, line last.'],
  },
  'tight-line': {
    name: 'Tight line with sighter',
    purpose: 'Keeps touch with a sunk nymph: the coloured sighter shows the take.',
    water: 'runs and pockets within a rod and a half',
    cues: ['Lead the flies, do not drag them.', 'Sighter stops or tightens: set.'],
  },
  streamer: {
    name: 'Streamer, floating or sink tip',
    purpose: 'Turns over a large fly and keeps it down: the deeper the water, the shorter the leader.',
    water: 'pools, undercuts and drop-offs; sink tip beyond 1.5 m',
    cues: ['Rod low, strip with the hand.', 'Strip to set, never lift.'],
  },
  'lake-long-leader': {
    name: 'Long leader for lakes',
    purpose: 'Lets up to three flies hang and swing far from the line, slow and level.',
    water: 'lakes in a light chop, over shoals and weed edges',
    cues: ['Let it settle, then as slow as you can.', 'Straight line, always.'],
  },
  'lake-suspended': {
    name: 'Suspended on a lake, slip-release indicator',
    purpose:
      'Hangs a fly at exactly one depth; on a take the indicator lets go, so that a fish on a long leader comes to the net.',
    water: 'lakes up to 5 m deep, in ripple',
    cues: ['The ripple does the work.', 'It dips: lift, do not strike.'],
  },
  'margin-single': {
    name: 'Single fly for the margins',
    purpose: 'Puts one fly in front of a fish near the bank with the line out of its sight.',
    water: 'lake margins and clear ponds',
    cues: ['Stay low, cast short.', 'Let it sink to the fish, then draw it away.'],
  },
  'wet-swing': {
    name: 'Wet flies on the swing',
    purpose: 'Swings small soft flies across the current under the surface; the fish hooks itself.',
    water: 'even runs and tails, knee to thigh deep',
    cues: ['Mend to slow it.', 'Lift where the fish should be.', 'Wait for the weight.'],
  },
  'fixed-line': {
    name: 'Fixed-line rod',
    purpose: 'No reel and no line to manage: a first fish in an hour.',
    water: 'becks and pockets within a rod and its line',
    cues: ['Tip up, line off the water.', 'Step, do not reach.'],
  },
  grass: {
    name: 'Beginner’s grass rig',
    purpose: 'Shows the loop and hurts nobody: a bright tuft, no hook.',
    water: 'mown grass, no water',
    cues: ['Watch the tuft behind you.', 'Glasses on all the same.'],
  },
  own: {
    name: 'From the line',
    purpose: 'A butt and a fly; add your own sections one by one.',
    water: 'whatever it is built for',
    cues: ['Thick to thin, one step a knot.', 'Wet every knot before it is drawn down.'],
  },
};
