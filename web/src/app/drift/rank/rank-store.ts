import { computed, inject, Injectable, signal } from '@angular/core';
import { type DriftScene, type DriftSetup, presentations, type WayRanked } from '@doceo/core';
import { catchError, EMPTY, filter, from, mergeMap, type Subscription, tap } from 'rxjs';
import { BenchRunner } from '../../workers/bench-runner';

/** A presentation with what it gives. */
export interface RankedWay extends WayRanked {
  /** Its place in the order of trying. */
  at: number;
}

/** Of these runs at once. */
const AT_ONCE = 2;

/** What would drift longer: many presentations of one scene, the best first, coming in as they are computed. */
@Injectable()
export class RankStore {
  private readonly runner = inject(BenchRunner);
  private readonly found = signal<RankedWay[]>([]);
  private work: Subscription | null = null;
  /** Where it counts to; zero before the first. */
  readonly tried = signal(0);
  readonly done = signal(0);
  readonly running = signal(false);
  /** The setup they belong to. */
  readonly scene = signal<DriftScene | null>(null);
  /** Of equals the simplest first: in that order they are tried. */
  readonly ways = computed(() =>
    [...this.found()].sort((a, b) => round(b.ranked.cleanM) - round(a.ranked.cleanM) || a.at - b.at),
  );

  start(setup: DriftSetup): void {
    this.stop();
    const ways = presentations(setup);
    this.scene.set(sceneOf(setup));
    this.found.set([]);
    this.tried.set(ways.length);
    this.done.set(0);
    this.running.set(ways.length > 0);
    this.work = from(ways)
      .pipe(
        mergeMap(
          (way, at) =>
            this.runner.runOfMany('rank', setup, way).pipe(
              // One that cannot be computed is left out; the others stand.
              catchError(() => EMPTY),
              tap({ complete: () => this.done.update((done) => done + 1) }),
              filter((ranked) => ranked !== null),
              tap((ranked) => this.found.update((list) => [...list, { way, ranked, at }])),
            ),
          AT_ONCE,
        ),
      )
      .subscribe({ complete: () => this.running.set(false) });
  }

  stop(): void {
    this.work?.unsubscribe();
    this.work = null;
    this.running.set(false);
  }
}

/** What of a setup the ranking depends on. */
export function sceneOf({
  lanes,
  blendM,
  lieM,
  outM,
  rodM,
  slackShare,
  durationS,
  from,
}: DriftSetup): DriftScene {
  return { lanes, blendM, lieM, outM, rodM, slackShare, durationS, from };
}

const round = (metres: number): number => Math.round(metres * 50) / 50;
