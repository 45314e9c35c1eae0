import {
  afterNextRender,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  Injector,
  type OnDestroy,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { api } from '@doceo/contract';
import {
  canBeSeen,
  curriculumFaults,
  emptyLayer,
  type Entries,
  entriesOf,
  type EntryKind,
  type Layer,
  mergeLayers,
  withEntry,
  withoutEntry,
  withRetired,
} from '@doceo/core';
import { drillEffectText } from '@doceo/texts';
import { ApiClient } from '../data/api/api-client';
import { fetched } from '../data/api/fetched';
import { UserStorage } from '../data/device/user-storage';
import { EditedDocument } from '../data/documents/edited-document';
import { KeptSteps } from '../data/documents/kept-steps';
import { DayStore } from '../data/lesson/day-store';
import { TeachingStore } from '../data/teaching/teaching-store';
import { narrowWindow } from '../parts/narrow';
import { DocumentToldComponent } from '../shared/documents/document-told.component';
import { SaveStateComponent } from '../shared/documents/save-state.component';
import { UndoRedoComponent } from '../shared/documents/undo-redo.component';
import { type ChosenEntry, KIND_WORDS } from './chosen-entry';
import { DrillCardComponent } from './drill-card.component';
import { LayerClashComponent } from './layer-clash.component';
import { LayersPanelComponent } from './layers-panel.component';
import { DrillSheetComponent } from './sheets/drill-sheet.component';
import { FaultSheetComponent } from './sheets/fault-sheet.component';
import { TeachingQuestionComponent } from './sheets/question-sheet.component';
import { SkillSheetComponent } from './sheets/skill-sheet.component';
import { TeachingStreamsComponent, type Tie } from './streams/teaching-streams.component';
import { faultText } from './fault-text';
import { EntryListComponent, type NewEntry } from './entry-list.component';
import { TieQuestionComponent } from './tie-question.component';
import { type LayerSource, layerSource, type Whose } from './teaching-document';

/** What is taught: the skills as streams, and sheets of skills, faults, drills and questions. */
@Component({
  selector: 'doceo-teaching',
  imports: [
    DocumentToldComponent,
    DrillCardComponent,
    DrillSheetComponent,
    EntryListComponent,
    FaultSheetComponent,
    LayerClashComponent,
    LayersPanelComponent,
    RouterLink,
    SaveStateComponent,
    SkillSheetComponent,
    TeachingQuestionComponent,
    TeachingStreamsComponent,
    TieQuestionComponent,
    UndoRedoComponent,
  ],
  templateUrl: './teaching.page.html',
  styleUrl: './teaching.page.css',
})
export class TeachingPage implements OnDestroy {
  private readonly client = inject(ApiClient);
  private readonly storage = inject(UserStorage);
  private readonly kept = inject(KeptSteps);
  private readonly day = inject(DayStore);
  protected readonly store = inject(TeachingStore);

  private readonly injector = inject(Injector);
  private readonly narrow = narrowWindow();
  private readonly sheet = viewChild.required<ElementRef<HTMLElement>>('sheet');
  protected readonly kindWords = KIND_WORDS;
  protected readonly whose = signal<Whose>('own');
  protected readonly document = signal<EditedDocument<Layer> | null>(null);
  private source: LayerSource | null = null;
  protected readonly failed = signal(false);
  protected readonly chosen = signal<ChosenEntry | null>(null);
  protected readonly tie = signal<Tie | null>(null);

  protected readonly layer = computed(() => this.document()?.value() ?? emptyLayer());
  /** What is taught with the layer as it stands on the screen. */
  protected readonly curriculum = computed(() => this.store.curriculumWith(this.whose(), this.layer()));
  /** What lies below the layer. */
  protected readonly below = computed(() => this.store.curriculumWith(this.whose(), emptyLayer()));
  protected readonly circle = computed(() => this.store.teaching()?.circle ?? null);
  protected readonly editable = computed(() => this.whose() === 'own' || (this.circle()?.mayChange ?? false));
  protected readonly faults = computed(() => curriculumFaults(this.curriculum()));
  protected readonly blind = computed(
    () =>
      new Set(
        this.curriculum()
          .skills.all.filter(({ id }) => !canBeSeen(this.curriculum(), id))
          .map(({ id }) => id),
      ),
  );
  protected readonly blindNames = computed(() =>
    [...this.blind()].map((id) => this.curriculum().skills.get(id).name.toLowerCase()).join(', '),
  );
  protected readonly skill = computed(() => this.entry('skill'));
  protected readonly fault = computed(() => this.entry('fault'));
  protected readonly drill = computed(() => this.entry('drill'));
  protected readonly question = computed(() => this.entry('question'));
  protected readonly origin = computed(() => {
    const chosen = this.chosen();
    return chosen && this.curriculum().originOf(chosen.kind, chosen.id);
  });
  protected readonly originText = computed(() => {
    const origin = this.origin();
    if (!origin) return '';
    const name = (owner: string): string =>
      owner === 'own'
        ? 'mine'
        : owner === 'circle'
          ? (this.circle()?.name ?? 'of the circle')
          : 'as it ships';
    if (origin.retiredBy) return `${name(origin.owner)}, retired`;
    return origin.covers
      ? `${name(origin.owner)}, covers what ${origin.covers === 'shipped' ? 'ships' : 'the circle has'}`
      : name(origin.owner);
  });
  /** Whether this layer says something of the chosen entry, so that it can be put back. */
  protected readonly covered = computed(() => {
    const chosen = this.chosen();
    if (!chosen) return false;
    const inLayer = entriesOf(this.layer(), chosen.kind).some(({ id }) => id === chosen.id);
    return (
      (inLayer && this.below().originOf(chosen.kind, chosen.id) !== null) ||
      this.layer().retired.some(({ kind, id }) => kind === chosen.kind && id === chosen.id)
    );
  });
  /** What is told of the chosen entry by the check. */
  protected readonly told = computed(() =>
    this.faults()
      .filter(({ kind, id }) => kind === this.chosen()?.kind && id === this.chosen()?.id)
      .map((found) => faultText(found, this.curriculum())),
  );
  private readonly worked = fetched(
    () => this.day.students(),
    () => this.client.call(api.records.effects),
  );
  /** How well the chosen drill worked, in the instructor's own lessons. */
  protected readonly effect = computed(() => {
    const id = this.drill()?.id;
    const worked = this.worked.value();
    if (!id || !worked) return '';
    const found = worked.drills.find(({ drillId }) => drillId === id);
    if (!found) return 'Not done in a lesson yet.';
    return drillEffectText(found);
  });
  /** The skill whose drills, faults and questions are listed. */
  protected readonly aboutSkill = computed(
    () => this.skill()?.id ?? this.drill()?.trains[0]?.skillId ?? this.question()?.skillId ?? null,
  );
  constructor() {
    effect(() => {
      this.whose();
      untracked(() => this.openLayer());
    });
  }

  ngOnDestroy(): void {
    this.close();
  }

  protected openLayer(): void {
    this.close();
    this.failed.set(false);
    const circleId = this.whose() === 'circle' ? (this.circle()?.id ?? null) : null;
    this.source = layerSource(this.client, this.store, this.whose(), circleId);
    const document = new EditedDocument<Layer>(this.source, this.storage, this.kept);
    document.load().subscribe({
      next: () => this.document.set(document),
      error: () => this.failed.set(true),
    });
  }

  protected choose(kind: EntryKind, id: string): void {
    this.document()?.endRun();
    this.tie.set(null);
    this.chosen.set({ kind, id });
    // On a phone the sheet stands below all the rest.
    if (this.narrow())
      afterNextRender(() => this.sheet().nativeElement.scrollIntoView({ block: 'start' }), {
        injector: this.injector,
      });
  }

  /** What both began with, where two changed the same. */
  protected base(): Layer {
    return this.source?.at(this.document()?.baseVersion() ?? 0) ?? emptyLayer();
  }

  protected settle(layer: Layer, theirs: Layer): void {
    const base = this.base();
    this.document()?.settle(layer, (step) => mergeLayers(base, step, theirs).layer);
  }

  protected put<K extends EntryKind>(kind: K, entry: Entries[K]): void {
    this.document()?.edit((layer) => withEntry(layer, kind, entry), `${kind} ${entry.id}`);
  }

  protected retire(): void {
    const chosen = this.chosen();
    if (!chosen) return;
    this.document()?.edit((layer) =>
      this.below().originOf(chosen.kind, chosen.id) ||
      // Of what is not known yet it is kept, since something may name it.
      (this.worked.value()?.named.includes(chosen.id) ?? true)
        ? withRetired(layer, chosen.kind, chosen.id)
        : withoutEntry(layer, chosen.kind, chosen.id),
    );
    if (!this.curriculum().originOf(chosen.kind, chosen.id)) this.chosen.set(null);
  }

  protected putBack(): void {
    const chosen = this.chosen();
    if (!chosen) return;
    const own = entriesOf(this.layer(), chosen.kind).some(({ id }) => id === chosen.id);
    const isRetired = this.origin()?.retiredBy !== null;
    this.document()?.edit((layer) =>
      // What is this layer's own comes back as it was; what it covers shows again.
      own && isRetired && this.below().originOf(chosen.kind, chosen.id) === null
        ? {
            ...layer,
            retired: layer.retired.filter(({ kind, id }) => kind !== chosen.kind || id !== chosen.id),
          }
        : withoutEntry(layer, chosen.kind, chosen.id),
    );
  }

  protected pulled(tie: Tie): void {
    this.chosen.set({ kind: 'skill', id: tie.skillId });
    this.tie.set(this.editable() ? tie : null);
  }

  /** Ties the need, the other way round where that was asked. */
  protected tieIt(tie: Tie): void {
    const skill = this.curriculum().skills.get(tie.skillId);
    this.put('skill', { ...skill, needs: [...skill.needs, tie.needId] });
    this.tie.set(null);
  }

  protected takeLayer(layer: Layer): void {
    this.document()?.edit(() => layer);
  }

  protected takeEntries(taken: { kind: EntryKind; ids: readonly string[]; from: Layer }[]): void {
    this.document()?.edit((layer) =>
      taken.reduce(
        (into, { kind, ids, from }) =>
          entriesOf(from, kind)
            .filter(({ id }) => ids.includes(id))
            .reduce((now, entry) => withEntry(now, kind, entry as never), into),
        layer,
      ),
    );
  }

  protected added({ kind, entry }: NewEntry): void {
    this.put(kind, entry as never);
    this.choose(kind, entry.id);
  }

  private entry<K extends EntryKind>(kind: K): Entries[K] | null {
    const chosen = this.chosen();
    return chosen?.kind === kind
      ? ((this.shelf(kind).find(chosen.id) as Entries[K] | undefined) ?? null)
      : null;
  }

  private shelf(kind: EntryKind) {
    const { skills, faults, drills, questions } = this.curriculum();
    return { skill: skills, fault: faults, drill: drills, question: questions }[kind];
  }

  private close(): void {
    const document = this.document();
    if (!document) return;
    document.close();
    this.document.set(null);
  }
}
