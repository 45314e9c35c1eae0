import { clinchDrawn } from './fly-knots';
import { coil, CORE, type KnotStep, moving, pair, type Piece, ring, strand, turned } from './rope';

/** Leader from the left and tippet from the right, lying side by side in the middle. */
const overlap: Piece[] = [
  strand('standing', CORE, [4, 54], [100, 54], [196, 54]),
  strand('second', CORE, [236, 66], [140, 66], [44, 66]),
];

const SURGEON_Y = 84;
/** Both lines up and round in a wide loop, back to where they set out. */
const surgeonLoop: Piece[] = pair(
  ['standing', 'second'],
  CORE,
  9,
  [96, SURGEON_Y],
  [156, SURGEON_Y],
  [186, 62],
  [166, 26],
  [112, 18],
  [70, 34],
  [62, 62],
);
const surgeonEnds: Piece[] = [
  strand('standing', CORE, [4, 80], [50, 80], [96, 79.5]),
  strand('second', CORE, [30, 94], [56, 90], [96, 88.5]),
];

/** Both ends wound so many times round the foot of the loop; then the leader's tag and the whole tippet leave to the right. */
function surgeonThrough(times: number): Piece[] {
  const pitch = times === 1 ? 44 : times === 2 ? 32 : 24;
  const endX = 84 + pitch * times;
  const wind = (tone: 'standing' | 'second', x: number): Piece[] =>
    coil({ tone, x, y: SURGEON_Y, radius: 16, pitch, turns: times });
  return [
    strand('standing', 8, [66.5, 62.5], [68, 74], [84, 68]),
    strand('second', 8, [57.5, 61.5], [62, 80], [78, 76], [93, 68]),
    ...wind('standing', 84),
    ...wind('second', 93),
    moving('standing', 8, [endX, 68], [endX + 18, 64], [204, 52]),
    moving('second', 8, [endX + 9, 68], [endX + 26, 74], [228, 74]),
  ];
}

function surgeonSteps(times: 2 | 3): KnotStep[] {
  const open = [...surgeonEnds, ...surgeonLoop];
  return [
    { say: 'Lay leader and tippet side by side, 15 cm over.', pieces: overlap },
    {
      say: 'Make one loop of both together.',
      pieces: [
        ...open,
        moving('standing', 8, [66.5, 62.5], [70, 86], [92, 108]),
        moving('second', 8, [57.5, 61.5], [56, 90], [72, 114]),
      ],
    },
    { say: 'Leader end and whole tippet through the loop, once.', pieces: [...open, ...surgeonThrough(1)] },
    {
      say: times === 2 ? 'And through a second time.' : 'And a second and a third time.',
      pieces: [...open, ...surgeonThrough(times)],
    },
    {
      say: 'Wet it, draw all four ends evenly, trim both tags.',
      pieces: [
        strand('standing', CORE, [4, 58], [80, 58], [150, 58]),
        strand('second', CORE, [236, 64], [150, 64], [90, 64]),
        ...coil({ tone: 'standing', x: 100, y: 61, radius: 12, pitch: 14, turns: times }),
        ...coil({ tone: 'second', x: 107, y: 61, radius: 12, pitch: 14, turns: times }),
        strand('second', 8, [92, 68], [86, 78], [78, 84]),
        strand('standing', 8, [100 + 14 * times, 50], [156, 44], [164, 38]),
      ],
    },
  ];
}

/** The left line: level from the left, below the gap in the middle, wound round the right line. */
const bloodHalf: Piece[] = [
  strand('standing', CORE, [4, 60], [60, 60], [92, 60]),
  strand('standing', 2, [92, 60], [108, 70], [124, 70], [142, 49]),
  ...coil({ tone: 'standing', x: 142, y: 60, radius: 11, pitch: 14, turns: 4 }),
];
const bloodTag = (arrow: boolean): Piece[] => [
  strand('standing', 8, [198, 49], [212, 38], [200, 16], [160, 10], [128, 24], [120, 44]),
  { ...strand('standing', 4, [120, 44], [118, 62], [120, 84], [124, 108]), moves: arrow },
];
const SWAP = { standing: 'second' } as const;

