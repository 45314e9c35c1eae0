import { Component, computed, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api } from '@doceo/contract';
import { clockTime, type MergeSide, type PlanBody } from '@doceo/core';
import { DateTime } from 'luxon';
import { MessageService } from 'primeng/api';
import type { Observable } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { Failures } from '../../data/api/failures';
import { fetched } from '../../data/api/fetched';
import { DayStore } from '../../data/lesson/day-store';
import { firstName } from '../../data/lesson/lesson-texts';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { narrowWindow } from '../../parts/narrow';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { PlanCheckComponent } from '../check/plan-check.component';
import { planFound } from '../check/plan-found';
import { planInsight } from '../proposal/plan-insight';
import { USUAL_GOALS } from '../proposal/plan-proposal';
import { lanesOf } from '../timeline/lanes';
import { TimelineComponent } from '../timeline/timeline.component';
import { IslandComponent } from './island.component';
import { mergeState } from './merge-state';
import { RigsOverComponent } from './rigs-over.component';
import { WordsChangedComponent } from './words-changed.component';

/** Room that a question needs below its line, pixels. */
const ISLAND_PX = 142;

/** What somebody changed laid over a plan of mine: what comes is taken or left out, what both changed is settled. */
@Component({
  selector: 'doceo-merge-page',
  imports: [
    FetchingComponent,
    IslandComponent,
    LoadFailedComponent,
    PlanCheckComponent,
    RigsOverComponent,
    RouterLink,
    TimelineComponent,
    WordsChangedComponent,
  ],
  templateUrl: './merge.page.html',
  styleUrl: './merge.page.css',
})
export class MergePage {
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  private readonly failures = inject(Failures);
  private readonly messages = inject(MessageService);
  private readonly teaching = inject(TeachingStore);
  protected readonly narrow = narrowWindow();
  protected readonly session = inject(SessionStore);
  protected readonly day = inject(DayStore);
  /** A copy of mine whose origin moved on, or a proposal to a plan of mine. */
  readonly id = input<string>();
  readonly proposalId = input<string>();

  protected readonly incoming = fetched(
    () => ({ id: this.id(), proposalId: this.proposalId() }),
    ({ id, proposalId }) =>
      proposalId
        ? this.client.call(api.proposals.get, { params: { id: proposalId } })
        : this.client.call(api.versions.incoming, { params: { id: id ?? '' } }),
  );
  protected readonly state = mergeState(this.incoming.value, this.session.units);
  protected readonly selectedId = signal<string | null>(null);
  /** Whether a proposal is about to be declined, and with what word. */
  protected readonly declining = signal(false);
  protected readonly word = signal('');
  protected readonly busy = signal(false);

  protected readonly by = computed(() => firstName(this.incoming.value()?.byName ?? ''));
  protected readonly names = computed<Record<MergeSide, string>>(() => ({
    ...{
      mine: 'Mine',
      theirs: this.by() === firstName(this.session.user()?.name ?? '') ? 'The origin' : this.by(),
    },
    origin: this.incoming.value()?.base ? 'As it was' : 'As it is',
  }));
  protected readonly mine = computed(() => this.incoming.value()?.plan.body ?? null);
  protected readonly shown = computed<PlanBody | null>(() => this.state.plan()?.body ?? null);
  /** Questions that are asked at their block. A phone has no room beside the lanes: there all stand above. */
  protected readonly atBlocks = computed(() =>
    this.narrow() ? [] : this.state.questions().filter(({ blockId }) => blockId),
  );
  protected readonly above = computed(() =>
    this.state.questions().filter((question) => !this.atBlocks().includes(question)),
  );
  protected readonly islands = computed(() => {
    const px = new Map<string, number>();
    for (const { blockId } of this.atBlocks())
      if (blockId) px.set(blockId, (px.get(blockId) ?? 0) + ISLAND_PX);
    return px;
  });
  /** Rigs that are tied otherwise, both ways. */
  protected readonly rigs = computed(() => {
    const one = this.incoming.value();
    if (!one) return [];
    return one.theirs.body.rigs.flatMap(({ id, name, rig }) => {
      const mine = one.plan.body.rigs.find((other) => other.id === id);
      const touched = [
        ...this.state.parts().flatMap(({ paths }) => paths),
        ...this.state.questions().map(({ key }) => key),
      ];
      return mine && touched.some((path) => path.startsWith(`rigs/${id}`))
        ? [{ id, name, mine: mine.rig, theirs: rig }]
        : [];
    });
  });

