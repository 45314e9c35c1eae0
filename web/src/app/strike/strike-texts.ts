import type { FloatKind, NoiseKind, SetFound, TakeKind, TrainerWater } from '@doceo/core';

export const FLOAT_TEXTS: Record<FloatKind, string> = {
  indicator: 'indicator',
  yarn: 'yarn',
  sighter: 'sighter',
  dry: 'dry fly',
};

export const WATER_TEXTS: Record<TrainerWater, { text: string; reason: string }> = {
  pool: { text: 'pool', reason: 'Slow and calm, plain takes.' },
  run: { text: 'run', reason: 'Livelier, takes a little smaller.' },
  riffle: { text: 'riffle', reason: 'Quick and rough; small takes among waves.' },
};

export const TAKE_TEXTS: Record<TakeKind, string> = {
  dip: 'dips',
  stop: 'stops',
  twitch: 'twitches',
  sideways: 'moves aside',
  'lie-down': 'lies down',
  tighten: 'tightens',
  jump: 'jumps, or a rise',
};

/** What each looks like, and what to do about it. */
export const EXAMPLE_TEXTS: Record<TakeKind | NoiseKind, { name: string; looks: string }> = {
  dip: { name: 'It dips', looks: 'Goes under and stays a moment.' },
  stop: { name: 'It stops', looks: 'Stands while the bubbles go on.' },
  twitch: { name: 'It twitches', looks: 'A small jerk back.' },
  sideways: { name: 'It moves aside', looks: 'Across the drift, as nothing adrift does.' },
  'lie-down': { name: 'It lies down', looks: 'The yarn lies on the water.' },
  tighten: { name: 'It tightens', looks: 'The sag goes out of it.' },
  jump: { name: 'It jumps', looks: 'Springs up; on a dry fly, the rise.' },
  tick: { name: 'Bottom', looks: 'A nod as the fly touches. Set: nobody can tell.' },
  wave: { name: 'A wave', looks: 'Up and down like the water around it.' },
  weed: { name: 'Weed', looks: 'Slows softly, then goes on.' },
};

export const SET_TEXTS: Record<SetFound['verdict'], string> = {
  'nothing-tight': 'Nothing comes tight: the slack takes it all up. Strip in first, or sweep further.',
  'out-of-the-mouth': 'The fly is drawn out of the mouth, up the stream, away from the fish.',
  across: 'The fly goes across the mouth: it may hold.',
  'into-the-mouth': 'The fly is drawn down the stream, into the corner of the mouth.',
  breaks: 'The tippet parts before the hook is in.',
};

/** A leaning, in words. */
export function biasText(bias: number): string {
  if (bias > 0.35) return 'reacts late: waits until it is certain';
  if (bias < -0.35) return 'reacts early: sets on much that is no take';
  return 'reacts neither early nor late';
}
