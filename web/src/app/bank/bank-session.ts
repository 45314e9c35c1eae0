import { computed, inject, Injectable, signal, untracked } from '@angular/core';
import { api, type LessonPlan, type SavedStudent } from '@doceo/contract';
import {
  type BankEvent,
  type BankEventBody,
  type Block,
  blockAt,
  blocksOfLane,
  curriculumOf,
  isAtHome,
  mainSkillOf,
  placeAt,
  placesOf,
  planNow,
  type PlanBody,
  activeEvents,
} from '@doceo/core';
import { forkJoin } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import { BankStore } from '../data/lesson/bank-store';
import { DayStore } from '../data/lesson/day-store';
import { LessonHistory } from '../data/records/lesson-history';
import { SessionStore } from '../data/session';
import { Group } from './group/group';
import { faultButtons, sideSkills } from './fault-buttons';
import { groupCount } from './group/group-count';
import { together } from './group/together';
import { whoseText } from './whose-text';
import { whyNotRecorded } from '../data/lesson/consent';
import { eventText } from '../data/lesson/event-text';
import { TeachingStore } from '../data/teaching/teaching-store';

type Entries = readonly Pick<BankEvent, 'body' | 'studentId' | 'blockId'>[];

/** Work of one lesson on the water: who, which block, what was logged. */
@Injectable()
export class BankSession {
  private readonly teaching = inject(TeachingStore);
  private readonly client = inject(ApiClient);
  private readonly store = inject(BankStore);
  private readonly day = inject(DayStore);
  private readonly history = inject(LessonHistory);
  private readonly session = inject(SessionStore);

  /** What the device has not kept yet. */
  private unkept: Promise<unknown> = Promise.resolve();

  readonly group = inject(Group);
  readonly lesson = this.day.lesson;
  readonly plan = signal<LessonPlan | null>(null);
  readonly failed = signal<ApiError | null>(null);
  private readonly all = signal<BankEvent[]>([]);
  private readonly known = new Set<string>();

  /** All events of this lesson, taken back ones too; what was done at home after it is no part of it. */
  readonly events = computed(() =>
    this.all().filter((event) => event.lessonId === this.lesson()?.id && !isAtHome(event)),
  );
  /** The plan of the day as it goes on now. */
  readonly now = computed(() => {
    const body = this.plan()?.body;
    return body ? planNow(body, this.events()) : null;
  });
  readonly places = computed(() => (this.now() ? placesOf(this.now() as PlanBody) : []));
  /** Minute of the plan at which the group is: where it was put, else by the clock. */
  readonly placeMinute = computed(() => {
    const kept = this.group.place().minute;
    const body = this.now();
    if (!body || (kept !== null && this.places().includes(kept))) return kept;
    return placeAt(body, this.minuteNow());
  });
  readonly placeNumber = computed(() => this.places().indexOf(this.placeMinute() ?? -1) + 1);
  /** Students by what they do at this place, those who stepped out with theirs; none while nobody has a block. */
  readonly parts = computed(() => {
    const parts = new Map<string, { block: Block | null; students: SavedStudent[] }>();
    for (const student of this.group.chosen()) {
      const block = this.blockOf(student.id);
      const key = JSON.stringify([block?.drillId ?? null, block?.title ?? null]);
      parts.set(key, { block, students: [...(parts.get(key)?.students ?? []), student] });
    }
    return [...parts.values()];
  });
  /** Whether those chosen do different things: then one part is chosen before anything is logged. */
  readonly split = computed(() => this.parts().length > 1);
  readonly block = computed<Block | null>(() => this.parts()[0]?.block ?? null);
  /** What comes after, for the one who is on. */
  readonly next = computed<Block | null>(() => {
    const [body, student] = [this.now(), this.group.student()];
    const from = this.block()?.startMin ?? this.placeMinute() ?? 0;
    return body && student
      ? (blocksOfLane(body, this.laneOf(student.id)).find(({ startMin }) => startMin > from) ?? null)
      : null;
  });
  /** The one student who is chosen and does something else than the plan says; null for all others. */
  readonly out = computed(() => {
    const student = this.group.student();
    return student && !this.group.several() && this.group.place().out[student.id] ? student : null;
  });
  /** What is taught, as the plan of the day reads it. */
  readonly curriculum = computed(() => {
    const [curriculum, body] = [this.teaching.curriculum(), this.now()];
    return body ? curriculumOf(curriculum, body) : curriculum;
  });
  readonly drill = computed(() => this.curriculum().drills.find(this.block()?.drillId ?? '') ?? null);
  readonly skill = computed(() => {
    const drill = this.drill();
    return drill ? this.curriculum().skills.get(mainSkillOf(drill)) : null;
  });

