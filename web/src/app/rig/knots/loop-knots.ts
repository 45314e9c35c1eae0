import { coil, CORE, type KnotStep, moving, pair, type Piece, strand, turned } from './rope';

/** First loop: over the top and back behind the standing line. */
const firstLoop: Piece[] = [
  strand('standing', CORE, [4, 88], [70, 88], [140, 88], [176, 66], [166, 28], [122, 14], [84, 34], [84, 70]),
  strand('standing', 2, [84, 70], [88, 92], [98, 106]),
];
/** Second loop: round in front of the first, smaller, and back behind the line. */
const secondLoop: Piece[] = [
  strand('working', 2, [98, 106], [110, 118], [128, 112]),
  strand('working', 8, [128, 112], [152, 92], [154, 60], [132, 42], [110, 52], [106, 76]),
];

const perfectionLoop: KnotStep[] = [
  {
    say: 'A loop, its end behind the line.',
    pieces: [firstLoop[0] as Piece, moving('working', 2, [84, 70], [88, 92], [98, 112])],
  },
  {
    say: 'A second, smaller loop in front of the first, its end behind the line again.',
    pieces: [...firstLoop, ...secondLoop, moving('working', 2, [106, 76], [100, 96], [76, 114])],
  },
  {
    say: 'Lay the end between the two loops.',
    pieces: [
      ...firstLoop,
      ...secondLoop,
      strand('working', 2, [106, 76], [98, 98], [76, 104], [58, 84], [62, 58]),
      moving('working', 6, [62, 58], [110, 62], [206, 54]),
    ],
  },
  {
    say: 'Hold the end there and pull the small loop through the large one.',
    pieces: [
      strand(
        'standing',
        CORE,
        [4, 88],
        [70, 88],
        [110, 88],
        [122, 70],
        [112, 40],
        [92, 34],
        [78, 48],
        [84, 70],
      ),
      strand('standing', 2, [84, 70], [90, 86], [100, 84]),
      strand('working', 2, [100, 84], [110, 76], [122, 70]),
      strand('working', 8, [122, 70], [170, 82], [214, 74], [222, 60], [206, 46], [160, 44], [122, 56]),
      strand('working', 2, [122, 56], [104, 58], [96, 64]),
      moving('working', 6, [96, 64], [100, 40], [96, 14]),
    ],
  },
  {
    say: 'Wet it, draw it down: the loop stands in line with the leader. Trim.',
    pieces: [
      strand('standing', CORE, [4, 62], [60, 62], [112, 62]),
      strand('standing', CORE, [112, 60], [150, 44], [200, 44], [218, 62], [200, 80], [150, 80], [112, 64]),
      ...coil({ tone: 'standing', x: 96, y: 62, radius: 11, pitch: 11, turns: 2 }),
      strand('working', 8, [106, 60], [106, 40], [104, 24]),
    ],
  },
];

const BOTH = ['standing', 'working'] as const;
const FOOT_Y = 84;
/** The doubled end up and round in a wide loop. */
const doubledLoop: Piece[] = pair(
  BOTH,
  CORE,
  9,
  [96, FOOT_Y],
  [156, FOOT_Y],
  [186, 62],
  [166, 26],
  [112, 18],
  [70, 34],
  [62, 62],
);
const doubledEnds: Piece[] = [
  strand('standing', CORE, [4, 80], [50, 80], [96, 79.5]),
  strand('working', CORE, [30, 94], [56, 90], [96, 88.5]),
];
/** The doubled end wound round the foot of the loop, its bight leaving to the right. */
const doubledThrough = (times: 1 | 2): Piece[] => {
  const pitch = times === 1 ? 44 : 32;
  const endX = 84 + pitch * times;
  return [
    strand('standing', 8, [66.5, 62.5], [68, 74], [84, 68]),
    strand('working', 8, [57.5, 61.5], [62, 80], [78, 76], [93, 68]),
    ...coil({ tone: 'standing', x: 84, y: FOOT_Y, radius: 16, pitch, turns: times }),
    ...coil({ tone: 'working', x: 93, y: FOOT_Y, radius: 16, pitch, turns: times }),
    strand('standing', 8, [endX, 68], [endX + 14, 58], [198, 50], [222, 58]),
    strand('working', 8, [endX + 9, 68], [endX + 22, 72], [206, 78], [226, 70], [222, 58]),
  ];
};