const blood: KnotStep[] = [
  { say: 'Lay the two ends across each other, 15 cm over.', pieces: overlap },
  {
    say: 'Wind one end four times round the other line.',
    pieces: [
      ...bloodHalf,
      strand('second', CORE, [236, 60], [180, 60], [148, 60]),
      strand('second', 6, [148, 60], [130, 50], [98, 50], [40, 72]),
      moving('standing', 8, [198, 49], [208, 40], [214, 28]),
    ],
  },
  {
    say: 'Its tag back, down through the gap between the lines.',
    pieces: [
      ...bloodHalf,
      ...bloodTag(true),
      strand('second', CORE, [236, 60], [180, 60], [148, 60]),
      strand('second', 6, [148, 60], [130, 50], [98, 50], [40, 72]),
    ],
  },
  {
    say: 'The other end likewise; its tag comes up through the same gap.',
    pieces: [...bloodHalf, ...bloodTag(false), ...turned([...bloodHalf, ...bloodTag(true)], SWAP)],
  },
  {
    say: 'Wet it, pull both lines: the turns slide together. Trim.',
    pieces: [
      strand('standing', CORE, [4, 60], [60, 60], [116, 60]),
      strand('second', CORE, [236, 60], [180, 60], [124, 60]),
      ...coil({ tone: 'standing', x: 124, y: 60, radius: 11, pitch: 9.5, turns: 4 }),
      ...turned(coil({ tone: 'standing', x: 124, y: 60, radius: 11, pitch: 9.5, turns: 4 }), SWAP),
      strand('standing', 8, [121, 58], [121, 76], [125, 92]),
      strand('second', 8, [119, 62], [119, 44], [115, 28]),
    ],
  },
];

/** The left line's end turned back over both lines and wound inside its own loop. */
const uniHalf = (reach: number): Piece[] => [
  strand('standing', CORE, [4, 54], [60, 54], [130, 54]),
  strand(
    'standing',
    8,
    [130, 54],
    [reach - 14, 52],
    [reach, 32],
    [reach - 36, 16],
    [100, 18],
    [76, 30],
    [80, 44],
  ),
  ...coil({ tone: 'standing', x: 80, y: 60, radius: 16, pitch: 15, turns: 4 }),
  moving('standing', 8, [140, 44], [148, 40], [reach - 24, 36]),
];
/** Drawn down to a barrel round the other line. */
const uniBarrel = (x: number, tag: boolean): Piece[] => [
  strand('standing', CORE, [4, 57], [60, 57], [x + 40, 57]),
  ...coil({ tone: 'standing', x, y: 60, radius: 12, pitch: 9, turns: 4 }),
  ...(tag ? [strand('standing', 8, [x + 36, 48], [x + 42, 40], [x + 46, 32])] : []),
];

const doubleUni: KnotStep[] = [
  { say: 'Lay the two ends across each other, 20 cm over.', pieces: overlap },
  {
    say: 'Turn one end back to a loop; four turns inside it, round both lines.',
    pieces: [strand('second', CORE, [236, 66], [140, 66], [34, 66]), ...uniHalf(196)],
  },
  {
    say: 'Wet it and draw that end down to a barrel.',
    pieces: [strand('second', CORE, [236, 63], [140, 63], [34, 63]), ...uniBarrel(70, true)],
  },
  {
    say: 'The same with the other end, the other way round.',
    pieces: [...uniBarrel(14, true), ...turned(uniHalf(172), SWAP)],
  },
  {
    say: 'Pull the two lines: the barrels slide together. Trim.',
    pieces: [...uniBarrel(80, true), ...turned(uniBarrel(80, true), SWAP)],
  },
];

