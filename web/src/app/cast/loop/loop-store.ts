import { computed, Injectable } from '@angular/core';
import {
  headMass,
  type LoopCast,
  type Point,
  type StrokeKind,
  strokeOf,
  type TipStroke,
  DEFAULT_LOOP,
} from '@doceo/core';
import { benchRun } from '../../data/bench/bench-run';
import { BenchSettings } from '../../data/bench/bench-settings';

/** Length of head that a line's weight is told of, metres, and the rod that strokes are drawn for. */
const HEAD_M = 9.14;
const DEFAULT_ROD_M = 2.74;

export interface LoopSettings {
  kind: StrokeKind | 'own';
  /** Of a path of one's own. */
  points: Point[];
  lineM: number;
  rodM: number;
  weight: number;
  windMs: number;
  speedMs: number;
}

const DEFAULT: LoopSettings = {
  kind: 'straight',
  points: strokeOf('straight').points,
  lineM: 9,
  rodM: DEFAULT_ROD_M,
  weight: 5,
  windMs: 0,
  speedMs: strokeOf('straight').speedMs,
};

/** A cast on the bench: the tip's path and what it throws, with undo, and the run of it. */
@Injectable()
export class LoopStore extends BenchSettings<LoopSettings> {
  readonly settings = this.shown;
  readonly stroke = computed<TipStroke>(() => strokeFor(this.settings()));
  private readonly done = benchRun(
    'loop',
    () => castFor(this.settings()),
    (cast) => [cast],
  );
  readonly stopped = this.done.stopped;
  readonly ran = computed(() => {
    const done = this.done.ran();
    return done && { cast: done.of, run: done.result };
  });
  /** Whether the first cast is here, or will not come: nothing below it shows before, and nothing moves. */
  readonly begun = computed(() => this.ran() !== null || this.stopped());

  constructor() {
    super(DEFAULT);
  }

  /** Another stroke comes with its own speed. */
  choose(kind: StrokeKind): void {
    const { points, speedMs } = strokeOf(kind);
    this.edit({ kind, points, speedMs });
  }
}

/** The stroke of the settings: the chosen one with this speed, longer with a longer rod; or the path drawn. */
export function strokeFor({ kind, points, rodM, speedMs }: LoopSettings): TipStroke {
  const base = strokeOf(kind === 'own' ? 'straight' : kind);
  const longer = rodM / DEFAULT_ROD_M;
  const scaled = kind === 'own' ? points : base.points.map(({ x, y }) => ({ x: x * longer, y: y * longer }));
  return { ...base, points: scaled, speedMs };
}

function castFor(settings: LoopSettings): Partial<LoopCast> {
  return {
    stroke: strokeFor(settings),
    lineM: settings.lineM,
    massPerM: headMass(settings.weight) / HEAD_M,
    diameterM: DEFAULT_LOOP.diameterM * Math.sqrt(headMass(settings.weight) / headMass(5)),
    headWindMs: settings.windMs,
    tipHeightM: settings.rodM + 0.3,
  };
}
