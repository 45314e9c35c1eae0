import { type Skill, skill } from './skill';

/** The two strands that run through every lesson. */
export const SAFETY_CARE_SKILLS: Skill[] = [
  skill('safety', 'eyes-hat', 'Eyes and hat', 'Glasses and hat on before any fly is tied.', 'On without being told.', [], ['safety.no-glasses']),
  skill('safety', 'hook-distance', 'Hook distance', 'Nobody within two line lengths.', 'Looks round before every cast.', [], ['safety.too-near']),
  skill('safety', 'wade-basic', 'Wading basics', 'Staff, belt, small steps, exit below.', 'Three points on the bottom.', [], ['water.wades-deep', 'safety.no-belt']),
  skill('safety', 'storm', 'Storm', 'Any thunder: rods down, off the water.', 'Leaves at the first thunder.', [], ['safety.stays-out']),
  skill('safety', 'first-aid-hook', 'Hook in skin', 'Know when to leave it for a doctor.', 'Eyes and face: never pulls.', [], []),
  skill('fish-care', 'wet-hands', 'Wet hands', 'Wet your hands before you touch a fish.', 'Every time.', [], ['fish.dry-hands', 'fish.squeeze']),
  skill('fish-care', 'unhook-in-water', 'Unhook in the water', 'The fly comes out before the fish is lifted.', 'Fish never out of the water.', ['wet-hands'], ['fish.air', 'fish.squeeze', 'fish.chase-net']),
  skill('fish-care', 'revive', 'Revive', 'Upright, facing slow current, until it goes.', 'It leaves by itself.', ['unhook-in-water'], ['fish.air']),
  skill('fish-care', 'temperature-stop', 'Stop in warm water', 'Take the temperature; stop when it is too warm.', 'Thermometer read before the first cast.', [], ['fish.warm-water']),
];