const surgeonLoop: KnotStep[] = [
  {
    say: 'Turn the end back on itself, a hand’s length.',
    pieces: [
      strand('standing', CORE, [4, 54], [100, 54], [196, 54]),
      strand('working', CORE, [196, 54], [216, 60], [196, 68]),
      moving('working', CORE, [196, 68], [140, 68], [60, 68]),
    ],
  },
  {
    say: 'With the doubled end, one loop.',
    pieces: [
      ...doubledEnds,
      ...doubledLoop,
      strand('standing', 8, [66.5, 62.5], [68, 84], [84, 104]),
      strand('working', 8, [57.5, 61.5], [56, 88], [68, 114], [82, 118], [84, 104]),
    ],
  },
  {
    say: 'Its folded tip through the loop, once …',
    pieces: [...doubledEnds, ...doubledLoop, ...doubledThrough(1)],
  },
  { say: '… and once more.', pieces: [...doubledEnds, ...doubledLoop, ...doubledThrough(2)] },
  {
    say: 'Wet it, draw it down on all sides, trim.',
    pieces: [
      strand('standing', CORE, [4, 60], [60, 60], [120, 60]),
      strand('standing', CORE, [120, 58], [160, 42], [204, 46], [220, 62], [204, 78], [160, 80], [120, 64]),
      ...coil({ tone: 'standing', x: 84, y: 62, radius: 12, pitch: 15, turns: 2 }),
      ...coil({ tone: 'working', x: 91, y: 62, radius: 12, pitch: 15, turns: 2 }),
      strand('working', 8, [84, 68], [76, 80], [68, 88]),
    ],
  },
];

/** The fly line's loop, open, from the left. */
const lineLoop: Piece[] = [
  strand('second', CORE, [4, 56], [30, 57], [70, 34], [140, 28], [172, 60]),
  strand('second', CORE, [172, 60], [140, 92], [70, 86], [32, 60]),
];
/** Half of the square: two lines of one loop, their bend over the lines of the other. */
const squareHalf: Piece[] = [
  strand('second', CORE, [4, 49], [60, 49], [104, 49], [132, 36]),
  strand('second', CORE, [4, 71], [60, 71], [104, 71], [132, 84]),
  strand('second', 8, [132, 36], [150, 42], [154, 60], [150, 78], [132, 84]),
];

const loopToLoop: KnotStep[] = [
  {
    say: 'Leader’s loop over the loop of the fly line.',
    pieces: [
      ...lineLoop,
      strand('standing', 8, [236, 60], [208, 60], [160, 46], [108, 40], [82, 60]),
      strand('standing', 8, [82, 60], [108, 80], [160, 74], [206, 60]),
    ],
  },
  {
    say: 'The whole leader, from its other end, up through the loop of the fly line.',
    pieces: [
      ...lineLoop,
      strand('standing', 8, [208, 60], [196, 40], [120, 14], [62, 20], [46, 60]),
      strand('standing', 8, [46, 60], [62, 102], [120, 108], [196, 82], [208, 60]),
      strand('standing', 9, [208, 60], [226, 72], [232, 96]),
      strand('standing', 2, [232, 96], [220, 124], [160, 122], [118, 90], [114, 66]),
      moving('standing', 9, [114, 66], [126, 48], [150, 44]),
    ],
  },
  {
    say: 'Pull. Both loops lie alike, as in a square knot.',
    pieces: [...squareHalf, ...turned(squareHalf, { second: 'standing' })],
  },
  {
    say: 'Not so: one loop strangles the other and cuts it. Take it apart and pull again.',
    pieces: [
      strand('second', CORE, [4, 38], [60, 40], [104, 40], [118, 61]),
      strand('second', CORE, [118, 61], [104, 82], [60, 82], [4, 84]),
      strand('standing', 8, [236, 55], [190, 55], [150, 55], [112, 54], [94, 46]),
      strand('standing', 8, [236, 67], [190, 67], [150, 67], [112, 68], [94, 76]),
      strand('standing', 2, [94, 46], [86, 40], [98, 30], [130, 36], [148, 48]),
      strand('standing', 2, [94, 76], [86, 82], [98, 92], [130, 86], [148, 74]),
      strand('standing', 9, [148, 48], [154, 61], [148, 74]),
      { tone: 'wrong', height: 12, moves: false, path: 'M196 92 L228 124 M228 92 L196 124' },
    ],
  },
];

