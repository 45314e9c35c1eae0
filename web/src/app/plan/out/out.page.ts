import { Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, namesIn, type SavedLesson, withoutNames } from '@doceo/contract';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { Failures } from '../../data/api/failures';
import { UserStorage } from '../../data/device/user-storage';
import { download, downloadBlob, fileName } from '../../data/download';
import { DayStore } from '../../data/lesson/day-store';
import { dayText, spanText, timeText } from '../../data/lesson/lesson-texts';
import { PDF_MAKER } from '../../data/pdf';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { lessonCalendar } from './lesson-calendar';
import { namedPlaces } from './named-places';
import { PaperPictureComponent } from './paper-picture.component';
import { PlanLinkComponent } from './plan-link.component';
import { planMarkdown } from './plan-markdown';
import { type Paper, type PaperKind, planPaper } from './plan-papers';
import { type SheetDay, sheetOf } from './plan-sheet';
import { lessonsBesides } from '../../data/known/lessons-besides';
import { FetchingComponent } from '../../shared/fetching.component';

const PAPERS: { value: Paper; text: string }[] = [
  { value: 'A4', text: 'A4' },
  { value: 'LETTER', text: 'Letter' },
];
const SHEETS: { kind: PaperKind; name: string; what: string }[] = [
  { kind: 'desk', name: 'Desk card', what: 'Who does what when, what to say, the rigs' },
  { kind: 'student', name: 'Student card', what: 'What we do, the words, when one has it' },
  { kind: 'packing', name: 'Packing list', what: 'Gear, material and spares to tick off' },
];

/** A plan on its way out: on paper, as a file, behind a link. What names a student is told before anything leaves. */
@Component({
  selector: 'doceo-out-page',
  imports: [
    FetchingComponent,
    ChoiceFieldComponent,
    NoSuchComponent,
    PaperPictureComponent,
    PlanLinkComponent,
    RouterLink,
  ],
  templateUrl: './out.page.html',
  styleUrl: './out.page.css',
})
export class OutPage {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly day = inject(DayStore);
  private readonly session = inject(SessionStore);
  private readonly teaching = inject(TeachingStore);
  private readonly pdfOf = inject(PDF_MAKER);
  readonly id = input.required<string>();

  protected readonly papers = PAPERS;
  protected readonly sheets = SHEETS;
  protected readonly page = fetched(this.id, (id) => this.client.call(api.plans.get, { params: { id } }));
  protected readonly plan = this.page.value;
  protected readonly paper = inject(UserStorage).value<Paper>(
    'paper',
    /-(US|CA)$/.test(navigator.language) ? 'LETTER' : 'A4',
  );
  protected readonly making = signal(false);
  /** What could not be made, and why. */
  protected readonly unmade = signal('');
  /** Whether names are left out of what leaves, once one was warned of them. */
  protected readonly blank = signal(false);
  private readonly names = computed(() => this.day.students().map(({ student }) => student.name));
  protected readonly named = computed(() => {
    const plan = this.plan();
    if (!plan) return [];
    const { title, body } = plan;
    return namedPlaces(namesIn({ title, body }, this.names()), body);
  });
  protected readonly held = computed(() => this.named().length > 0 && !this.blank());

  constructor() {
    lessonsBesides(() => [{ planId: this.id() }]);
  }

  protected readonly lessons = computed(() =>
    this.day
      .lessons()
      .filter(({ planId }) => planId === this.id())
      .map((lesson) => ({ lesson, value: lesson.id, text: this.whenOf(lesson) })),
  );
  protected readonly days = computed(() => [
    { value: '', text: 'no day' },
    ...this.lessons().map(({ value, text }) => ({ value, text })),
  ]);
  /** The day that is printed along; the one in the strip when it is of this plan. */
  protected readonly lessonId = linkedSignal(() => {
    const shown = this.day.lesson()?.id;
    return this.lessons().find(({ value }) => value === shown)?.value ?? this.lessons().at(-1)?.value ?? '';
  });
  protected readonly lesson = computed(
    () => this.lessons().find(({ value }) => value === this.lessonId())?.lesson ?? null,
  );
  protected readonly sheet = computed(() => {
    const plan = this.plan();
    if (!plan) return null;
    const { title, body } = withoutNames({ title: plan.title, body: plan.body }, this.names());
    return sheetOf(
      { title, body },
      ...([this.teaching.curriculum(), this.session.units(), plan.ownerName, this.sheetDay()] as const),
    );
  });

  protected async savePaper(kind: PaperKind, name: string): Promise<void> {
    const sheet = this.sheet();
    if (!sheet) return;
    await this.hand(name, async () =>
      downloadBlob(
        fileName(`${sheet.title} ${kind}`, 'pdf'),
        await this.pdfOf(planPaper(sheet, kind, this.paper())),
      ),
    );
  }

  protected saveText(): void {
    const sheet = this.sheet();
    if (sheet) download(fileName(sheet.title, 'md'), planMarkdown(sheet), 'text/markdown');
  }

  protected async saveCalendar(): Promise<void> {
    const [lesson, sheet] = [this.lesson(), this.sheet()];
    if (!lesson || !sheet) return;
    await this.hand('The calendar entry', async () => {
      const { aim, light, from } = sheet;
      const water = this.day.waterOf(lesson)?.water ?? null;
      const shown = { ...lesson, planTitle: sheet.title };
      const text = await lessonCalendar({ lesson: shown, water, aim, light, from }, Date.now());
      download(fileName(`${sheet.title} ${lesson.startsAt.slice(0, 10)}`, 'ics'), text, 'text/calendar');
    });
  }

  protected saveFile(): void {
    const title = this.sheet()?.title ?? '';
    this.client
      .call(api.planFiles.make, { body: { ids: [this.id()], withoutNames: this.blank() } })
      .subscribe({
        next: ({ text, named }) => {
          if (named.length > 0) this.unmade.set(named.map(({ message }) => message).join('. '));
          else download(fileName(title, 'plans.json'), text, 'application/json');
        },
        error: this.failures.tell,
      });
  }

  private async hand(name: string, make: () => Promise<void>): Promise<void> {
    this.making.set(true);
    this.unmade.set('');
    try {
      await make();
    } catch {
      this.unmade.set(`${name} could not be written on this device. Try again with a network.`);
    } finally {
      this.making.set(false);
    }
  }

  private whenOf({ startsAt, lengthMin, waterName, ...rest }: SavedLesson): string {
    const zone = this.day.waterOf({ startsAt, lengthMin, waterName, ...rest })?.water.timeZone ?? 'UTC';
    return `${dayText(startsAt, zone)}, ${spanText(Date.parse(startsAt), lengthMin, zone)}, ${waterName}`;
  }

  private sheetDay(): SheetDay | null {
    const lesson = this.lesson();
    if (!lesson) return null;
    const zone = this.day.waterOf(lesson)?.water.timeZone ?? 'UTC';
    const sun = this.day.sunOf(lesson);
    const at = (ms: number | null): string => timeText(ms, zone);
    return {
      ...{ zone, startMs: Date.parse(lesson.startsAt), when: this.whenOf(lesson) },
      light: sun ? `Sun ${at(sun.sunriseMs)} to ${at(sun.sunsetMs)}, last light ${at(sun.duskMs)}` : '',
    };
  }
}
