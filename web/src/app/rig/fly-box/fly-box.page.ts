import { Component, computed, ElementRef, inject, type OnInit, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { api, type SavedFlyBox } from '@doceo/contract';
import {
  BOX_STAGES,
  type BoxCell,
  boxKey,
  type BoxKind,
  boxState,
  type BoxStage,
  calendarOf,
  COLOUR_FAMILIES,
  type FlyBox,
  HOOK_SIZES,
  MAX_OF_A_KIND,
  WANTED_OF_A_KIND,
  WEIGHT_CLASSES,
  type WeightClass,
  withFliesOf,
} from '@doceo/core';
import { DateTime } from 'luxon';
import { map } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { DayStore } from '../../data/lesson/day-store';
import { localDate } from '../../data/lesson/local-date';
import { OpenDocument } from '../../data/documents/open-document';
import { SaveStateComponent } from '../../shared/documents/save-state.component';
import { UndoRedoComponent } from '../../shared/documents/undo-redo.component';
import { FoodCalendarComponent } from '../../shared/fly-box/food-calendar.component';
import { COLOUR_WORDS, WEIGHT_WORDS } from '../../shared/fly-box/fly-words';
import { MONTHS } from '../../shared/fly-box/months';
import { type FlyPicture, FlyPictureComponent } from '../../drawing/fly-picture.component';
import { narrowWindow } from '../../parts/narrow';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { DocumentToldComponent } from '../../shared/documents/document-told.component';
import { NoSuchComponent } from '../../shared/no-such.component';

const STAGE_NAMES: Record<BoxStage, string> = {
  nymph: 'Nymphs and pupae',
  emerger: 'Emergers',
  adult: 'Adults',
  terrestrial: 'From the land, and drifting',
  streamer: 'Small fish and leeches',
};
const PICTURES: Record<BoxStage, FlyPicture> = {
  nymph: 'nymph',
  emerger: 'emerger',
  adult: 'adult',
  terrestrial: 'terrestrial',
  streamer: 'streamer',
};

interface Row {
  stage: BoxStage;
  hookSize: number;
  /** Name of the stage, on the first row of it. */
  title: string | null;
  picture: FlyPicture;
  cells: (BoxCell & { key: string; state: 'none' | 'spare' | 'gap' | 'one' | 'enough'; spoken: string })[];
}

const GAPS_SHOWN = 12;

/** The instructor's box against what a water's month asks for: sizes by weight and colour, stage by stage. */
@Component({
  selector: 'doceo-fly-box-page',
  imports: [
    ChoiceFieldComponent,
    DocumentToldComponent,
    FlyPictureComponent,
    FoodCalendarComponent,
    FormsModule,
    NoSuchComponent,
    RouterLink,
    SaveStateComponent,
    SegmentsComponent,
    UndoRedoComponent,
  ],
  templateUrl: './fly-box.page.html',
  styleUrl: './fly-box.page.css',
})
export class FlyBoxPage implements OnInit {
  private readonly client = inject(ApiClient);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly day = inject(DayStore);

  private readonly opened = new OpenDocument<FlyBox>();
  protected readonly document = this.opened.document;
  protected readonly failed = this.opened.failed;
  protected readonly selectedKey = signal<string | null>(null);
  private readonly chosenWater = signal<string | null>(null);
  private readonly chosenMonth = signal<number | null>(null);

  protected readonly months = MONTHS;
  protected readonly colours = COLOUR_FAMILIES;
  protected readonly colourWords = COLOUR_WORDS;
  protected readonly weights = WEIGHT_CLASSES.map((id) => ({ id, name: WEIGHT_WORDS[id] }));
  protected readonly weightChoices = this.weights.map(({ id, name }) => ({ value: id, text: name }));
  protected readonly narrow = narrowWindow();
  /** On a phone one weight is shown at a time. */
  protected readonly weight = signal<WeightClass>('floats');
  protected readonly shownWeights = computed(() =>
    this.narrow() ? this.weights.filter(({ id }) => id === this.weight()) : this.weights,
  );
  protected readonly wanted = WANTED_OF_A_KIND;

  /** The water chosen here, else that of the lesson, else the first. */
  protected readonly water = computed(
    () =>
      this.day.waters().find(({ id }) => id === this.chosenWater()) ??
      this.day.water() ??
      this.day.waters()[0] ??
      null,
  );
  /** The month chosen here, else that of the lesson, else this one. */
  protected readonly month = computed(() => {
    const lesson = this.day.lesson();
    const water = this.day.water()?.water;
    const date = lesson && water ? localDate(lesson.startsAt, water.timeZone) : DateTime.now().toISODate();
    return this.chosenMonth() ?? Number(date.slice(5, 7));
  });
  protected readonly monthName = computed(() => MONTHS[this.month() - 1]?.name ?? '');
  protected readonly calendar = computed(() => {
    const water = this.water()?.water;
    return water ? calendarOf(water) : [];
  });
  protected readonly state = computed(() =>
    boxState(this.document()?.value() ?? { flies: [] }, this.calendar(), this.month()),
  );
  protected readonly gaps = computed(() => this.state().gaps.slice(0, GAPS_SHOWN));
  protected readonly rows = computed<Row[]>(() => {
    const cells = new Map(this.state().cells.map((cell) => [boxKey(cell), cell]));
    return BOX_STAGES.flatMap((stage) => {
      const sizes = this.state()
        .cells.filter((cell) => cell.stage === stage)
        .map(({ hookSize }) => hookSize);
      if (sizes.length === 0) return [];
      const range = HOOK_SIZES.filter((size) => size >= Math.min(...sizes) && size <= Math.max(...sizes));
      return range.map((hookSize, i) => ({
        stage,
        hookSize,
        title: i === 0 ? STAGE_NAMES[stage] : null,
        picture: PICTURES[stage],
        cells: this.shownWeights().flatMap(({ id: weight }) =>
          COLOUR_FAMILIES.map((colour) => this.toCell(cells, { stage, hookSize, weight, colour })),
        ),
      }));
    });
  });
  protected readonly selected = computed(
    () =>
      this.rows()
        .flatMap(({ cells }) => cells)
        .find(({ key }) => key === this.selectedKey()) ?? null,
  );

  ngOnInit(): void {
    const toValue = ({ box, version }: SavedFlyBox): { value: FlyBox; version: number } => ({
      value: box,
      version,
    });
    this.opened.open({
      key: 'draft.fly-box',
      load: () => this.client.call(api.flyBox.get).pipe(map(toValue)),
      save: (box, baseVersion) =>
        this.client.call(api.flyBox.update, { body: { box, baseVersion } }).pipe(map(toValue)),
    });
  }

  protected readonly waters = computed(() =>
    this.day.waters().map(({ id, water }) => ({ value: id, text: water.name })),
  );

  protected chooseWater(id: string): void {
    this.chosenWater.set(id);
  }

  protected chooseMonth(month: number): void {
    this.chosenMonth.set(month);
  }

  protected put(kind: BoxKind, count: number): void {
    this.document()?.edit((box) => withFliesOf(box, kind, count));
  }

  protected describe({ hookSize, colour, weight, stage }: BoxKind): string {
    return `#${hookSize} ${COLOUR_WORDS[colour]} ${stage}, ${WEIGHT_WORDS[weight]}`;
  }

  /** Arrows move, plus and minus count, a digit says how many. */
  protected key(event: KeyboardEvent, cell: Row['cells'][number]): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (/^[0-9]$/.test(event.key)) this.put(cell, Number(event.key));
    else if (event.key === '+') this.put(cell, cell.count + 1);
    else if (event.key === '-' || event.key === 'Delete') this.put(cell, cell.count - 1);
    else if (!this.move(event.key, cell.key)) return;
    event.preventDefault();
  }

  /** Whether the key was one that moves to another cell. */
  private move(key: string, from: string): boolean {
    const step = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[key];
    if (!step) return false;
    const rows = this.rows();
    const row = rows.findIndex(({ cells }) => cells.some((cell) => cell.key === from));
    const column = rows[row]?.cells.findIndex((cell) => cell.key === from) ?? 0;
    const to = rows[row + (step[0] ?? 0)]?.cells[column + (step[1] ?? 0)];
    if (to) {
      this.selectedKey.set(to.key);
      this.element.querySelector<HTMLElement>(`[data-kind="${to.key}"]`)?.focus();
    }
    return true;
  }

  private toCell(cells: ReadonlyMap<string, BoxCell>, kind: BoxKind): Row['cells'][number] {
    const key = boxKey(kind);
    const cell = cells.get(key) ?? { ...kind, count: 0, foods: [], short: 0 };
    const asked = cell.foods.length > 0;
    const state = asked
      ? cell.count === 0
        ? 'gap'
        : cell.short > 0
          ? 'one'
          : 'enough'
      : cell.count > 0
        ? 'spare'
        : 'none';
    const spoken = `${this.describe(kind)}: ${cell.count}${asked ? `, wanted for ${cell.foods.join(', ')}` : ''}`;
    return { ...cell, key, state, spoken };
  }

  protected readonly most = MAX_OF_A_KIND;
}