  /** Skills that the drill shows besides: one more tap each. */
  readonly sides = computed(() => sideSkills(this.curriculum(), this.drill()));

  /** Standing events of this lesson. */
  readonly today = computed(() => activeEvents(this.events()));
  /** Of them, those of whom a tap counts for. */
  private readonly own = computed(() => {
    const ids = new Set(this.group.chosen().map(({ id }) => id));
    return this.today().filter(({ studentId }) => studentId !== null && ids.has(studentId));
  });
  /** How far those of whom a tap counts are in the drill, together. */
  readonly count = computed(() =>
    groupCount(
      this.own(),
      this.recorded().map(({ id }) => id),
      this.drill(),
    ),
  );
  private readonly faultsToday = computed(() => {
    const times = new Map<string, number>();
    for (const { body } of this.own())
      if (body.kind === 'attempt' && body.faultId)
        times.set(body.faultId, (times.get(body.faultId) ?? 0) + 1);
    return times;
  });
  /** Set when the lesson opens and when drill or student change; taps do not reorder it. */
  readonly faultIds = computed(() => {
    const student = this.group.student();
    const skill = this.skill();
    const block = this.block();
    this.settled();
    if (!student || !skill) return [];
    return untracked(() =>
      faultButtons(this.curriculum(), this.all(), student.id, skill, block, this.sides().length > 0),
    );
  });
  readonly faults = computed(() =>
    this.faultIds().map((id) => ({
      id,
      text: this.curriculum().faults.get(id).short,
      today: this.faultsToday().get(id) ?? 0,
    })),
  );
  /** The last entry of this device: what others log is theirs to take back. */
  readonly last = computed(
    () => this.today().findLast(({ deviceId }) => deviceId === this.store.deviceId) ?? null,
  );
  readonly lastText = computed(() => {
    const last = this.last();
    if (!last) return 'Nothing logged yet';
    const whose = together(this.today(), last).map(({ studentId }) => studentId);
    return `${whoseText(whose, this.group.students())}: ${eventText(last.body, this.session.units(), this.curriculum())}`;
  });
  /** Why nothing may be recorded of those chosen, or null; of several the others are recorded. */
  readonly forbidden = computed(() => {
    return this.recorded().length === 0 ? (this.withheld()[0]?.why ?? null) : null;
  });
  /** Of those chosen, whose taps are recorded. */
  readonly recorded = computed(() => this.group.chosen().filter((student) => this.refusal(student) === null));
  /** The others, with the reason. */
  readonly withheld = computed(() =>
    this.group.chosen().flatMap((student) => {
      const why = this.refusal(student);
      return why === null ? [] : [{ student, why }];
    }),
  );
  private readonly settled = signal(0);
  /** What stands in the log of this lesson, without who and when. */
  readonly bodies = computed(() => this.today().map(({ body }) => body));

  private refusal(student: SavedStudent): string | null {
    const lesson = this.lesson();
    return lesson && whyNotRecorded(student, lesson, this.day.waterOf(lesson)?.water.timeZone ?? 'UTC');
  }

  /** Fetches plan and past events, and what this device keeps. */
  open(): void {
    const lesson = this.lesson();
    if (!lesson) return;
    this.failed.set(null);
    void this.store.kept(lesson.id).then((kept) => this.merge(kept));
    forkJoin([
      this.client.call(api.lessons.plan, { params: { id: lesson.id } }),
      this.history.ofLesson(lesson),
      this.client.call(api.events.list, { query: { lessonId: lesson.id } }),
    ]).subscribe({
      next: ([plan, history, events]) => {
        this.plan.set(plan);
        // Of this lesson there is each entry whole.
        this.merge([...history.filter(({ lessonId }) => lessonId !== lesson.id), ...events]);
        this.settled.update((n) => n + 1);
      },
      error: (error: ApiError) => this.failed.set(error),
    });
  }

  /** Hears what others have logged meanwhile; without a connection nothing is missed but that. */
  listen(): void {
    const lesson = this.lesson();
    if (!lesson || !this.store.online()) return;
    this.client.call(api.events.list, { query: { lessonId: lesson.id } }).subscribe({
      next: (events) => this.merge(events),
      error: () => undefined,
    });
  }

  /** The whole group goes to the next place; who stepped out goes alone. */
  step(by: 1 | -1): void {
    const out = this.out();
    if (out) return this.stepAlone(out.id, by);
    const minute = this.places()[this.placeNumber() - 1 + by];
    if (minute !== undefined) this.group.put({ minute });
  }

  /** One student leaves the group: from now on he goes through his blocks alone. */
  stepOut(id: string): void {
    const block = this.blockOf(id) ?? this.next();
    if (block) this.group.put({ out: { ...this.group.place().out, [id]: block.id }, chosen: [id] });
  }

