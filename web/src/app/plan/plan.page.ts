import {
  Component,
  computed,
  inject,
  input,
  type OnDestroy,
  type OnInit,
  signal,
  viewChild,
} from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, type SavedPlan, type SavedRig } from '@doceo/contract';
import {
  applyEdit,
  type Block,
  blockFromDrill,
  curriculumOf,
  type Drill,
  forWholeRow,
  gearList,
  nextStart,
  plainBlock,
  type PlanBody,
  type PlanEdit,
  type PlanUse,
  strandShares,
  textInUnits,
} from '@doceo/core';
import { STRAND_NAMES } from '@doceo/texts';
import { MessageService } from 'primeng/api';
import { ApiClient } from '../data/api/api-client';
import { Failures } from '../data/api/failures';
import type { ApiError } from '../data/api/api-error';
import { DayStore } from '../data/lesson/day-store';
import type { EditedDocument } from '../data/documents/edited-document';
import { dayText, callNamesOf, spanText } from '../data/lesson/lesson-texts';
import { SessionStore } from '../data/session';
import { LessonMoves } from './weeks/lesson-moves';
import { TitleFieldComponent } from '../parts/fields/title-field.component';
import type { Drag } from '../drawing/drag.directive';
import { KeysDialogComponent } from '../parts/dialogs/keys-dialog.component';
import { RuleCardDialogComponent } from '../shared/lesson/rule-card-dialog.component';
import { SaveStateComponent } from '../shared/documents/save-state.component';
import { SheetComponent } from '../parts/dialogs/sheet.component';
import { narrowWindow } from '../parts/narrow';
import { PlanCheckComponent } from './check/plan-check.component';
import { planFound } from './check/plan-found';
import { UndoRedoComponent } from '../shared/documents/undo-redo.component';
import { BlockInspectorComponent } from './block-inspector.component';
import { ConflictDialogComponent } from './sharing/conflict-dialog.component';
import { DrillShelfComponent } from './timeline/drill-shelf.component';
import { BlockWhyComponent } from './proposal/block-why.component';
import { PlanGoalsComponent } from './proposal/plan-goals.component';
import { planInsight } from './proposal/plan-insight';
import { PlanProposal } from './proposal/plan-proposal';
import { ProposalAsksComponent } from './proposal/proposal-asks.component';
import { ProposalBarComponent } from './proposal/proposal-bar.component';
import { ProposalPartsComponent } from './proposal/proposal-parts.component';
import { PlanBComponent } from './plan-b/plan-b.component';
import { PlanClipboard } from './plan-clipboard';
import { PlanDayComponent } from './plan-day.component';
import { PlanDocuments, type PlanValue } from './plan-document';
import { PlanSchoolsComponent } from './plan-schools.component';
import { withRig } from './plan-rig';
import type { PlainKind } from './plain-blocks';
import { PlanFactsComponent } from './plan-facts.component';
import { PLAN_KEYS } from './plan-keys';
import { PlanTalkComponent } from './sharing/plan-talk.component';
import { lanesOf } from './timeline/lanes';
import { TimelineComponent } from './timeline/timeline.component';
import { DocumentToldComponent } from '../shared/documents/document-told.component';
import { NoSuchComponent } from '../shared/no-such.component';
import { TeachingStore } from '../data/teaching/teaching-store';
import { EffectStore } from '../data/records/effect-store';
import { lessonsBesides } from '../data/known/lessons-besides';
import { FetchingComponent } from '../shared/fetching.component';

/** The plan on a timeline, its check beside it, the library below. */
@Component({
  selector: 'doceo-plan-page',
  imports: [
    FetchingComponent,
    BlockInspectorComponent,
    BlockWhyComponent,
    ConflictDialogComponent,
    DocumentToldComponent,
    DrillShelfComponent,
    FormsModule,
    KeysDialogComponent,
    NgTemplateOutlet,
    NoSuchComponent,
    PlanBComponent,
    PlanCheckComponent,
    PlanDayComponent,
    PlanFactsComponent,
    PlanGoalsComponent,
    PlanSchoolsComponent,
    PlanTalkComponent,
    ProposalAsksComponent,
    ProposalBarComponent,
    ProposalPartsComponent,
    RouterLink,
    RuleCardDialogComponent,
    SaveStateComponent,
    SheetComponent,
    TimelineComponent,
    TitleFieldComponent,
    UndoRedoComponent,
  ],
  templateUrl: './plan.page.html',
  styleUrl: './plan.page.css',
  providers: [PlanProposal],
  host: { '(window:keydown)': 'key($event)' },
})
export class PlanPage implements OnInit, OnDestroy {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly effects = inject(EffectStore);
  private readonly documents = inject(PlanDocuments);
  private readonly messages = inject(MessageService);
  private readonly router = inject(Router);
  protected readonly proposal = inject(PlanProposal);
  protected readonly clipboard = inject(PlanClipboard);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  readonly id = input.required<string>();