/** The end of a fixed-line rod's cord with a stopper knot, its tip at a place. */
const cordTip = (x: number): Piece[] => [
  strand('second', CORE, [4, 60], [x / 2, 60], [x, 60]),
  ...coil({ tone: 'second', x: x - 20, y: 60, radius: 10, pitch: 9, turns: 2 }),
];
/** The small loop hanging from its own knot, the line from the right drawn through it. */
const smallLoop: Piece[] = [
  ...coil({ tone: 'working', x: 138, y: 36, radius: 9, pitch: 8, turns: 2 }),
  strand('working', 4, [152, 36], [172, 44], [170, 74], [152, 82]),
  strand('working', 8, [152, 82], [136, 74], [136, 48], [146, 38]),
];

const slipLoop: KnotStep[] = [
  {
    say: 'A small fixed loop at the end of the line; a stopper knot on the tip of the cord.',
    pieces: [
      ...cordTip(64),
      strand('standing', CORE, [236, 60], [200, 60], [166, 60]),
      ...coil({ tone: 'working', x: 166, y: 60, radius: 9, pitch: -8, turns: 2 }),
      strand('working', CORE, [152, 58], [130, 42], [104, 46], [94, 60], [104, 74], [130, 78], [152, 62]),
    ],
  },
  {
    say: 'Draw the line itself through the small loop: a noose.',
    pieces: [
      ...smallLoop,
      strand('standing', CORE, [140, 36], [96, 24], [36, 36], [16, 62], [36, 92], [96, 90], [136, 66]),
      strand('standing', 6, [136, 66], [150, 60], [164, 60]),
      moving('standing', 6, [164, 60], [190, 60], [224, 60]),
    ],
  },
  {
    say: 'The noose over the tip of the cord, behind its stopper knot.',
    pieces: [
      ...cordTip(104),
      ...smallLoop,
      strand('standing', 8, [140, 36], [110, 24], [70, 28], [54, 60]),
      strand('standing', 2, [54, 60], [62, 90], [104, 92], [136, 66]),
      strand('standing', 6, [136, 66], [150, 60], [164, 60]),
      moving('standing', 6, [164, 60], [190, 60], [224, 60]),
    ],
  },
  {
    say: 'Pull tight: it sits behind the knot. A pull on the small loop lets it go.',
    pieces: [
      ...cordTip(92),
      strand('standing', 8, [50, 50], [56, 60], [52, 71]),
      strand('standing', 2, [52, 71], [60, 66], [62, 50]),
      strand('standing', 8, [62, 50], [66, 60], [64, 72]),
      strand('standing', 8, [64, 72], [96, 78], [124, 62]),
      strand('standing', 8, [50, 50], [60, 42], [100, 46], [120, 52]),
      ...coil({ tone: 'working', x: 116, y: 56, radius: 10, pitch: 9, turns: 2 }),
      strand('standing', CORE, [116, 58], [180, 60], [236, 60]),
      strand('working', 8, [130, 48], [146, 26], [166, 20], [172, 34], [152, 46], [134, 52]),
    ],
  },
];

export const LOOP_KNOTS = {
  'perfection-loop': perfectionLoop,
  'surgeon-loop': surgeonLoop,
  'loop-to-loop': loopToLoop,
  'slip-loop': slipLoop,
} as const;
