import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import {
  type CoreError,
  headMass,
  type LoopCast,
  type LoopRun,
  type Point,
  type StrokeKind,
  strokeOf,
  type TipStroke,
  DEFAULT_LOOP,
} from '@doceo/core';
import { catchError, EMPTY, map, switchMap } from 'rxjs';
import { sameJson } from '../../data/same-json';
import { History, type Undoable } from '../../data/documents/history';
import { BenchRunner } from '../../workers/bench-runner';

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
export class LoopStore implements Undoable {
  private readonly runner = inject(BenchRunner);
  private readonly current = signal<LoopSettings>(DEFAULT);
  private readonly history = new History<LoopSettings>();
  private readonly last = signal<{ cast: Partial<LoopCast>; run: LoopRun } | null>(null);

  readonly stopped = signal<CoreError | null>(null);
  readonly preview = signal<Point[] | null>(null);
  readonly settings = computed<LoopSettings>(() => {
    const points = this.preview();
    return points ? { ...this.current(), kind: 'own', points } : this.current();
  });
  readonly canUndo = this.history.canUndo;
  readonly canRedo = this.history.canRedo;
  readonly stroke = computed<TipStroke>(() => strokeFor(this.settings()));
  readonly ran = this.last.asReadonly();

  constructor() {
    toObservable(computed(() => castFor(this.settings())))
      .pipe(
        switchMap((cast) =>
          this.runner.run('loop', cast).pipe(
            map((run) => ({ cast, run })),
            catchError((error: CoreError) => {
              this.stopped.set(error);
              return EMPTY;
            }),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe((ran) => {
        this.stopped.set(null);
        this.last.set(ran);
      });
  }

  /** Another stroke comes with its own speed. */
  choose(kind: StrokeKind): void {
    const { points, speedMs } = strokeOf(kind);
    this.edit({ kind, points, speedMs });
  }

  edit(change: Partial<LoopSettings>): void {
    const before = this.current();
    const after = { ...before, ...change };
    this.preview.set(null);
    if (sameJson(after, before)) return;
    this.history.keep(before);
    this.current.set(after);
  }

  undo(): void {
    this.current.set(this.history.back(this.current()) ?? this.current());
  }

  redo(): void {
    this.current.set(this.history.forth(this.current()) ?? this.current());
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
