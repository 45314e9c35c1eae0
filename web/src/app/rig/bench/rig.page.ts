import { Component, computed, inject, input, type OnDestroy, type OnInit, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { api, type SavedRig, writeRigFile } from '@doceo/contract';
import { formatLength, formatSpeed, type PlanBody, type Rig, rigFigures, rigProblems } from '@doceo/core';
import { rigProblemInWords } from '@doceo/texts';
import { map } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { Failures } from '../../data/api/failures';
import { DayStore } from '../../data/lesson/day-store';
import { download, fileName } from '../../data/download';
import { OpenDocument } from '../../data/documents/open-document';
import { timeText } from '../../data/lesson/lesson-texts';
import { ReadingStore } from '../../data/records/reading-store';
import { SessionStore } from '../../data/session';
import { TitleFieldComponent } from '../../parts/fields/title-field.component';
import { PutInPlanDialogComponent } from '../../shared/plan/put-in-plan-dialog.component';
import { SaveStateComponent } from '../../shared/documents/save-state.component';
import { ProblemListComponent } from '../../parts/problem-list.component';
import { UndoRedoComponent } from '../../shared/documents/undo-redo.component';
import { FigureListComponent } from '../figures/figure-list.component';
import { RigDrawingComponent } from '../drawing/rig-drawing.component';
import { RigMeasuresComponent } from '../figures/rig-measures.component';
import { RigSettingsComponent } from './rig-settings.component';
import { RigTableComponent } from '../table/rig-table.component';
import { TaperChartComponent } from '../figures/taper-chart.component';
import { DocumentToldComponent } from '../../shared/documents/document-told.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { FetchingComponent } from '../../shared/fetching.component';

/** How often words and figures follow a drag, milliseconds. */
const CALM_MS = 250;

interface RigValue {
  name: string;
  rig: Rig;
  /** Whose knots it has. */
  studentId: string | null;
}

/** The Rig bench: the drawing to scale, the parts, the figures and the problems, all of one rig. */
@Component({
  selector: 'doceo-rig-page',
  imports: [
    FetchingComponent,
    DocumentToldComponent,
    FigureListComponent,
    FormsModule,
    NoSuchComponent,
    PutInPlanDialogComponent,
    RigDrawingComponent,
    RigMeasuresComponent,
    RigSettingsComponent,
    RigTableComponent,
    RouterLink,
    SaveStateComponent,
    ProblemListComponent,
    TaperChartComponent,
    TitleFieldComponent,
    UndoRedoComponent,
  ],
  templateUrl: './rig.page.html',
  styleUrl: './rig.page.css',
})
export class RigPage implements OnInit, OnDestroy {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly router = inject(Router);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  private readonly readings = inject(ReadingStore);
  readonly id = input.required<string>();

  private readonly opened = new OpenDocument<RigValue>();
  protected readonly document = this.opened.document;
  protected readonly failed = this.opened.failed;
  protected readonly preview = signal<Rig | null>(null);
  private readonly calmPreview = signal<Rig | null>(null);
  private calming: ReturnType<typeof setTimeout> | null = null;
  protected readonly selectedId = signal<string | null>(null);
  protected readonly putting = signal(false);
  /** A plan with this rig; one that has it already gets this state of it. */
  protected readonly putIn = (body: PlanBody): PlanBody => {
    const { name, rig } = this.value()!;
    const others = body.rigs.filter(({ id }) => id !== this.id());
    return { ...body, rigs: [...others, { id: this.id(), name, rig }] };
  };

  protected readonly value = computed(() => this.document()?.value() ?? null);
  /** The rig as it would be after the drag under way. */
  protected readonly rig = computed(() => this.preview() ?? this.value()?.rig ?? null);
  /** The rig with what was measured of it. */
  protected readonly known = computed(() => this.measured(this.rig()));
  /** The same for all but the drawing, which follows a drag at every frame; words and figures a few times a second. */
  protected readonly calmRig = computed(() => this.calmPreview() ?? this.value()?.rig ?? null);
  protected readonly calmKnown = computed(() => this.measured(this.calmRig()));
  protected readonly water = computed(() => this.day.water()?.water ?? null);
  /** The place chosen on the Water stop; its depth stands in for the rig's own until the rig's is asked for. */
  protected readonly spot = this.day.spot;
  protected readonly ownDepth = signal(false);
  protected readonly spotText = computed(() => {
    const [spot, water, moment] = [this.spot(), this.water(), this.day.moment()];
    if (!spot || !water || !moment) return null;
    const units = this.session.units();
    const speed = spot.speedMs === null ? '' : `, ${formatSpeed(spot.speedMs, units)}`;
    return {
      place: `${spot.name}, ${water.name}, ${timeText(moment.atMs, water.timeZone)}`,
      figures: `${formatLength(spot.depthM, units)}${speed}`,
      own: formatLength(this.value()?.rig.waterDepthM ?? 0, units),
    };
  });
  protected readonly figures = computed(() =>
    this.calmKnown() ? rigFigures(this.calmKnown() as Rig, this.water()?.rules.maxHooks ?? null) : [],
  );
  protected readonly problems = computed(() =>
    this.calmKnown()
      ? rigProblems(this.calmKnown() as Rig, { water: this.water() }).map((problem) =>
          rigProblemInWords(problem, this.session.units()),
        )
      : [],
  );
  /** My other rigs, to be set beside this one. */
  protected readonly others = signal<SavedRig[]>([]);

  ngOnInit(): void {
    const id = this.id();
    this.readings.load();
    this.client.call(api.rigs.list).subscribe({
      next: (rigs) => this.others.set(rigs.filter((rig) => rig.id !== id)),
      error: this.failures.tell,
    });
    const toValue = (saved: SavedRig): { value: RigValue; version: number } => ({
      value: { name: saved.name, rig: saved.rig, studentId: saved.studentId },
      version: saved.version,
    });
    this.opened.open({
      key: `draft.rig.${id}`,
      load: () => this.client.call(api.rigs.get, { params: { id } }).pipe(map(toValue)),
      save: (value, baseVersion) =>
        this.client
          .call(api.rigs.update, { params: { id }, body: { ...value, baseVersion } })
          .pipe(map(toValue)),
    });
  }

  ngOnDestroy(): void {
    this.show(null);
  }

  /** Edits are made on the rig as measured; what was measured is kept elsewhere and stays out of the rig. */
  protected put(rig: Rig): void {
    this.document()?.edit((value) => ({
      ...value,
      rig: {
        ...rig,
        measured: value.rig.measured,
        waterDepthM: rig.waterDepthM === this.borrowedM() ? value.rig.waterDepthM : rig.waterDepthM,
      },
    }));
  }

  /** Whoever sets a depth wants that one. */
  protected setRig(rig: Rig): void {
    if (rig.waterDepthM !== this.value()?.rig.waterDepthM) this.ownDepth.set(true);
    this.put(rig);
  }

  protected show(preview: Rig | null): void {
    this.preview.set(preview);
    if (preview === null) this.calm();
    else this.calming ??= setTimeout(() => this.calm(), CALM_MS);
  }

  private calm(): void {
    if (this.calming !== null) clearTimeout(this.calming);
    this.calming = null;
    this.calmPreview.set(this.preview());
  }

  private borrowedM(): number | null {
    return this.ownDepth() ? null : (this.spot()?.depthM ?? null);
  }

  private measured(rig: Rig | null): Rig | null {
    const known = rig && this.readings.known(rig, this.value()?.studentId ?? null);
    return known && { ...known, waterDepthM: this.borrowedM() ?? known.waterDepthM };
  }

  /** Letters of one run are undone together. */
  protected rename(name: string): void {
    this.document()?.edit((value) => ({ ...value, name }), 'name');
  }

  protected fix({ problemId, index }: { problemId: string; index: number }): void {
    const mended = this.problems().find(({ id }) => id === problemId)?.fixes[index]?.change;
    if (mended) this.put(mended);
  }

  protected tieBy(studentId: string): void {
    this.document()?.edit((value) => ({ ...value, studentId: studentId || null }));
  }

  protected copy(): void {
    const value = this.value();
    if (!value) return;
    const id = crypto.randomUUID();
    this.client
      .call(api.rigs.create, { body: { ...value, id, name: `${value.name}, copy`.slice(0, 80) } })
      .subscribe({
        next: () =>
          void this.router
            .navigateByUrl('/rig', { skipLocationChange: true })
            .then(() => this.router.navigate(['/rig', id])),
        error: this.failures.tell,
      });
  }

  protected setBeside(other: string): void {
    if (other) void this.router.navigate(['/rig', this.id(), 'beside', other]);
  }

  protected saveFile(): void {
    const value = this.value();
    if (!value) return;
    const rig = this.readings.known(value.rig, null);
    download(fileName(value.name, 'rig.json'), writeRigFile(value.name, rig), 'application/json');
  }
}