  private readonly timeline = viewChild(TimelineComponent);
  private readonly branch = viewChild(PlanBComponent);
  private readonly moves = inject(LessonMoves);
  protected readonly saved = signal<SavedPlan | null>(null);
  protected readonly document = signal<EditedDocument<PlanValue> | null>(null);
  protected readonly failed = signal<ApiError | null>(null);
  protected readonly selectedId = signal<string | null>(null);
  protected readonly narrow = narrowWindow();
  /** Whether the check is up on a phone. */
  protected readonly sheet = signal(false);
  protected readonly added = signal('');
  protected readonly preview = signal<PlanEdit | null>(null);
  protected readonly dialog = signal<'rules' | 'keys' | null>(null);
  protected readonly myRigs = signal<SavedRig[]>([]);
  protected readonly keys = PLAN_KEYS;
  protected readonly strandNames = STRAND_NAMES;

  protected readonly value = computed(() => this.document()?.value() ?? null);
  protected readonly mine = computed(() => this.saved()?.mine ?? false);
  /** Who made it, when that was not me. */
  protected readonly author = computed(() => {
    const saved = this.saved();
    return saved ? (saved.origin?.ownerName ?? (saved.mine ? null : saved.ownerName)) : null;
  });
  /** The plan as it would be after the drag under way, or as the machine proposes it. */
  protected readonly shown = computed<PlanBody | null>(() => {
    const body = this.proposal.plan() ?? this.value()?.body ?? null;
    const preview = this.preview();
    return body && preview ? applyEdit(this.teaching.curriculum(), body, preview) : body;
  });
  /** What is taught, as the plan reads it. */
  protected readonly own = computed(() => curriculumOf(this.teaching.curriculum(), this.shown() ?? {}));
  /** The lesson in the strip, when it is one of this plan. */
  protected readonly lesson = computed(() =>
    this.day.lesson()?.planId === this.id() ? this.day.lesson() : null,
  );
  protected readonly zone = computed(() => this.day.waterOf(this.lesson())?.water.timeZone ?? 'UTC');
  protected readonly startMs = computed(() =>
    this.lesson() ? Date.parse(this.lesson()?.startsAt ?? '') : null,
  );
  /** Whether it may be changed by hand: not while a proposal is shown. */
  protected readonly editable = computed(() => this.mine() && this.proposal.use() === null);
  private readonly planLesson = computed(() => (this.lesson() ? this.day.planLesson() : null));
  protected readonly insight = planInsight({
    body: computed(() => this.value()?.body ?? null),
    shown: this.shown,
    lesson: this.planLesson,
    curriculum: this.teaching.curriculum,
    goals: this.proposal.goals,
    proposed: this.proposal.outlook,
  });
  protected readonly groupStudents = computed(() => this.planLesson()?.students ?? []);
  protected readonly laneName = (lane: number): string => this.lanes()[lane]?.name ?? '';
  private readonly called = computed(() => callNamesOf(this.groupStudents()));
  protected readonly studentName = (id: string): string => this.called().get(id) ?? '';
  protected readonly found = planFound({
    shown: this.shown,
    found: this.insight.problems,
    curriculum: this.teaching.curriculum,
    units: this.session.units,
  });
  protected readonly selected = computed(
    () => this.shown()?.blocks.find(({ id }) => id === this.selectedId()) ?? null,
  );
  protected readonly shares = computed(() =>
    this.shown() ? strandShares(this.teaching.curriculum(), this.shown() as PlanBody) : [],
  );
  protected readonly gear = computed(() =>
    (this.shown() ? gearList(this.teaching.curriculum(), this.shown() as PlanBody) : []).map((one) => ({
      ...one,
      item: textInUnits(one.item, this.session.units()),
    })),
  );
  protected readonly lanes = computed(() =>
    lanesOf(this.day.studentsOf(this.lesson()), this.shown()?.groupSize ?? 1),
  );
  protected readonly when = computed(() => {
    const lesson = this.lesson();
    return lesson
      ? `${dayText(lesson.startsAt, this.zone())}, ${lesson.waterName}, ${spanText(Date.parse(lesson.startsAt), this.shown()?.lengthMin ?? 0, this.zone())}`
      : '';
  });

  constructor() {
    lessonsBesides(() => [{ planId: this.id() }]);
    const mine = computed(() => (this.mine() ? (this.value()?.body ?? null) : null));
    this.proposal.readyFor(mine, this.insight.day);
  }

  ngOnInit(): void {
    const document = this.documents.open(this.id(), (plan) => this.saved.set(plan));
    document.load().subscribe({
      next: () => this.document.set(document),
      error: (error: ApiError) => this.failed.set(error),
    });
    this.client
      .call(api.rigs.list)
      .subscribe({ next: (rigs) => this.myRigs.set(rigs), error: this.failures.tell });
    this.effects.load();
    this.day.loadHistory(true).subscribe({ error: this.failures.tell });
  }

  ngOnDestroy(): void {
    this.document()?.close();
  }

