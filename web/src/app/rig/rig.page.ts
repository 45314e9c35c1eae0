import { Component, computed, inject, input, type OnDestroy, type OnInit, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, type SavedRig } from '@doceo/contract';
import {
  CoreError,
  formatLength,
  INDICATOR_SCHOOLS,
  type IndicatorSchool,
  indicatorOf,
  parseLength,
  type Rig,
  rigEdits,
  rigFigures,
  rigSnags,
  type ShotSchool,
  SHOT_SCHOOLS,
  xOfDiameter,
} from '@doceo/core';
import { MessageService } from 'primeng/api';
import { map } from 'rxjs';
import { ApiClient } from '../data/api-client';
import type { ApiError } from '../data/api-error';
import { DayStore } from '../data/day-store';
import { EditedDocument } from '../data/edited-document';
import { SessionStore } from '../data/session';
import { SaveStateComponent } from '../parts/save-state.component';
import { SnagListComponent } from '../parts/snag-list.component';
import { FigureListComponent } from './figure-list.component';
import { PutInPlanDialogComponent } from './put-in-plan-dialog.component';
import { RigDrawingComponent } from './rig-drawing.component';
import { RigTableComponent } from './rig-table.component';

interface RigValue {
  name: string;
  rig: Rig;
}

const SCHOOL_NAMES: Record<IndicatorSchool | ShotSchool, string> = {
  'one-and-half': '1.5 × depth',
  double: '2 × depth',
  suspended: 'suspended',
  'near-fly': 'near the fly',
  'above-knot': 'above a knot',
};
const SCHOOL_REASONS: Record<IndicatorSchool | ShotSchool, string> = {
  'one-and-half': 'Line enough for the fly to trail and still reach the bottom in water that runs.',
  double: 'More line for fast or deep water; in slow water it lies on the bottom.',
  suspended: 'The fly hangs at exactly the depth wanted, for slow water.',
  'near-fly': '10–15 cm above the fly: takes it down at once.',
  'above-knot': '15–30 cm above the fly and above a stopper knot: it cannot slide.',
};

/** The Rig bench: the drawing to scale, the parts, the figures and the snags, all of one rig. */
@Component({
  selector: 'doceo-rig-page',
  imports: [
    FormsModule,
    RouterLink,
    RigDrawingComponent,
    RigTableComponent,
    FigureListComponent,
    SnagListComponent,
    SaveStateComponent,
    PutInPlanDialogComponent,
  ],
  templateUrl: './rig.page.html',
  styleUrl: './rig.page.css',
  host: { '(window:keydown)': 'key($event)' },
})
export class RigPage implements OnInit, OnDestroy {
  private readonly client = inject(ApiClient);
  private readonly router = inject(Router);
  private readonly messages = inject(MessageService);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  readonly id = input.required<string>();

  protected readonly document = signal<EditedDocument<RigValue> | null>(null);
  protected readonly failed = signal<ApiError | null>(null);
  protected readonly preview = signal<Rig | null>(null);
  protected readonly selectedId = signal<string | null>(null);
  protected readonly depthWrong = signal<string | null>(null);
  protected readonly putting = signal(false);
  protected readonly indicatorSchools = INDICATOR_SCHOOLS;
  protected readonly shotSchools = SHOT_SCHOOLS;
  protected readonly schoolNames = SCHOOL_NAMES;
  protected readonly xSizes = [2, 3, 4, 5, 6, 7, 8];
  protected readonly shotMasses = [0, 0.1, 0.2, 0.3, 0.5, 0.8];

