import { Component, computed, ElementRef, inject, input, output, signal } from '@angular/core';
import type { Lineage, NewsItem, PlanVersion } from '@doceo/contract';
import { DateTime } from 'luxon';
import { MeasuredDirective } from '../../drawing/measured.directive';
import { valleyOf, type ValleyPool } from './valley-shape';
import { versionLabel, versionWords } from './version-words';

/** How a plan came about, as water over the months: streams that fork and join, a ring for each lesson taught. */
@Component({
  selector: 'doceo-valley',
  imports: [MeasuredDirective],
  templateUrl: './valley.component.html',
  styleUrl: './valley.component.css',
})
export class ValleyComponent {
  /** A label does not begin left of the picture, pixels: half its width. */
  protected readonly labelEdge = 64;
  readonly lineage = input.required<Lineage>();
  /** What waits, to be drawn where it happens. */
  readonly news = input<readonly NewsItem[]>([]);
  readonly chosen = input<string | null>(null);
  readonly opened = output<PlanVersion>();
  protected readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly widthPx = signal(820);
  private readonly nowMs = Date.now();

  protected readonly valley = computed(() =>
    valleyOf(this.lineage(), Math.max(330, this.widthPx()), this.nowMs, (ms) =>
      monthName(DateTime.fromMillis(ms, { zone: 'utc' })),
    ),
  );
  /** My streams end in a bead: I am here. */
  protected readonly beads = computed(() => this.valley().streams.filter(({ mine }) => mine));
  /** Dry beds from what waits to the stream it would run into. */
  protected readonly waits = computed(() => {
    const { streams, pools, nowX } = this.valley();
    return this.news().flatMap((item) => {
      const to = streams.find(({ planId }) => planId === item.planId);
      if (!to || (item.kind !== 'newer' && item.kind !== 'proposal')) return [];
      const from = streams.find(({ planId, ownerName }) => planId !== to.planId && ownerName === item.byName);
      const last = from && pools.filter(({ version }) => version.planId === from.planId).at(-1);
      if (!from || !last) return [];
      const x = Math.min(Math.max(last.x + last.rx, nowX - 60), nowX);
      return [
        { key: item.kind + item.planId, path: `M${x} ${from.y}Q${nowX + 14} ${from.y} ${nowX} ${to.y}` },
      ];
    });
  });
  /** Stones in the stream: somebody asked something. */
  protected readonly stones = computed(() =>
    this.news().flatMap((item) => {
      const stream = this.valley().streams.find(({ planId }) => planId === item.planId);
      return item.kind === 'question' && stream
        ? [{ key: item.commentId, x: this.valley().nowX - 34, y: stream.y }]
        : [];
    }),
  );

  protected label({ version }: ValleyPool): string {
    return versionLabel(version);
  }

  protected dayOf({ version }: ValleyPool): string {
    return DateTime.fromISO(version.at).toFormat('d LLL');
  }

  protected spoken(pool: ValleyPool): string {
    const { authorName, taught } = pool.version;
    const lessons = taught === 0 ? '' : `, ${taught} ${taught === 1 ? 'lesson' : 'lessons'} taught`;
    return `${versionWords(pool.version)}, ${authorName}, ${this.dayOf(pool)}${lessons}`;
  }

  protected isSeen({ version }: ValleyPool): boolean {
    return this.valley().streams.some(({ planId, seen }) => planId === version.planId && seen);
  }
}

/** A year begins with its number. */
function monthName(at: DateTime): string {
  return at.toFormat(at.month === 1 ? 'yyyy' : 'LLL');
}