  protected edit(edit: PlanEdit): void {
    this.document()?.edit((value) => ({
      ...value,
      body: applyEdit(this.teaching.curriculum(), value.body, edit),
    }));
  }

  protected ask(use: PlanUse): void {
    const body = this.value()?.body;
    if (!body) return;
    this.selectedId.set(null);
    this.proposal.ask(use, body, this.insight.day());
  }

  /** A proposal becomes the plan; one undo brings back what was. */
  protected takeProposal(body: PlanBody): void {
    this.document()?.edit((value) => ({ ...value, body }));
    this.messages.add({
      severity: 'success',
      summary: 'Taken. Undo brings back what was.',
      life: 4000,
    });
  }

  /** An edit of the line that is open: what several students do alike changes for all of them. */
  protected editRow(edit: PlanEdit): void {
    this.edit(forWholeRow(this.found.order(), edit));
  }

  /** Letters of one run are undone together. */
  protected rename(title: string): void {
    this.document()?.edit((value) => ({ ...value, title }), 'title');
  }

  protected set(change: Partial<Omit<PlanBody, 'blocks'>>): void {
    this.edit({ kind: 'set', change });
  }

  protected addDrill(drill: Drill): void {
    if (!this.mine() || !this.value()) return;
    this.addBlock(blockFromDrill(drill, crypto.randomUUID(), nextStart(this.value()?.body as PlanBody)));
  }

  protected addPlain({ kind, title, minutes }: PlainKind): void {
    const startMin = nextStart(this.value()?.body as PlanBody);
    this.addBlock(plainBlock(kind, title, crypto.randomUUID(), startMin, minutes));
  }

  /** A drill dragged from the shelf: shown where it would land, put there when dropped. */
  protected dragDrill(drill: Drill, drag: Drag): void {
    if (!this.mine()) return;
    const place = this.timeline()?.positionAt(drag.x, drag.y) ?? null;
    const block = place ? blockFromDrill(drill, this.dragId, place.startMin, place.lane) : null;
    this.preview.set(block && drag.phase === 'move' ? { kind: 'add', block } : null);
    if (drag.phase === 'end' && block) this.addBlock(block);
    if (drag.phase === 'end') this.dragId = crypto.randomUUID();
  }

  protected copy(blocks: readonly Block[]): void {
    this.clipboard.copy(blocks);
    this.added.set(
      `${blocks[0]?.title ?? ''} is copied: Ctrl + V puts it at the end, here or in another plan`,
    );
  }

  protected paste(): void {
    const body = this.value()?.body;
    if (!body || !this.editable() || this.clipboard.blocks().length === 0) return;
    this.edit(this.clipboard.paste(body));
  }

  protected takeRig(rigId: string): void {
    const rig = this.myRigs().find(({ id }) => id === rigId);
    const [block, body] = [this.selected(), this.value()?.body];
    if (rig && block && body) this.edit(withRig(body, rig, block.id));
  }

  protected fix({ problemId, index }: { problemId: string; index: number }): void {
    const change = this.found.problems().find(({ id }) => id === problemId)?.fixes[index]?.change;
    if (!change) return;
    if (change.kind === 'edit') return this.edit(change.edit);
    if (change.kind === 'open') {
      if (change.what === 'rule-card') return this.dialog.set('rules');
      const to = { student: ['/record', change.id], rigs: ['/rig'], kit: ['/plan/kit'] }[change.what];
      void this.router.navigate(to);
      return;
    }
    if (change.kind === 'plan-b') return this.branch()?.makeFor(change.trigger, change.fromMin);
    const lesson = this.lesson();
    if (lesson?.mine) this.moves.shift(lesson, change.byMin);
  }

  protected takeCopy(): void {
    const id = crypto.randomUUID();
    this.client.call(api.plans.copy, { params: { id: this.id() }, body: { id } }).subscribe({
      next: () =>
        void this.router
          .navigateByUrl('/plan', { skipLocationChange: true })
          .then(() => this.router.navigate(['/plan', id])),
      error: (error: ApiError) => this.messages.add({ severity: 'error', summary: error.message }),
    });
  }

  protected key(event: KeyboardEvent): void {
    const typing =
      event.target instanceof HTMLInputElement ||
      event.target instanceof HTMLTextAreaElement ||
      event.target instanceof HTMLSelectElement;
    if (typing || !this.mine()) return;
    if (event.key === '?') this.dialog.set('keys');
    if ((event.ctrlKey || event.metaKey) && event.key === 'v') this.paste();
  }

  private dragId: string = crypto.randomUUID();

  private addBlock(block: ReturnType<typeof plainBlock>): void {
    this.edit({ kind: 'add', block });
    // On a phone the sheet would lie over the shelf one adds from.
    if (!this.narrow()) this.selectedId.set(block.id);
    this.added.set(`${this.found.marks().get(block.id)?.number ?? ''} ${block.title} is in the plan`);
  }
}
