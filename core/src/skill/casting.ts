import { type Skill, skill } from './skill';

const s = (...rest: Parameters<typeof skill> extends [unknown, ...infer R] ? R : never): Skill => skill('casting', ...rest);

/** The casting strand, in the order it is taught. */
export const CASTING_SKILLS: Skill[] = [
  s('grip-stance', 'Grip and stance', 'Hold the rod like a handshake and stand so that you can watch the line behind you.', 'Relaxed hand, thumb on top, side-on.'),
  s('straight-path', 'Straight path', 'The rod tip travels along a straight line.', 'Loop sides lie parallel.', ['grip-stance'], ['cast.wide-loop', 'cast.slack-start', 'cast.tailing']),
  s('stop', 'Stop', 'Stop the rod hard, high, both ways.', 'A clear stop at about ten and two on short line.', ['straight-path'], ['cast.pile', 'cast.low-back', 'cast.wide-loop']),
  s('pause', 'Pause', 'Wait until the line has unrolled behind you, longer for more line.', 'Back cast straight before the rod moves.', ['stop'], ['cast.crack', 'cast.pile', 'cast.low-back']),
  s('pick-up-lay-down', 'Pick up, lay down', 'Lift the line off slowly, one back cast, lay it down.', 'Straight line on the water, 8 of 10.', ['pause'], ['cast.slack-start', 'cast.crack', 'cast.low-back', 'cast.pile', 'cast.lining']),
  s('overhead', 'Overhead cast', 'Put the parts together and aim.', 'Fly in a hoop of a metre at 9 m.', ['pick-up-lay-down'], ['cast.crack', 'cast.wide-loop', 'cast.tailing', 'cast.too-much-line', 'cast.low-back', 'cast.lining']),
  s('loop-control', 'Loop control', 'Make the loop open or tight on purpose.', 'Two of each on call.', ['overhead'], ['cast.tailing', 'cast.wide-loop', 'cast.tight-loop-heavy']),
  s('false-cast', 'False cast', 'Keep the line in the air to dry or aim, twice at most.', 'Two false casts, no more.', ['loop-control'], ['cast.false-casts', 'cast.tailing', 'cast.crack']),
  s('roll', 'Roll cast', 'Cast with no room behind, from a still loop beside you.', 'Line turns over at 7 m.', ['pick-up-lay-down'], ['cast.pile', 'cast.slack-start', 'cast.wide-loop']),
  s('water-load', 'Water-loaded cast', 'Let the current pull the line tight behind you, then flick.', 'No false cast, heavy rig lands open.', ['roll'], ['cast.sidearm-heavy', 'cast.slack-start', 'cast.tight-loop-heavy']),
  s('reach', 'Reach cast', 'Lay the rod over upstream before the line lands.', 'Line lands upstream of the fly, no drag for two seconds.', ['overhead'], ['cast.pile', 'cast.lining']),
  s('tuck', 'Tuck cast', 'Stop high so that the fly dives in before the line.', 'Fly enters first, indicator last.', ['overhead'], ['cast.tight-loop-heavy', 'cast.pile', 'cast.wide-loop']),
  s('bow-arrow', 'Bow-and-arrow cast', 'Bend the rod by the fly, hold the bend behind the point, let go.', 'Fly under the branch, fingers whole.', ['grip-stance'], ['cast.slack-start']),
  s('distance', 'Distance with control', 'Add line only while you still control it.', 'Line mark at the rod hand, straight landing.', ['overhead'], ['cast.too-much-line', 'cast.tailing', 'cast.pile']),
];
