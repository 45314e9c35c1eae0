import type { SavedBeat } from '@doceo/contract';
import { type Beat, deterministicId, type Piece, type PieceKind, type Point } from '@doceo/core';
import type { DemoWater } from './waters';

const round = (value: number): number => Math.round(value * 10) / 10;

/** A round shape, a little uneven so that it looks like water. */
export function oval(cx: number, cy: number, rx: number, ry: number, uneven = 0.08, corners = 28): Point[] {
  return Array.from({ length: corners }, (_, i) => {
    const turn = (i / corners) * 2 * Math.PI;
    const by = 1 + uneven * Math.sin(3 * turn + cx) + 0.5 * uneven * Math.cos(5 * turn);
    return { x: round(cx + rx * by * Math.cos(turn)), y: round(cy + ry * by * Math.sin(turn)) };
  });
}

/** A band along the stream between two edges that wind; it keeps inside of the beat. */
function band(from: number, to: number, top: (x: number) => number, bottom: (x: number) => number): Point[] {
  const count = Math.max(2, Math.round((to - from) / 3));
  const xs = Array.from({ length: count + 1 }, (_, i) => from + ((to - from) * i) / count);
  return [
    ...xs.map((x) => ({ x: round(x), y: round(top(x)) })),
    ...[...xs].reverse().map((x) => ({ x: round(x), y: round(bottom(x)) })),
  ];
}

function make(
  kind: PieceKind,
  name: string,
  shape: Point[],
  depthM: number | null = null,
  speedMs: number | null = null,
): Omit<Piece, 'id'> {
  return { kind, name, shape, depthM, speedMs };
}

const at = (x: number, y: number): Point[] => [{ x, y }];
const flat = (y: number) => (): number => y;

/** Where the water ends on either side of the Ford Pool. */
const fordLeft = (x: number): number => 11 - 4 * Math.exp(-(((x - 42) / 16) ** 2)) + 0.6 * Math.sin(x / 7);
const fordRight = (x: number): number => 34 + 4.5 * Math.exp(-(((x - 40) / 17) ** 2)) + 0.6 * Math.cos(x / 8);
const tongueTop = (x: number): number => 20.4 - 2.4 * Math.exp(-(((x - 40) / 15) ** 2));
const tongueBottom = (x: number): number => 24.6 - 0.6 * Math.sin(x / 9);

const glideLeft = (x: number): number => 9 + 1.2 * Math.sin(x / 12);
const glideRight = (x: number): number => 31 + 1.5 * Math.sin(x / 15 + 1);

const beckLeft = (x: number): number => 6 + 0.7 * Math.sin(x / 4);
const beckRight = (x: number): number => 9.4 + 0.6 * Math.sin(x / 3.4 + 1);

