import { Component, computed, inject, type OnInit, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type SavedKit, type SavedLesson } from '@doceo/contract';
import {
  EMPTY_KIT,
  type Kit,
  type KitEntry,
  kitNeeds,
  type KitShort,
  type PlanBody,
  thingName,
} from '@doceo/core';
import { forkJoin, map, of, tap } from 'rxjs';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { OpenDocument } from '../../data/documents/open-document';
import { DayStore } from '../../data/lesson/day-store';
import { kitShorts } from '../../data/lesson/kit-shorts';
import { KitStore } from '../../data/lesson/kit-store';
import { kitName, priceText, shortText } from '../../data/lesson/kit-texts';
import { dayText } from '../../data/lesson/lesson-texts';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { DocumentToldComponent } from '../../shared/documents/document-told.component';
import { SaveStateComponent } from '../../shared/documents/save-state.component';
import { UndoRedoComponent } from '../../shared/documents/undo-redo.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { KitEntryComponent } from './kit-entry.component';
import { FetchingComponent } from '../../shared/fetching.component';

/** Things that no drill asks for, and a school has. */
const BESIDES = ['wading boots', 'wading belt', 'wading staff', 'thermometer', 'first-aid kit', 'whistle'];
/** So many lessons to come are looked at. */
const LOOKED_AT = 4;

/** The kit on hand, and what is short of it for the lessons to come. */
@Component({
  selector: 'doceo-kit-page',
  imports: [
    FetchingComponent,
    DocumentToldComponent,
    KitEntryComponent,
    NoSuchComponent,
    RouterLink,
    SaveStateComponent,
    TextFieldComponent,
    UndoRedoComponent,
  ],
  templateUrl: './kit.page.html',
  styleUrl: './kit.page.css',
})
export class KitPage implements OnInit {
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  private readonly store = inject(KitStore);
  private readonly teaching = inject(TeachingStore);
  private readonly opened = new OpenDocument<Kit>();
  protected readonly document = this.opened.document;
  protected readonly failed = this.opened.failed;
  protected readonly adding = signal('');
  protected readonly unnamed = signal(false);
  protected readonly badCurrency = signal(false);
  protected readonly kit = computed(() => this.document()?.value() ?? EMPTY_KIT);
  /** Names to choose from: what drills ask for, and what a school has besides. */
  protected readonly names = computed(() => {
    const gear = this.teaching
      .curriculum()
      .drills.all.flatMap((drill) => drill.gear.map(({ item }) => thingName(item)));
    return [...new Set([...gear, ...BESIDES])].sort((a, b) => a.localeCompare(b, 'en'));
  });
  private readonly coming = computed(() =>
    this.day
      .lessons()
      .filter(({ mine, startsAt }) => mine && Date.parse(startsAt) > this.day.now())
      .slice(0, LOOKED_AT),
  );
  private readonly plans = fetched(
    () => this.coming(),
    (lessons) =>
      lessons.length === 0
        ? of([])
        : forkJoin(lessons.map(({ id }) => this.client.call(api.lessons.plan, { params: { id } }))),
  );
  /** For each lesson to come: what is short, and things of which the kit says nothing. */
  protected readonly lessons = computed(() =>
    (this.plans.value() ?? []).flatMap(({ lessonId, body }) => {
      const lesson = this.coming().find(({ id }) => id === lessonId);
      if (!lesson) return [];
      const shorts = this.shortsOf(lesson, body);
      return [
        {
          ...{ id: lessonId, title: lesson.planTitle },
          day: dayText(lesson.startsAt, this.day.waterOf(lesson)?.water.timeZone ?? 'UTC'),
          short: shorts
            .filter(({ missing }) => missing > 0)
            .map((short) => ({
              ...{ key: `${short.item}/${short.of}`, name: kitName(short), text: shortText(short) },
              cost: short.cost === null ? '' : priceText(short.cost, this.kit().currency),
            })),
          unsaid: shorts.filter(({ have }) => have === null).map(({ item }) => item),
        },
      ];
    }),
  );
  /** The most that is short of a thing on any day, and what that costs in all. */
  protected readonly toBuy = computed(() => {
    const costs = new Map<string, number>();
    for (const { lessonId, body } of this.plans.value() ?? []) {
      const lesson = this.coming().find(({ id }) => id === lessonId);
      for (const { item, cost } of lesson ? this.shortsOf(lesson, body) : [])
        costs.set(item, Math.max(costs.get(item) ?? 0, cost ?? 0));
    }
    const sum = [...costs.values()].reduce((total, cost) => total + cost, 0);
    return sum > 0 ? priceText(sum, this.kit().currency) : null;
  });

  ngOnInit(): void {
    const toValue = ({ kit, version }: SavedKit): { value: Kit; version: number } => ({
      value: kit,
      version,
    });
    this.opened.open({
      key: 'draft.kit',
      load: () => this.client.call(api.kit.get).pipe(map(toValue)),
      save: (kit, baseVersion) =>
        this.client.call(api.kit.update, { body: { kit, baseVersion } }).pipe(
          tap((saved) => this.store.heard(saved.kit)),
          map(toValue),
        ),
    });
  }

  protected add(): void {
    const item = thingName(this.adding());
    this.unnamed.set(item === '');
    if (item === '') return;
    const entry: KitEntry = {
      ...{ item, count: 1, priceEach: null, lengthM: null, note: '' },
      ...{ rodFor: 'anybody', reelHand: 'either' },
    };
    this.edit((entries) => [...entries, entry]);
    this.adding.set('');
  }

  /** What the lessons to come ask for, none of each on hand yet, to be counted. */
  protected begin(): void {
    const items = new Set(
      (this.plans.value() ?? []).flatMap(({ body }) =>
        kitNeeds(this.teaching.curriculum(), body, []).map(({ item }) => item),
      ),
    );
    const all = items.size > 0 ? [...items] : ['rod', ...BESIDES];
    this.edit(() =>
      all.map((item): KitEntry => ({
        ...{ item, count: 0, priceEach: null, lengthM: null, note: '' },
        ...{ rodFor: 'anybody', reelHand: 'either' },
      })),
    );
  }

  protected put(at: number, entry: KitEntry): void {
    this.edit((entries) => entries.map((one, i) => (i === at ? entry : one)));
  }

  protected takeOut(at: number): void {
    this.edit((entries) => entries.filter((_, i) => i !== at));
  }

  protected setCurrency(text: string): void {
    const currency = text.trim().toUpperCase();
    this.badCurrency.set(!/^[A-Z]{3}$/.test(currency));
    if (!this.badCurrency()) this.document()?.edit((kit) => ({ ...kit, currency }));
  }

  private shortsOf(lesson: SavedLesson, plan: PlanBody): KitShort[] {
    return kitShorts(this.kit(), this.teaching.curriculum(), plan, lesson, this.day.studentsOf(lesson));
  }

  private edit(change: (entries: readonly KitEntry[]) => KitEntry[]): void {
    this.document()?.edit((kit) => ({ ...kit, entries: change(kit.entries) }));
  }
}
