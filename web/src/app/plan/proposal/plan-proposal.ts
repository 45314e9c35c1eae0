import {
  computed,
  effect,
  inject,
  Injectable,
  type OnDestroy,
  type Signal,
  signal,
  untracked,
} from '@angular/core';
import {
  type Block,
  type Curriculum,
  type GoneDrill,
  type PlanBody,
  planChanges,
  type PlanChanges,
  type PlanDay,
  type PlanUse,
  type Score,
  type ScorePart,
  type ScoreWeights,
  takeChanges,
  taskFor,
  USUAL_BESIDES,
  USUAL_WEIGHTS,
  type WhyNot,
} from '@doceo/core';
import { goneText } from '@doceo/texts';
import type { Subscription } from 'rxjs';
import { UserStorage } from '../../data/device/user-storage';
import { type PlanRequest, sentCurriculum, type Standing } from '../../workers/plans/make-plans';
import type { Outlook } from '../../workers/plans/outlook';
import { PlanRunner } from '../../workers/plans/plan-runner';

/** So many changes are tried: about two seconds on a usual machine. */
const TRIES = 9000;

/** What an instructor likes in a plan: how much each wish counts, and what the plan is not about. */
export interface Goals {
  weights: ScoreWeights;
  besides: number;
}

/** The day a plan is asked for. */
type AskedDay = Omit<PlanDay, 'weights' | 'besides'>;

export const USUAL_GOALS: Goals = { weights: USUAL_WEIGHTS, besides: USUAL_BESIDES };

/** A plan that the machine proposes: shown over what there is, and taken, in part or whole, or left. */
@Injectable()
export class PlanProposal implements OnDestroy {
  private readonly runner = inject(PlanRunner);
  /** As this instructor set them last. */
  readonly goals = inject(UserStorage).value<Goals>('plan.goals', USUAL_GOALS);

  /** What was asked; null while nothing is. */
  readonly use = signal<PlanUse | null>(null);
  readonly running = signal(false);
  /** How far the search is, 0…1. */
  readonly share = signal(0);
  private readonly from = signal<{ plan: PlanBody; day: AskedDay } | null>(null);
  private readonly found = signal<{ plan: PlanBody; score: Score; outlook: Outlook | null } | null>(null);
  readonly before = signal<Standing | null>(null);
  /** Of blocks that are gone why, once the search has ended. */
  readonly whyGone = signal<ReadonlyMap<string, string> | null>(null);
  readonly none = signal<{ whyNot: WhyNot | null } | null>(null);
  readonly failed = signal<string | null>(null);
  /** Keys of the changes that are taken when not all are; null while parts are not being chosen. */
  readonly parts = signal<ReadonlySet<string> | null>(null);
  private readonly told = [this.found, this.before, this.whyGone, this.none, this.failed, this.parts];
  private work: Subscription | null = null;

  readonly score = computed(() => this.found()?.score ?? null);
  readonly changes = computed<PlanChanges | null>(() => {
    const [from, found] = [this.from(), this.found()];
    return from && found ? planChanges(from.plan, found.plan) : null;
  });
  /** The plan as it would be; null while there is none. */
  readonly plan = computed<PlanBody | null>(() => {
    const [from, found, parts] = [this.from(), this.found(), this.parts()];
    if (!from || !found) return null;
    return parts ? takeChanges(from.plan, found.plan, parts) : found.plan;
  });

  /** What came with the plan as it would be, for the lesson it was made for. */
  readonly outlook = computed(() => {
    const [from, found] = [this.from(), this.found()];
    return from && found && !this.parts()
      ? { plan: found.plan, lesson: from.day.lesson, outlook: found.outlook }
      : null;
  });

  ngOnDestroy(): void {
    this.work?.unsubscribe();
    this.runner.cool();
  }

  /** Gets ready to be asked about a plan as soon as there is one: then the first proposal is there at once. */
  readyFor(plan: Signal<PlanBody | null>, day: Signal<AskedDay>): void {
    effect(() => {
      const body = plan();
      if (body) untracked(() => this.runner.warm(this.request({ use: 'for-group' }, body, day())));
    });
  }

  /** Asks for a plan; what was shown of another goes. */
  ask(use: PlanUse, plan: PlanBody, day: AskedDay): void {
    this.work?.unsubscribe();
    this.use.set(use);
    this.from.set({ plan, day });
    for (const one of this.told) one.set(null);
    this.share.set(0);
    this.running.set(true);
    const isEnough = (): boolean => !this.running();
    this.work = this.runner.run(this.request(use, plan, day), isEnough).subscribe({
      next: (news) => {
        if ('share' in news) this.share.set(news.share);
        // Which parts are taken is chosen of what was shown: nothing better comes any more.
        if (news.kind === 'plan' && !this.parts())
          this.found.set({ ...news, plan: asTaken(use, plan, news.plan) });
        if (news.kind === 'end') {
          this.before.set(news.before);
          this.whyGone.set(goneTexts(news.gone, day.curriculum));
        }
        if (news.kind === 'none') this.none.set({ whyNot: news.whyNot });
      },
      error: (error: unknown) => {
        this.running.set(false);
        this.failed.set(error instanceof Error ? error.message : String(error));
      },
      complete: () => this.running.set(false),
    });
  }

  /** Other goals: the plan that is shown is made anew by them. */
  setGoals(change: { part: ScorePart | 'besides'; value: number }): void {
    const { part, value } = change;
    this.goals.update((goals) =>
      part === 'besides'
        ? { ...goals, besides: value }
        : { ...goals, weights: { ...goals.weights, [part]: value } },
    );
    this.again();
  }

  usualGoals(): void {
    this.goals.set(USUAL_GOALS);
    this.again();
  }

  /** The best that was found until now is kept; no more is looked for, and what is to be said of it comes. */
  stop(): void {
    this.running.set(false);
  }

  leave(): void {
    this.work?.unsubscribe();
    this.stop();
    this.use.set(null);
    this.from.set(null);
    for (const one of this.told) one.set(null);
  }

  /** Begins to choose what is taken: all of it at first. */
  chooseParts(keys: readonly string[]): void {
    this.parts.set(new Set(keys));
  }

  togglePart(key: string): void {
    const parts = new Set(this.parts());
    if (!parts.delete(key)) parts.add(key);
    this.parts.set(parts);
  }

  private again(): void {
    const [use, from] = [this.use(), this.from()];
    if (use && from) this.ask(use, from.plan, from.day);
  }

  private request(use: PlanUse, plan: PlanBody, day: AskedDay): PlanRequest {
    const { curriculum, ...task } = taskFor(plan, use, { ...day, ...this.goals() });
    const before: readonly Block[] = plan.blocks;
    const asked = { before, outlookFor: { lesson: day.lesson }, seed: 'plan', tries: TRIES };
    return { curriculum: sentCurriculum(curriculum), task, ...asked };
  }
}

function goneTexts(gone: readonly GoneDrill[], { skills }: Curriculum): Map<string, string> {
  const nameOf = (id: string): string => skills.find(id)?.name.toLowerCase() ?? id;
  return new Map(gone.flatMap((one) => one.blockIds.map((id) => [id, goneText(one, nameOf)] as const)));
}

/** With whom it was made: an assistant who was asked for is in the plan then. */
function asTaken(use: PlanUse, before: PlanBody, after: PlanBody): PlanBody {
  if (use.use !== 'with-assistant') return after;
  const { instructors = 1, assistants = 0 } = before.staff ?? {};
  return { ...after, staff: { instructors, assistants: assistants + 1 } };
}
