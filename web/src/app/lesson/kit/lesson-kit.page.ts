import { Component, computed, inject, input, type OnInit, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { MIN_HOURS, rigUses, tanglesPerHour } from '@doceo/core';
import { unparse } from 'papaparse';
import { SessionStore } from '../../data/session';
import { DayStore } from '../../data/lesson/day-store';
import { UserStorage } from '../../data/device/user-storage';
import { download, fileName } from '../../data/download';
import { kitShorts } from '../../data/lesson/kit-shorts';
import { KitStore } from '../../data/lesson/kit-store';
import { kitName, priceText, shortText } from '../../data/lesson/kit-texts';
import { packingAmount, packingLines, packingSpares, type PackingLine } from '../../data/lesson/packing';
import { dayText } from '../../data/lesson/lesson-texts';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { NoSuchLessonComponent } from '../../shared/lesson/no-such-lesson.component';
import { taughtIn } from '../../data/lesson/taught';
import { OnePageDirective } from '../../parts/one-page.directive';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { lessonsById, lessonWith } from '../../data/known/lessons-besides';

interface Line extends PackingLine {
  key: string;
}

/** What to pack for a lesson: gear of its drills, material, flies and shot of its rigs, with spares; ticked off as it is packed. */
@Component({
  selector: 'doceo-lesson-kit',
  imports: [FetchingComponent, OnePageDirective, LoadFailedComponent, NoSuchLessonComponent, RouterLink],
  templateUrl: './lesson-kit.page.html',
  styleUrl: './lesson-kit.page.css',
})
export class LessonKitPage implements OnInit {
  private readonly teaching = inject(TeachingStore);
  private readonly storage = inject(UserStorage);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  private readonly kits = inject(KitStore);
  readonly id = input.required<string>();
  private readonly found = lessonWith(this.id);
  protected readonly lesson = this.found.lesson;
  protected readonly looked = this.found.looked;
  private readonly taught = taughtIn(() => this.lesson());
  private readonly plan = computed(() => this.taught.value()?.plan ?? null);
  private readonly events = computed(() => this.taught.value()?.events ?? []);
  /** Those of which the group has entries: how long they were tells how often it gets into tangles. */
  private readonly before = lessonsById(() => [...new Set(this.events().map(({ lessonId }) => lessonId))]);
  protected readonly failed = this.taught.failed;
  private readonly ticked = signal<ReadonlySet<string>>(new Set());

  protected readonly leastHours = MIN_HOURS;
  protected readonly loaded = computed(() => this.plan() !== null && this.before() !== null);
  protected readonly when = computed(() => {
    const lesson = this.lesson();
    return lesson
      ? `${dayText(lesson.startsAt, this.day.waterOf(lesson)?.water.timeZone ?? 'UTC')}, ${lesson.waterName}`
      : '';
  });
  protected readonly students = computed(() =>
    this.day.studentsOf(this.lesson()).map(({ id, student }) => ({
      name: student.name,
      tanglesPerHour: tanglesPerHour(this.events(), id, (lessonId) => this.hoursOf(lessonId)),
    })),
  );
  protected readonly uses = computed(() => {
    const body = this.plan()?.body;
    return body ? rigUses(body, this.students()) : [];
  });
  protected readonly lines = computed<Line[]>(() => {
    const body = this.plan()?.body;
    if (!body) return [];
    return packingLines(this.teaching.curriculum(), body, this.students(), this.session.units()).map(
      (line) => ({
        ...line,
        key: `${line.group}/${line.name}`,
      }),
    );
  });
  protected readonly groups = computed(() =>
    [...new Set(this.lines().map(({ group }) => group))].map((name) => ({
      name,
      lines: this.lines().filter(({ group }) => group === name),
    })),
  );
  protected readonly packed = computed(() => this.lines().filter(({ key }) => this.isTicked(key)).length);

  protected readonly saidKit = computed(() => this.kits.kit().entries.length > 0);
  protected readonly shorts = computed(() => {
    const [lesson, body] = [this.lesson(), this.plan()?.body];
    if (!lesson || !body) return [];
    return kitShorts(
      ...([this.kits.kit(), this.teaching.curriculum(), body, lesson, this.day.studentsOf(lesson)] as const),
    )
      .filter(({ missing }) => missing > 0)
      .map((short) => ({
        ...{ key: `${short.item}/${short.of}`, name: kitName(short), text: shortText(short) },
        cost: short.cost === null ? '' : priceText(short.cost, this.kits.kit().currency),
      }));
  });

  ngOnInit(): void {
    this.ticked.set(new Set(JSON.parse(this.storage.get(this.storeKey()) ?? '[]') as string[]));
  }

  protected again(): void {
    this.taught.again();
  }

  protected isTicked(key: string): boolean {
    return this.ticked().has(key);
  }

  protected tick(key: string): void {
    const ticked = new Set(this.ticked());
    if (!ticked.delete(key)) ticked.add(key);
    this.ticked.set(ticked);
    this.storage.set(this.storeKey(), JSON.stringify([...ticked]));
  }

  protected amount(line: Line): string {
    return packingAmount(line, this.session.units());
  }

  protected spares(line: Line): string {
    return packingSpares(line, this.session.units());
  }

  protected saveCsv(): void {
    const rows = this.lines().map(({ group, name, count, unit, spares }) => ({
      group,
      name,
      count,
      unit,
      spares,
    }));
    download(
      fileName(`${this.lesson()?.planTitle ?? ''} kit`, 'csv'),
      unparse(rows, { newline: '\r\n' }),
      'text/csv',
    );
  }

  protected print(): void {
    window.print();
  }

  private hoursOf(lessonId: string): number {
    return (this.day.lessons().find(({ id }) => id === lessonId)?.lengthMin ?? 0) / 60;
  }

  private storeKey(): string {
    return `packed.${this.id()}`;
  }
}