  protected readonly value = computed(() => this.document()?.value() ?? null);
  /** The rig as it would be after the drag under way. */
  protected readonly rig = computed(() => this.preview() ?? this.value()?.rig ?? null);
  protected readonly water = computed(() => this.day.water()?.water ?? null);
  protected readonly figures = computed(() =>
    this.rig()
      ? rigFigures(this.rig() as Rig, this.water()?.rules.maxHooks ?? null, this.session.units())
      : [],
  );
  protected readonly snags = computed(() =>
    this.rig() ? rigSnags(this.rig() as Rig, { water: this.water(), system: this.session.units() }) : [],
  );
  protected readonly tippetX = computed(() => xOfDiameter(this.rig()?.sections.at(-1)?.diameterM ?? 0));
  protected readonly shotGrams = computed(() => {
    const shot = this.rig()?.fittings.find((fitting) => fitting.kind === 'shot');
    return shot?.kind === 'shot' ? Math.round(shot.massKg * 1e5) / 100 : 0;
  });
  protected readonly hasIndicator = computed(() => Boolean(this.rig() && indicatorOf(this.rig() as Rig)));
  protected readonly reason = computed(() => SCHOOL_REASONS[this.rig()?.schools.indicator ?? 'one-and-half']);

  ngOnInit(): void {
    const id = this.id();
    const toValue = (saved: SavedRig): { value: RigValue; version: number } => ({
      value: { name: saved.name, rig: saved.rig },
      version: saved.version,
    });
    const document = new EditedDocument<RigValue>({
      key: `doceo.draft.rig.${id}`,
      load: () => this.client.call(api.rigs.get, { params: { id } }).pipe(map(toValue)),
      save: (value, baseVersion) =>
        this.client
          .call(api.rigs.update, { params: { id }, body: { ...value, baseVersion } })
          .pipe(map(toValue)),
    });
    document.load().subscribe({
      next: () => this.document.set(document),
      error: (error: ApiError) => this.failed.set(error),
    });
  }

  ngOnDestroy(): void {
    this.document()?.close();
  }

  protected put(rig: Rig): void {
    this.document()?.edit((value) => ({ ...value, rig }));
  }

  protected change(edit: (rig: Rig) => Rig): void {
    this.document()?.edit((value) => ({ ...value, rig: edit(value.rig) }));
  }

  protected rename(name: string): void {
    if (name.trim()) this.document()?.edit((value) => ({ ...value, name: name.trim() }));
  }

  protected length(metres: number): string {
    return formatLength(metres, this.session.units());
  }

  protected setDepth(text: string): void {
    try {
      const depthM = parseLength(text, this.session.units());
      if (depthM < 0.1 || depthM > 10)
        return this.depthWrong.set(`between ${this.length(0.1)} and ${this.length(10)}`);
      this.depthWrong.set(null);
      this.change((rig) => rigEdits.depth(rig, depthM));
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      this.depthWrong.set(`“${text}” is no depth`);
    }
  }

  protected school(indicator: IndicatorSchool): void {
    this.change((rig) => rigEdits.indicatorSchool(rig, indicator));
  }

  protected shotSchool(shot: ShotSchool): void {
    this.change((rig) => rigEdits.shotSchool(rig, shot));
  }

  protected tippet(x: number): void {
    this.change((rig) => rigEdits.tippet(rig, x));
  }

  protected flies(count: 1 | 2): void {
    this.change((rig) => rigEdits.flyCount(rig, count));
  }

  protected shot(grams: number): void {
    this.change((rig) => rigEdits.shotMass(rig, grams / 1000));
  }

  protected fix({ snagId, index }: { snagId: string; index: number }): void {
    const mended = this.snags().find(({ id }) => id === snagId)?.fixes[index]?.change;
    if (mended) this.put(mended);
  }

  protected copy(): void {
    const value = this.value();
    if (!value) return;
    const id = crypto.randomUUID();
    this.client
      .call(api.rigs.create, { body: { id, name: `${value.name}, copy`.slice(0, 80), rig: value.rig } })
      .subscribe(
        () =>
          void this.router
            .navigateByUrl('/rig', { skipLocationChange: true })
            .then(() => this.router.navigate(['/rig', id])),
      );
  }

  protected putDone(title: string | null): void {
    this.putting.set(false);
    if (title) this.messages.add({ severity: 'success', summary: `Put into “${title}”`, life: 4000 });
  }

  protected key(event: KeyboardEvent): void {
    const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
    if (typing || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
    event.preventDefault();
    if (event.shiftKey) this.document()?.redo();
    else this.document()?.undo();
  }
}
