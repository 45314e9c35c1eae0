import type { Skill } from '../../../skill';
import { skill } from './entry';

const s = (...rest: Parameters<typeof skill> extends [unknown, ...infer R] ? R : never): Skill =>
  skill('hook-setting', ...rest);
const SET = ['set.late', 'set.no-reaction', 'set.upstream', 'set.slack', 'set.break', 'set.early'];

/** The hook-setting strand. */
export const HOOK_SETTING_SKILLS: Skill[] = [
  s(
    'line-hand-control',
    'Line-hand control',
    'Line under the trapping finger from the moment it lands.',
    'Never without the finger.',
    [],
    ['set.slack', 'set.no-reaction'],
  ),
  s(
    'slack-management',
    'Slack management',
    'Strip in as the drift comes back: a little slack, not a lot.',
    'Rod tip to indicator nearly straight.',
    ['line-hand-control'],
    ['set.slack', 'set.late'],
  ),
  s(
    'see-take',
    'See the take',
    'Anything the indicator did not do before is a take.',
    'Reacts to twitches, stops and bottom.',
    ['slack-management'],
    ['set.no-reaction', 'set.late'],
  ),
  s(
    'set-direction',
    'Set direction',
    'Set low and downstream, into the fish.',
    'Rod sweeps downstream, below the shoulder.',
    ['see-take'],
    ['set.upstream', 'set.slack', 'set.late', 'set.no-reaction', 'set.break', 'set.early'],
  ),
  s(
    'set-timing',
    'Set timing',
    'Nymphs at once, big dries after a breath.',
    'Rod moves within half a second.',
    ['set-direction'],
    SET,
  ),
  s(
    'strip-set',
    'Strip set',
    'On lakes and streamers pull the line, rod stays low.',
    'Long strip, rod points at the fly.',
    ['set-timing'],
    ['set.trout-lift', 'set.slack', 'set.late'],
  ),
  s(
    'play-fish',
    'Play a fish',
    'Rod high when it runs, low and sideways to turn it.',
    'Lead it in; do not chase it.',
    ['set-direction'],
    ['fish.tight-drag', 'fish.line-foot', 'fish.chase-net', 'set.break'],
  ),
];
