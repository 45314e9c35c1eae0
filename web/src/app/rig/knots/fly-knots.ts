import { coil, CORE, hook, type KnotStep, moving, type Piece, ring, strand, type XY } from './rope';

const EYE: XY = [200, 64];
const [EX, EY] = EYE;

/** Standing line from the left into the eye, over its near rim. */
const intoEye: Piece = strand('standing', CORE, [4, 60], [90, 60], [160, 60], EYE);

const turns = (count: number): Piece[] =>
  coil({ tone: 'working', x: 140, y: 60, radius: 11, pitch: -15, turns: count });
/** Out of the eye behind its far rim, round below, and up to where the turns begin. */
const intoTurns: Piece = strand('working', 2, EYE, [196, 86], [176, 88], [156, 62], [140, 49]);

/** A clinch drawn down at an eye or ring: close turns against it. */
export function clinchDrawn(
  x: number,
  y: number,
  lead: Piece['tone'] = 'standing',
  tag: Piece['tone'] = 'working',
): Piece[] {
  return [
    strand(lead, CORE, [4, y], [x - 12, y]),
    ...coil({ tone: tag, x: x - 12, y, radius: 10, pitch: -9, turns: 5 }),
    strand(tag, 8, [x - 12, y - 10], [x - 4, y - 9], [x, y]),
  ];
}

/** Through the eye, turns, tag through the loop at the eye; improved: back through the loop that made. */
function clinchSteps(improved: boolean): KnotStep[] {
  const wound = [...hook(EX, EY), intoEye, intoTurns, ...turns(5)];
  const over = strand('working', 8, [65, 49], [52, 34], [70, 14], [120, 8], [156, 22], [168, 50]);
  const down = strand('working', 1, [168, 50], [170, 72], [168, 96]);
  const steps: KnotStep[] = [
    {
      say: 'Through the eye, a hand’s length of tag.',
      pieces: [...hook(EX, EY), intoEye, moving('working', 2, EYE, [194, 86], [160, 94], [104, 98])],
    },
    {
      say: 'Five turns round the line, away from the fly; three in thick line.',
      pieces: [...wound, moving('working', 8, [65, 49], [56, 38], [48, 26])],
    },
    {
      say: 'Tag back, and through the small loop at the eye.',
      pieces: [...wound, over, { ...down, moves: true }],
    },
  ];
  if (improved)
    steps.push({
      say: 'Then through the large loop that just came up.',
      pieces: [
        ...wound,
        over,
        strand('working', 1, [168, 50], [167, 84], [178, 108], [192, 100], [190, 70], [184, 40], [172, 28]),
        strand('working', 6, [172, 28], [158, 26], [142, 28]),
        moving('working', 6, [142, 28], [122, 32], [104, 30]),
      ],
    });
  return [
    ...steps,
    {
      say: 'Wet it, draw it down to the eye, trim when it is proven.',
      pieces: [
        ...hook(EX, EY),
        ...clinchDrawn(EX, EY),
        improved
          ? strand('working', 8, [143, 54], [138, 42], [128, 34])
          : strand('working', 2, [194, 66], [186, 84], [178, 94]),
      ],
    },
  ];
}

const FINGER: Piece = {
  tone: 'aid',
  height: 4,
  moves: false,
  path: 'M176 140 V44 q0 -26 24 -26 q24 0 24 26 V140',
};
/** The bend of a hook, large and near: shank above, point below. */
const BEND: Piece = {
  tone: 'metal',
  height: 4,
  moves: false,
  path: 'M240 22 H214 q-22 2 -22 42 q2 44 24 44 q16 -2 14 -24 l-6 7',
};

/** Two turns, one above the other, round what stands from y = 60 to 80 between two edges. */
const rounds = (left: number, right: number): Piece[] => [
  strand('working', 6, [left, 56], [(left + right) / 2, 66], [right, 58]),
  strand('working', 2, [right, 58], [(left + right) / 2, 62], [left, 74]),
  strand('working', 6, [left, 74], [(left + right) / 2, 86], [right, 78]),
  strand('working', 2, [right, 78], [(left + right) / 2, 82], [left, 92]),
];
const bendWound = (left: number): Piece[] => [
  strand('standing', CORE, [4, 58], [90, 58], [150, 58], [left, 56]),
  strand('working', 2, [left, 92], [156, 88], [150, 60], [140, 47]),
  ...coil({ tone: 'working', x: 140, y: 58, radius: 11, pitch: -15, turns: 4 }),
];

const bendClinch: KnotStep[] = [
  {
    say: 'Twice round a fingertip.',
    pieces: [
      FINGER,
      strand('standing', 6, [4, 50], [100, 48], [172, 56]),
      ...rounds(172, 228),
      moving('working', 2, [172, 92], [140, 104], [104, 106]),
    ],
  },
  {
    say: 'Four turns round the standing line.',
    pieces: [
      FINGER,
      ...bendWound(172),
      ...rounds(172, 228),
      moving('working', 8, [80, 47], [70, 38], [58, 28]),
    ],
  },
  {
    say: 'Tag back along the turns and under both rounds on the finger.',
    pieces: [
      FINGER,
      ...bendWound(172),
      ...rounds(172, 228),
      strand('working', 8, [80, 47], [62, 34], [82, 14], [140, 10], [182, 26], [196, 48]),
      moving('working', 5, [196, 48], [200, 74], [200, 106]),
    ],
  },
  {
    say: 'Slip both rounds off the finger, over the bend of the hook.',
    pieces: [
      BEND,
      ...bendWound(176),
      ...rounds(176, 208),
      strand('working', 8, [80, 47], [62, 34], [82, 14], [140, 10], [168, 22], [184, 48]),
      strand('working', 5, [184, 48], [186, 74], [180, 110]),
    ],
  },
  {
    say: 'Wet it, draw it down on the bend, trim.',
    pieces: [
      BEND,
      strand('standing', CORE, [4, 66], [150, 66], [184, 66]),
      ...coil({ tone: 'working', x: 180, y: 66, radius: 10, pitch: -9, turns: 5 }),
      strand('working', 6, [180, 56], [194, 54], [202, 62]),
      strand('working', 6, [180, 72], [192, 76], [202, 72]),
      strand('working', 2, [200, 70], [182, 84], [172, 98]),
    ],
  },
];