const tube = (fromX: number, toX: number): Piece => ({
  tone: 'aid',
  height: CORE - 1,
  moves: false,
  path: `M${fromX} 52 H${toX} V68 H${fromX} Z`,
});
const flyLineEnd: Piece = strand('second', CORE, [4, 76], [80, 76], [178, 76]);

const nail: KnotStep[] = [
  {
    say: 'Fly line, a thin tube and the butt of the leader side by side.',
    pieces: [flyLineEnd, tube(40, 214), moving('standing', CORE, [236, 44], [140, 44], [48, 44])],
  },
  {
    say: 'Turn the butt back and wind it six times round all three.',
    pieces: [
      flyLineEnd,
      tube(40, 214),
      strand('standing', CORE, [236, 46], [140, 46], [64, 46]),
      strand('standing', 8, [64, 46], [46, 44], [44, 34], [62, 32], [74, 38]),
      ...coil({ tone: 'standing', x: 74, y: 61, radius: 24, pitch: 14, turns: 6 }),
      moving('standing', 8, [158, 37], [176, 26], [198, 22]),
    ],
  },
  {
    say: 'Push its end through the tube, back under all the turns.',
    pieces: [
      flyLineEnd,
      tube(40, 214),
      strand('standing', CORE, [236, 46], [140, 46], [64, 46]),
      strand('standing', 8, [64, 46], [46, 44], [44, 34], [62, 32], [74, 38]),
      ...coil({ tone: 'standing', x: 74, y: 61, radius: 24, pitch: 14, turns: 6 }),
      strand('standing', 8, [158, 37], [190, 18], [226, 34], [222, 60], [206, 60]),
      moving('standing', 5, [206, 60], [120, 60], [18, 60]),
    ],
  },
  {
    say: 'Draw the tube out, wet it, pull both ends until the turns bite.',
    pieces: [
      strand('second', CORE, [4, 64], [80, 64], [160, 64]),
      strand('standing', CORE, [236, 58], [140, 58], [70, 58]),
      ...coil({ tone: 'standing', x: 76, y: 61, radius: 13, pitch: 10, turns: 6 }),
      strand('standing', 8, [76, 48], [68, 46], [60, 38]),
    ],
  },
];

const RING_Y = 60;
const tippetRing: KnotStep[] = [
  {
    say: 'Leader through the ring, five turns, tag through the loop at the ring: a clinch.',
    pieces: [
      ring(150, RING_Y, 12),
      strand('standing', CORE, [4, 56], [60, 56], [150, RING_Y]),
      strand('standing', 2, [150, RING_Y], [148, 84], [128, 86], [112, 58], [100, 45]),
      ...coil({ tone: 'standing', x: 100, y: 56, radius: 11, pitch: -14, turns: 4 }),
      strand('standing', 8, [44, 45], [32, 30], [50, 14], [92, 12], [120, 26], [128, 50]),
      moving('standing', 1, [128, 50], [128, 72], [124, 104]),
    ],
  },
  {
    say: 'Wet it, draw it down, trim.',
    pieces: [
      ring(120, RING_Y, 12),
      ...clinchDrawn(110, RING_Y, 'standing', 'standing'),
      strand('standing', 8, [53, 50], [48, 40], [40, 34]),
      moving('second', CORE, [236, 40], [180, 44], [124, RING_Y], [150, 88], [196, 92]),
    ],
  },
  {
    say: 'Tippet to the other side in the same way. New tippet goes on the ring, the leader keeps its length.',
    pieces: [
      ring(120, RING_Y, 12),
      ...clinchDrawn(110, RING_Y, 'standing', 'standing'),
      ...turned(clinchDrawn(110, RING_Y, 'standing', 'standing'), SWAP),
    ],
  },
];

export const JOINING_KNOTS = {
  'double-surgeon': surgeonSteps(2),
  'triple-surgeon': surgeonSteps(3),
  blood,
  'double-uni': doubleUni,
  nail,
  'tippet-ring': tippetRing,
} as const;