/** Two beats of each running water, from the upper to the lower one. */
const BEATS: Record<string, (Omit<Beat, 'id' | 'pieces'> & { pieces: Omit<Piece, 'id'>[] })[]> = {
  'River Ostrel': [
    {
      name: 'Ford Pool',
      lengthM: 76,
      widthM: 46,
      pieces: [
        make('open-bank', 'meadow bank', band(0, 76, flat(0), flat(23))),
        make('open-bank', 'sheep bank', band(0, 76, flat(23), flat(46))),
        make('run', 'margins', band(0, 76, fordLeft, fordRight), 0.45, 0.35),
        make('riffle', 'upper riffle', band(0, 22, fordLeft, fordRight), 0.3, 0.7),
        make(
          'head',
          'head',
          band(
            22,
            31,
            (x) => fordLeft(x) + 2,
            (x) => fordRight(x) - 3,
          ),
          0.7,
          0.6,
        ),
        make('pool', 'pool', oval(42, 22.5, 16, 11.5), 1.2, 0.22),
        make('pool', 'deep', oval(42, 23.5, 10.5, 7.5), 1.6, 0.18),
        make('run', 'tongue', band(18, 66, tongueTop, tongueBottom), 0.9, 0.95),
        make('eddy', 'eddy', oval(52, 14.5, 4.6, 3.2), 0.9, -0.15),
        make('tail-out', 'tail-out', band(58, 69, fordLeft, fordRight), 0.45, 0.5),
        make('riffle', 'lower riffle', band(69, 76, fordLeft, fordRight), 0.3, 0.8),
        make('trees', 'alders', oval(10, 4.4, 8.5, 3.6)),
        make('trees', 'alders', oval(27, 3.2, 5, 2.6)),
        make('boulder', 'boulder', at(27, 17)),
        make('boulder', 'boulder', at(20, 28.5)),
        make('boulder', 'boulder', at(63, 29)),
        make('entry', 'in', at(47, 40.8)),
        make('exit', 'out', at(60, 37.4)),
      ],
    },
    {
      name: 'Long Glide',
      lengthM: 110,
      widthM: 40,
      pieces: [
        make('open-bank', 'road bank', band(0, 110, flat(0), flat(20))),
        make('gravel-bar', 'gravel bar', band(0, 110, flat(20), flat(40))),
        make('run', 'glide', band(0, 110, glideLeft, glideRight), 0.5, 0.4),
        make(
          'run',
          'main current',
          band(
            0,
            110,
            (x) => glideLeft(x) + 4,
            (x) => glideLeft(x) + 12,
          ),
          1,
          0.8,
        ),
        make(
          'undercut',
          'undercut',
          band(
            36,
            64,
            (x) => glideLeft(x),
            (x) => glideLeft(x) + 2,
          ),
          0.9,
          0.25,
        ),
        make('pocket', 'behind the rock', oval(78, 24, 3.2, 1.8), 0.6, 0.1),
        make('tail-out', 'tail-out', band(96, 110, glideLeft, glideRight), 0.4, 0.55),
        make('trees', 'willows', oval(50, 3.6, 16, 3)),
        make('boulder', 'rock', at(74, 24)),
        make('hazard', 'weir', at(107, 12)),
        make('entry', 'in', at(20, 34)),
        make('exit', 'out', at(88, 34.5)),
      ],
    },
  ],
  'Fennick Beck': [
    {
      name: 'Alder pockets',
      lengthM: 34,
      widthM: 16,
      pieces: [
        make('open-bank', 'path', band(0, 34, flat(0), flat(8))),
        make('open-bank', 'wall side', band(0, 34, flat(8), flat(16))),
        make('riffle', 'beck', band(0, 34, beckLeft, beckRight), 0.2, 0.7),
        make('pocket', 'pocket', oval(6, 7.7, 1.5, 0.9), 0.4, 0.2),
        make('pocket', 'pocket', oval(14, 7.9, 1.8, 1), 0.5, 0.15),
        make('pocket', 'pocket', oval(23, 7.6, 1.6, 0.9), 0.45, 0.2),
        make(
          'undercut',
          'under the roots',
          band(27, 32, beckLeft, (x) => beckLeft(x) + 1),
          0.5,
          0.2,
        ),
        make('trees', 'alders', oval(9, 2.6, 7, 2.2)),
        make('trees', 'alders', oval(25, 2.4, 6, 2)),
        make('trees', 'alders', oval(17, 13.4, 9, 2.2)),
        make('boulder', 'boulder', at(4.2, 7.6)),
        make('boulder', 'boulder', at(11.8, 7.8)),
        make('boulder', 'boulder', at(21, 7.6)),
        make('entry', 'in', at(1.5, 4.6)),
        make('exit', 'out', at(32, 11.4)),
      ],
    },
    {
      name: 'Step pools',
      lengthM: 26,
      widthM: 16,
      pieces: [
        make('open-bank', 'green', band(0, 26, flat(0), flat(8))),
        make('open-bank', 'far side', band(0, 26, flat(8), flat(16))),
        make('riffle', 'beck', band(0, 26, beckLeft, beckRight), 0.2, 0.6),
        make('plunge', 'upper step', oval(6.5, 7.8, 2.8, 2.2), 0.9, 0.3),
        make('plunge', 'lower step', oval(17, 7.8, 3.4, 2.5), 1.1, 0.25),
        make('tail-out', 'lip', band(20.4, 23, beckLeft, beckRight), 0.3, 0.5),
        make('trees', 'rowan', oval(12, 13, 4, 2.2)),
        make('boulder', 'step', at(3.4, 7.6)),
        make('boulder', 'step', at(13.2, 8)),
        make('entry', 'in', at(9.5, 4.2)),
        make('exit', 'out', at(22.5, 4.4)),
      ],
    },
  ],
};

/** The beats that come with the waters of the valley. */
export function demoBeats(waters: readonly DemoWater[]): Omit<SavedBeat, 'version'>[] {
  return waters.flatMap(({ id: waterId, water }) =>
    (BEATS[water.name] ?? []).map(({ pieces, ...beat }) => {
      const id = deterministicId(`beat:${water.name}/${beat.name}`);
      return {
        id,
        waterId,
        beat: { id, ...beat, pieces: pieces.map((piece, i) => ({ id: `${piece.kind}-${i}`, ...piece })) },
      };
    }),
  );
}