  protected readonly lesson = computed(() =>
    this.day.lesson()?.planId === this.incoming.value()?.plan.id ? this.day.lesson() : null,
  );
  protected readonly zone = computed(() => this.day.waterOf(this.lesson())?.water.timeZone ?? 'UTC');
  protected readonly startMs = computed(() =>
    this.lesson() ? Date.parse(this.lesson()?.startsAt ?? '') : null,
  );
  protected readonly lanes = computed(() =>
    lanesOf(this.day.studentsOf(this.lesson()), this.shown()?.groupSize ?? 1),
  );
  protected readonly insight = planInsight({
    ...{ body: this.mine, shown: this.shown, curriculum: this.teaching.curriculum },
    lesson: computed(() => (this.lesson() ? this.day.planLesson() : null)),
    ...{ goals: signal(USUAL_GOALS), proposed: signal(null) },
  });
  protected readonly found = planFound({
    ...{ shown: this.shown, found: this.insight.problems, curriculum: this.teaching.curriculum },
    units: this.session.units,
  });
  /** Blocks of which something is taken. */
  protected readonly touched = computed(
    () =>
      new Set(
        this.state
          .parts()
          .filter(({ taken }) => taken)
          .flatMap(({ paths }) => paths.flatMap((path) => /^blocks\/([^/]+)/.exec(path)?.[1] ?? [])),
      ),
  );
  /** Blocks with something that waits. */
  protected readonly waiting = computed(
    () =>
      new Set(this.state.questions().flatMap(({ blockId, chosen }) => (blockId && !chosen ? [blockId] : []))),
  );
  protected readonly clock = computed(() => {
    const [start, zone] = [this.startMs(), this.zone()];
    return (minute: number): string =>
      start === null
        ? `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`
        : clockTime(start + minute * 60_000, zone);
  });

  /** Its fixes are for the plan itself, once it is merged. */
  protected readonly checkOnly = computed(() =>
    this.found.problems().map((problem) => ({ ...problem, fixes: [] })),
  );
  /** Where the first thing that waits is, by the clock or by name. */
  protected readonly firstOpen = computed(() => {
    const open = this.state.questions().find(({ chosen }) => chosen === null);
    const block = this.shown()?.blocks.find(({ id }) => id === open?.blockId);
    return block ? this.clock()(block.startMin) : (open?.what ?? '');
  });

  protected questionsAt(blockId: string) {
    return this.atBlocks().filter((one) => one.blockId === blockId);
  }

  protected dayText(at: string): string {
    return DateTime.fromISO(at).toFormat('d LLL');
  }

  protected merge(): void {
    const one = this.incoming.value();
    if (!one || this.state.open() > 0) return;
    const { proposalId, plan } = one;
    const body = {
      ...{ baseVersion: plan.version, theirsHash: one.theirsHash, choices: this.state.choices() },
      word: this.word(),
    };
    this.send(
      proposalId
        ? this.client.call(api.proposals.take, { params: { id: proposalId }, body })
        : this.client.call(api.versions.merge, { params: { id: plan.id }, body }),
      'Both are in the plan now. How it was before is kept in its versions.',
    );
  }

  /** Nothing of it: a proposal is declined, a copy stays as it is until its origin moves on again. */
  protected leave(): void {
    const one = this.incoming.value();
    if (!one) return;
    if (one.proposalId)
      this.send(
        this.client.call(api.proposals.decline, {
          ...{ params: { id: one.proposalId }, body: { word: this.word() } },
        }),
        `Declined; ${this.by()} is told.`,
      );
    else
      this.send(
        this.client.call(api.versions.pass, {
          ...{ params: { id: one.plan.id }, body: { theirsHash: one.theirsHash } },
        }),
        'Your copy stays as it is.',
      );
  }

  private send(call: Observable<unknown>, told: string): void {
    this.busy.set(true);
    call.subscribe({
      next: () => {
        this.messages.add({ severity: 'success', summary: told, life: 6000 });
        void this.router.navigate(['/plan', this.incoming.value()?.plan.id]);
      },
      error: (error: ApiError) => {
        this.busy.set(false);
        this.failures.tell(error);
        // Somebody was faster: what there is now is looked at anew.
        if (error.code === 'version-conflict') this.incoming.again();
      },
    });
  }
}
