import { Component, computed, inject, input, linkedSignal, output, signal, untracked } from '@angular/core';
import { type BankEvent, type DriftSetup, formatLength, rankTask, type WayRanked } from '@doceo/core';
import { BenchRecord } from '../../data/records/bench-record';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { presentationText } from '../../shared/drift/drift-texts';
import { KeptOnBenchComponent } from '../../shared/lesson/kept-on-bench.component';
import { RecordForComponent } from '../../shared/lesson/record-for.component';

/** A student puts three ways in order before he sees what they give: tapped one after the other, the longest first. */
@Component({
  selector: 'doceo-rank-quiz',
  imports: [KeptOnBenchComponent, RecordForComponent],
  template: `
    <doceo-record-for />
    @if (task(); as task) {
      <p class="small">
        {{ judged() ? told() : 'Which drifts longest? Tap the longest first, then the next.' }}
      </p>
      <ol>
        @for (one of shown(); track one.id) {
          <li>
            <button type="button" [disabled]="one.place > 0" (click)="tap(one.id)">
              <b class="figure place" [class.right]="one.right" [class.off]="one.right === false">{{
                one.place || ''
              }}</b>
              <span>{{ one.text }}</span>
              @if (judged()) {
                <b class="figure">{{ one.metres }}</b>
                <i class="bar"><i [style.width.%]="one.barPc"></i></i>
              }
            </button>
          </li>
        }
      </ol>
      <doceo-kept-on-bench [events]="kept()" />
      <div class="row">
        @if (judged()) {
          <button type="button" class="btn small go" (click)="again()">Three others</button>
          <button type="button" class="btn small" (click)="showBest()">Show the best</button>
        } @else if (said().length > 0) {
          <button type="button" class="btn small" (click)="said.set([])">Start over</button>
        }
        <button type="button" class="btn small" (click)="done.emit()">Back to the list</button>
      </div>
    } @else {
      <p class="small">
        Here too many drift alike: no three can be told apart. Draw a lie beyond faster water, or move it.
      </p>
      <button type="button" class="btn small" (click)="done.emit()">Back to the list</button>
    }
  `,
  styleUrl: './rank-quiz.component.css',
})
export class RankQuizComponent {
  private readonly record = inject(BenchRecord);
  private readonly session = inject(SessionStore);
  private readonly teaching = inject(TeachingStore);
  readonly setup = input.required<DriftSetup>();
  /** All ways that were computed. */
  readonly ways = input.required<readonly WayRanked[]>();
  readonly done = output();
  readonly chosen = output<WayRanked['way']>();

  private readonly round = signal(crypto.randomUUID() as string);
  /** What comes in while he thinks changes nothing: another round, or another drawing, does. */
  protected readonly task = computed(() => {
    this.setup();
    const seed = this.round();
    return untracked(() => rankTask(this.ways(), seed));
  });
  /** Ids in the order in which he tapped them. */
  protected readonly said = linkedSignal<unknown, string[]>({ source: this.task, computation: () => [] });
  protected readonly kept = linkedSignal<unknown, BankEvent[]>({ source: this.task, computation: () => [] });
  protected readonly judged = computed(() => this.said().length === this.task()?.order.length);
  private readonly right = computed(() => this.said().join() === this.task()?.order.join());
  private readonly best = computed(() =>
    this.task()?.ways.find(({ way }) => way.id === this.task()?.order[0]),
  );

  protected readonly shown = computed(() => {
    const { ways, order } = this.task() ?? { ways: [], order: [] };
    const units = this.session.units();
    const most = Math.max(...ways.map(({ ranked }) => ranked.cleanM), 0.1);
    return ways.map(({ way, ranked }) => {
      const place = this.said().indexOf(way.id) + 1;
      return {
        id: way.id,
        place,
        text: presentationText(way, this.setup(), units),
        right: this.judged() ? order[place - 1] === way.id : null,
        metres: formatLength(ranked.cleanM, units),
        barPc: (ranked.cleanM / most) * 100,
      };
    });
  });
  protected readonly told = computed(() => {
    const skill = this.teaching.curriculum().skills.get(this.task()?.skillId ?? '').name;
    return this.right()
      ? `In the right order. That shows: ${skill}.`
      : `Not in the right order yet (${skill}).`;
  });

  protected tap(id: string): void {
    this.said.update((said) => [...said, id]);
    const task = this.task();
    if (!task || !this.judged() || !this.record.canKeep()) return;
    void this.record
      .keepAttempts([{ skillId: task.skillId, good: this.right() }])
      .then((events) => this.kept.set(events));
  }

  protected showBest(): void {
    const best = this.best();
    if (best) this.chosen.emit(best.way);
  }

  protected again(): void {
    this.round.set(crypto.randomUUID());
  }
}
