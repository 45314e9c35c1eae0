import { Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@doceo/contract';
import {
  formatLength,
  formatSpeed,
  type PlanBody,
  type PlanRig,
  type Rig,
  rigEdits,
  rigFigures,
  rigProblems,
  runningOrder,
  waterOfPlace,
} from '@doceo/core';
import { rigFiguresInWords, rigProblemInWords } from '@doceo/texts';
import { finalize, switchMap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { Failures } from '../../data/api/failures';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import { DrawnWaters } from '../../data/lesson/drawn-waters';
import { myRigs } from '../../data/records/record-of';
import { ReadingStore } from '../../data/records/reading-store';
import { SessionStore } from '../../data/session';
import { Undoable } from '../../data/undoable';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { ProblemListComponent } from '../../parts/problem-list.component';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { RigDrawingComponent } from '../drawing/rig-drawing.component';
import { lessonsBesides } from '../../data/known/lessons-besides';

/** Depths that can be tried, metres. */
const SHALLOWEST_M = 0.2;
const DEEPEST_M = 6;
const STEP_M = 0.05;

/** The rig of a plan's block at the depth of its place: checked there, tied for it, beside a rig of mine. */
@Component({
  selector: 'doceo-plan-rig',
  imports: [
    FetchingComponent,
    ChoiceFieldComponent,
    LoadFailedComponent,
    NoSuchComponent,
    ProblemListComponent,
    RigDrawingComponent,
    RouterLink,
  ],
  templateUrl: './plan-rig.page.html',
  styleUrl: './plan-rig.page.css',
})
export class PlanRigPage {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly undoable = inject(Undoable);
  private readonly readings = inject(ReadingStore);
  private readonly drawn = inject(DrawnWaters);
  private readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  readonly planId = input.required<string>();
  readonly blockId = input.required<string>();

  protected readonly asked = fetched(this.planId, (id) =>
    this.client.call(api.plans.get, { params: { id } }),
  );
  protected readonly plan = this.asked.value;
  protected readonly block = computed(
    () => this.plan()?.body.blocks.find(({ id }) => id === this.blockId()) ?? null,
  );
  /** The rig as the plan has it. */
  protected readonly carried = computed(
    () => this.plan()?.body.rigs.find(({ id }) => id === this.block()?.rigId) ?? null,
  );
  /** What is done in the plan with this rig, each with its blocks: one of every student who does it. */
  private readonly rows = computed(() =>
    runningOrder(this.plan()?.body ?? { blocks: [] }).filter(
      ({ blocks: [first] }) => first.rigId === this.carried()?.id,
    ),
  );
  /** The blocks that are one with this one. */
  private readonly together = computed(
    () =>
      this.rows()
        .find(({ blocks }) => blocks.some(({ id }) => id === this.blockId()))
        ?.blocks.map(({ id }) => id) ?? [],
  );
  /** How many other things are done with it. */
  protected readonly others = computed(() => this.rows().length - 1);
  /** Where the lesson of this plan is, else where one is now. */
  private readonly saved = computed(() => {
    const lesson = this.day.lessons().find(({ planId }) => planId === this.planId());
    return this.day.waterOf(lesson ?? null) ?? this.day.water();
  });
  protected readonly water = computed(() => this.saved()?.water ?? null);
  /** The water of the block's place, as it is drawn. */
  protected readonly there = computed(() => {
    const [saved, block] = [this.saved(), this.block()];
    return saved && block ? waterOfPlace(this.drawn.of(saved.id, saved.water), block.place) : null;
  });
  protected readonly placeText = computed(() => {
    const [there, block] = [this.there(), this.block()];
    const name = this.water()?.name ?? '';
    if (!block) return '';
    if (block.place === 'anywhere') return 'This block has no place at a water.';
    const place = `The ${block.place.replace('-', ' ')} of ${name}`;
    if (!there) return `${place} is not drawn: nobody has said how deep it is.`;
    const units = this.session.units();
    return `${place}, as drawn in ${there.beat}: ${formatLength(there.depthM, units)} deep, ${formatSpeed(there.speedMs, units)}.`;
  });

  /** The rig as it is being looked at: as planned at first. */
  protected readonly rig = linkedSignal<Rig | null>(() => this.carried()?.rig ?? null);
  protected readonly changed = computed(() => this.rig() !== this.carried()?.rig);
  protected readonly known = computed(() => {
    const rig = this.rig();
    return rig && this.readings.known(rig, null);
  });
  protected readonly problems = computed(() => {
    const rig = this.known();
    return rig
      ? rigProblems(rig, { water: this.water() }).map((problem) =>
          rigProblemInWords(problem, this.session.units()),
        )
      : [];
  });

  protected readonly mine = myRigs();
  protected readonly besideId = signal('');
  protected readonly choices = computed(() => [
    { value: '', text: 'as it was planned' },
    ...(this.mine.value() ?? []).map(({ id, name }) => ({ value: id, text: name })),
  ]);
  /** What it is set beside: one of mine, or itself as it was planned. */
  protected readonly beside = computed(() => {
    const mine = this.mine.value()?.find(({ id }) => id === this.besideId());
    return mine ? this.readings.known(mine.rig, mine.studentId) : (this.carried()?.rig ?? null);
  });
  protected readonly figures = computed(() => {
    const [left, right] = [this.known(), this.beside()].map((rig) =>
      rig
        ? rigFiguresInWords(rigFigures(rig, this.water()?.rules.maxHooks ?? null), this.session.units())
        : [],
    );
    return (left ?? []).map(({ id, label, text }) => {
      const other = right?.find((figure) => figure.id === id)?.text ?? '–';
      return { id, label, text, other, differs: other !== text };
    });
  });

  protected readonly depth = { least: SHALLOWEST_M, most: DEEPEST_M, step: STEP_M };
  protected readonly putting = signal(false);

  constructor() {
    lessonsBesides(() => [{ planId: this.planId() }]);
    this.readings.load();
  }

  protected text(metres: number): string {
    return formatLength(metres, this.session.units());
  }

  protected tieFor(depthM: number): void {
    const rig = this.rig();
    if (rig && depthM !== rig.waterDepthM) this.rig.set(rigEdits.depth(rig, depthM));
  }

  protected asPlanned(): void {
    this.rig.set(this.carried()?.rig ?? null);
  }

  protected fix({ problemId, index }: { problemId: string; index: number }): void {
    const mended = this.problems().find(({ id }) => id === problemId)?.fixes[index]?.change;
    if (mended) this.rig.set(mended);
  }

  /** Puts the rig into the plan, for this block only or for all that fish it. */
  protected put(alone: boolean): void {
    const [rig, carried] = [this.rig(), this.carried()];
    if (!rig || !carried) return;
    const id = alone ? crypto.randomUUID() : carried.id;
    const own: PlanRig = {
      ...carried,
      id,
      name: alone ? `${carried.name}, ${this.text(rig.waterDepthM)}` : carried.name,
      rig,
    };
    const [before, together] = [this.plan()?.body, this.together()];
    this.save((body) => ({
      ...body,
      rigs: alone ? [...body.rigs, own] : body.rigs.map((one) => (one.id === id ? own : one)),
      blocks: body.blocks.map((block) => (together.includes(block.id) ? { ...block, rigId: id } : block)),
    }));
    if (before)
      this.undoable.told(`${own.name} is in the plan, tied for ${this.text(rig.waterDepthM)}`, () =>
        this.save((body) => ({ ...body, rigs: before.rigs, blocks: before.blocks })),
      );
  }

  private save(change: (body: PlanBody) => PlanBody): void {
    const params = { id: this.planId() };
    this.putting.set(true);
    this.client
      .call(api.plans.get, { params })
      .pipe(
        switchMap(({ title, body, version }) =>
          this.client.call(api.plans.update, {
            params,
            body: { title, body: change(body), baseVersion: version },
          }),
        ),
        finalize(() => this.putting.set(false)),
      )
      .subscribe({ next: (saved) => this.asked.update(() => saved), error: this.failures.tell });
  }
}