  comeBack(id: string): void {
    const { [id]: _back, ...out } = this.group.place().out;
    this.group.put({ out });
  }

  private stepAlone(id: string, by: 1 | -1): void {
    const blocks = this.now() ? blocksOfLane(this.now() as PlanBody, this.laneOf(id)) : [];
    const at = blocks.findIndex((block) => block.id === this.group.place().out[id]);
    const next = blocks[at + by];
    if (next) this.group.put({ out: { ...this.group.place().out, [id]: next.id } });
  }

  private laneOf(id: string): number {
    return Math.max(
      0,
      this.group.students().findIndex((student) => student.id === id),
    );
  }

  private blockOf(id: string): Block | null {
    const [body, minute] = [this.now(), this.placeMinute()];
    if (!body || minute === null) return null;
    const alone = this.group.place().out[id];
    return body.blocks.find((block) => block.id === alone) ?? blockAt(body, this.laneOf(id), minute);
  }

  /** @returns the ids of what was kept, one a student */
  attempt(faultId: string | null): Promise<string[]> {
    const skill = this.skill();
    if (!skill) return Promise.resolve([]);
    return this.addToEach({
      kind: 'attempt',
      skillId: skill.id,
      drillId: this.drill()?.id ?? null,
      good: faultId === null,
      faultId,
    });
  }

  /** A skill that the drill shows besides. */
  attemptSide(skillId: string, good: boolean): Promise<string[]> {
    const drillId = this.drill()?.id ?? null;
    return this.addToEach({ kind: 'attempt', skillId, drillId, good, faultId: null, evidence: 'side' });
  }

  private addToEach(body: BankEventBody): Promise<string[]> {
    return this.add(
      this.recorded().map(({ id: studentId }) => ({
        body,
        studentId,
        blockId: this.blockOf(studentId)?.id ?? null,
      })),
    );
  }

  log(body: BankEventBody): Promise<string[]> {
    if (body.kind === 'attempt') return this.addToEach(body);
    return this.add([
      {
        body,
        // Of several it is the group's.
        studentId: this.group.several() ? null : (this.group.student()?.id ?? null),
        blockId: this.block()?.id ?? null,
      },
    ]);
  }

  /** The lesson goes on otherwise, and the group to what comes then. */
  async replan(body: Extract<BankEventBody, { kind: 'replan' }>, fromMin: number): Promise<string[]> {
    const kept = await this.add([{ body, studentId: null, blockId: null }]);
    const next = this.places().find((min) => min >= fromMin);
    if (next !== undefined && body.why !== 'absent') this.group.put({ minute: next });
    return kept;
  }

  /** Takes back the last entry; what was one tap for several students goes back as one. */
  undo(): Promise<string[]> {
    // A fast second tap means the entry before, and not the one that is being taken back.
    return this.inHand(this.unkept.then(() => this.takeBackLast()));
  }

  private takeBackLast(): Promise<string[]> {
    const last = this.last();
    if (!last) return Promise.resolve([]);
    return this.keep(
      together(this.today(), last).map(({ id, studentId, blockId }) => ({
        body: { kind: 'undo', targetId: id },
        studentId,
        blockId,
      })),
    );
  }

  private add(entries: Entries): Promise<string[]> {
    return this.inHand(this.keep(entries));
  }

  private inHand<T>(work: Promise<T>): Promise<T> {
    this.unkept = Promise.allSettled([this.unkept, work]).then(() => undefined);
    return work;
  }

  /** On the screen only when the device has them; all of one tap at one instant. */
  private async keep(entries: Entries): Promise<string[]> {
    const lesson = this.lesson();
    if (!lesson) return [];
    const atMs = Date.now();
    const events = entries
      .filter(({ studentId }) => {
        const student = this.group.students().find(({ id }) => id === studentId);
        return !student || this.refusal(student) === null;
      })
      .map((entry): BankEvent => ({
        id: crypto.randomUUID(),
        lessonId: lesson.id,
        deviceId: this.store.deviceId,
        atMs,
        ...entry,
      }));
    await this.store.addAll(events);
    this.merge(events);
    return events.map(({ id }) => id);
  }

  private merge(events: readonly BankEvent[]): void {
    const fresh = events.filter(({ id }) => !this.known.has(id));
    for (const { id } of fresh) this.known.add(id);
    if (fresh.length > 0) this.all.update((list) => [...list, ...fresh]);
  }

  isOut(id: string): boolean {
    return this.group.place().out[id] !== undefined;
  }

  /** Corrections that were kept by who made them. */
  heard(events: readonly BankEvent[]): void {
    this.merge(events);
  }

  /** Minutes since the lesson began, by this device's clock. */
  minuteNow(): number {
    return (Date.now() - Date.parse(this.lesson()?.startsAt ?? '')) / 60_000;
  }
}