/** A loose overhand knot about x = 100, its end going on to the eye. */
const overhand: Piece[] = [
  strand('standing', CORE, [4, 60], [62, 58], [112, 76], [136, 72], [140, 48]),
  strand('standing', 7, [140, 48], [128, 22], [96, 20], [76, 40], [72, 66]),
  strand('standing', 3, [72, 66], [80, 92], [104, 92], [114, 72]),
  strand('standing', 7, [114, 72], [126, 58], [160, 54], EYE),
];
/** Tag from the eye back into the overhand knot and out at its left. */
const tagIn: Piece[] = [
  strand('working', 2, EYE, [198, 94], [162, 98], [132, 84]),
  strand('working', 8, [132, 84], [116, 66], [104, 52]),
];
const loopTurns = coil({ tone: 'working', x: 60, y: 60, radius: 11, pitch: -14, turns: 3 });

const loopKnot: KnotStep[] = [
  {
    say: 'A loose overhand knot a hand above the end; then the tag through the eye.',
    pieces: [...hook(EX, EY), ...overhand, moving('working', 2, EYE, [194, 88], [166, 108])],
  },
  {
    say: 'Tag back into the overhand knot by the way it came out.',
    pieces: [...hook(EX, EY), ...overhand, ...tagIn, moving('working', 2, [104, 52], [84, 28], [54, 18])],
  },
  {
    say: 'Three turns round the line, away from the fly.',
    pieces: [
      ...hook(EX, EY),
      ...overhand,
      ...tagIn,
      strand('working', 2, [104, 52], [88, 40], [60, 49]),
      ...loopTurns,
      moving('working', 8, [18, 49], [10, 40], [14, 22]),
    ],
  },
  {
    say: 'Tag back through the overhand knot once more.',
    pieces: [
      ...hook(EX, EY),
      ...overhand,
      ...tagIn,
      strand('working', 2, [104, 52], [88, 40], [60, 49]),
      ...loopTurns,
      strand('working', 8, [18, 49], [6, 34], [22, 14], [60, 12], [88, 30]),
      moving('working', 4, [88, 30], [110, 40], [124, 34], [152, 22]),
    ],
  },
  {
    say: 'Wet it, draw it down. The small loop stays open and the fly swings in it.',
    pieces: [
      ...hook(EX, EY),
      strand('standing', CORE, [4, 62], [60, 62], [124, 62]),
      ...coil({ tone: 'working', x: 118, y: 62, radius: 10, pitch: -10, turns: 5 }),
      strand('standing', 6, [118, 60], [144, 44], [176, 46], EYE),
      strand('working', 2, EYE, [176, 86], [144, 82], [118, 66]),
      strand('working', 8, [118, 52], [128, 40], [136, 30]),
    ],
  },
];

const shank: Piece[] = [
  ring(96, 60, 9),
  {
    tone: 'metal',
    height: CORE - 1,
    moves: false,
    path: 'M104 60 H206 q22 2 20 22 q-4 18 -20 14 q-8 -4 -6 -14 l-5 5',
  },
];

const snell: KnotStep[] = [
  {
    say: 'Through the eye and along the shank to the bend.',
    pieces: [
      ...shank,
      strand('standing', 6, [4, 48], [60, 50], [96, 60]),
      moving('working', 6, [96, 60], [120, 56], [190, 55]),
    ],
  },
  {
    say: 'Lay the end back to the eye in a wide loop and hold all at the eye.',
    pieces: [
      ...shank,
      strand('standing', 6, [4, 48], [60, 50], [96, 60]),
      strand('working', 6, [96, 60], [124, 56], [190, 54], [214, 34], [190, 14], [140, 22], [112, 64]),
      moving('working', 6, [112, 64], [98, 78], [78, 86]),
    ],
  },
  {
    say: 'With the loop, six turns round shank and line, from the eye to the bend.',
    pieces: [
      ...shank,
      strand('standing', 6, [4, 48], [60, 50], [96, 60]),
      strand('working', 5, [96, 60], [124, 57], [190, 56]),
      ...coil({ tone: 'working', x: 118, y: 59, radius: 10, pitch: 11, turns: 6 }),
      strand('working', 2, [118, 49], [108, 60], [96, 78], [78, 88]),
      moving('working', 8, [184, 49], [200, 30], [182, 16]),
    ],
  },
  {
    say: 'Wet it, pull the standing line until the turns lie close, trim the end.',
    pieces: [
      ...shank,
      strand('standing', 6, [4, 54], [60, 56], [96, 60], [112, 58]),
      ...coil({ tone: 'working', x: 114, y: 59, radius: 8, pitch: 7.5, turns: 7 }),
      strand('working', 8, [166, 51], [174, 44], [182, 42]),
    ],
  },
];

export const FLY_KNOTS = {
  'improved-clinch': clinchSteps(true),
  clinch: clinchSteps(false),
  'bend-clinch': bendClinch,
  'loop-to-fly': loopKnot,
  snell,
} as const;
