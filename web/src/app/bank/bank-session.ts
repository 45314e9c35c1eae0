import { whyNotRecorded } from '../data/lesson/consent';
import { computed, inject, Injectable, signal, untracked } from '@angular/core';
import { api, type LessonPlan, type SavedStudent } from '@doceo/contract';
import {
  type BankEvent,
  type BankEventBody,
  type Block,
  blocksOfLane,
  drillCount,
  faultAttemptsOf,
  faultsOfStrand,
  findDrill,
  findFault,
  likeliestFaults,
  SKILLS,
  activeEvents,
} from '@doceo/core';
import { forkJoin } from 'rxjs';
import { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import { BankStore } from '../data/lesson/bank-store';
import { DayStore } from '../data/lesson/day-store';
import { SessionStore } from '../data/session';
import { eventText } from '../data/lesson/event-text';

type Entries = readonly Pick<BankEvent, 'body' | 'studentId' | 'blockId'>[];

/** Work of one lesson on the water: who, which block, what was logged. */
@Injectable()
export class BankSession {
  private readonly client = inject(ApiClient);
  private readonly store = inject(BankStore);
  private readonly day = inject(DayStore);
  private readonly session = inject(SessionStore);

  /** What the device has not kept yet. */
  private unkept: Promise<unknown> = Promise.resolve();

  readonly lesson = this.day.lesson;
  readonly plan = signal<LessonPlan | null>(null);
  readonly failed = signal<ApiError | null>(null);
  readonly studentId = signal<string | null>(null);
  private readonly chosenBlocks = signal<Record<string, string>>({});
  private readonly all = signal<BankEvent[]>([]);
  private readonly known = new Set<string>();

  readonly students = computed(() => this.day.studentsOf(this.lesson()));
  readonly student = computed(
    () => this.students().find(({ id }) => id === this.studentId()) ?? this.students()[0] ?? null,
  );
  private readonly lane = computed(() =>
    Math.max(
      0,
      this.students().findIndex(({ id }) => id === this.student()?.id),
    ),
  );
  readonly blocks = computed<Block[]>(() =>
    this.plan() ? blocksOfLane((this.plan() as LessonPlan).body, this.lane()) : [],
  );
  readonly block = computed<Block | null>(() => {
    const chosen = this.chosenBlocks()[this.student()?.id ?? ''];
    return this.blocks().find(({ id }) => id === chosen) ?? this.blockNow() ?? this.blocks()[0] ?? null;
  });
  readonly blockNumber = computed(() => this.blocks().findIndex(({ id }) => id === this.block()?.id) + 1);
  readonly drill = computed(() => findDrill(this.block()?.drillId ?? '') ?? null);
  readonly skill = computed(() =>
    this.drill()?.skills[0] ? SKILLS.get(this.drill()?.skills[0] as string) : null,
  );

  /** Standing events of this lesson. */
  readonly today = computed(() =>
    activeEvents(this.all().filter((event) => event.lessonId === this.lesson()?.id)),
  );
  /** Of them, those of the student who is on. */
  private readonly own = computed(() =>
    this.today().filter(({ studentId }) => studentId === this.student()?.id),
  );
  readonly count = computed(() => {
    const drill = this.drill();
    const student = this.student();
    return drill && student ? drillCount(this.own(), student.id, drill) : null;
  });
  private readonly faultsToday = computed(() => {
    const times = new Map<string, number>();
    for (const { body } of this.own())
      if (body.kind === 'attempt' && body.faultId)
        times.set(body.faultId, (times.get(body.faultId) ?? 0) + 1);
    return times;
  });
  /** Set when the lesson opens and when drill or student change; taps do not reorder it. */
  readonly faultIds = computed(() => {
    const student = this.student();
    const skill = this.skill();
    const block = this.block();
    this.settled();
    if (!student || !skill) return [];
    return untracked(() => {
      const seen: Record<string, number> = {};
      for (const { faultId } of faultAttemptsOf(this.all(), student.id, skill.id))
        if (faultId) seen[faultId] = (seen[faultId] ?? 0) + 1;
      return likeliestFaults(
        seen,
        [...skill.faults, ...(block?.watchFor ?? [])],
        faultsOfStrand(skill.strand),
      );
    });
  });
  readonly faults = computed(() =>
    this.faultIds().map((id) => ({
      id,
      text: findFault(id)?.short ?? id,
      today: this.faultsToday().get(id) ?? 0,
    })),
  );
  readonly last = computed(() => this.today().at(-1) ?? null);
  readonly lastText = computed(() => {
    const last = this.last();
    if (!last) return 'Nothing logged yet';
    const name =
      this.students()
        .find(({ id }) => id === last.studentId)
        ?.student.name.split(' ')[0] ?? 'All';
    return `${name}: ${eventText(last.body, this.session.units())}`;
  });
  /** Why nothing may be recorded of this student, or null. */
  readonly forbidden = computed(() => {
    const student = this.student();
    return student && !this.everybody() ? this.refusal(student) : null;
  });
  private readonly settled = signal(0);
  /** Whether a tap counts for every student of the lesson. */
  readonly everybody = signal(false);
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
      this.day.historyFor(lesson),
      this.client.call(api.events.list, { query: { lessonId: lesson.id } }),
    ]).subscribe({
      next: ([plan, history, events]) => {
        this.plan.set(plan);
        this.merge([...history, ...events]);
        this.settled.update((n) => n + 1);
      },
      error: (error: ApiError) => this.failed.set(error),
    });
  }

  choose(studentId: string): void {
    this.everybody.set(false);
    this.studentId.set(studentId);
  }

  chooseAll(): void {
    this.everybody.set(true);
  }

  step(by: 1 | -1): void {
    const next = this.blocks()[this.blockNumber() - 1 + by];
    const student = this.student();
    if (next && student) this.chosenBlocks.update((all) => ({ ...all, [student.id]: next.id }));
  }

  /** @returns the ids of what was kept, one a student */
  attempt(faultId: string | null): Promise<string[]> {
    const skill = this.skill();
    if (!skill) return Promise.resolve([]);
    const body: BankEventBody = {
      kind: 'attempt',
      skillId: skill.id,
      drillId: this.drill()?.id ?? null,
      good: faultId === null,
      faultId,
    };
    const ids = this.everybody()
      ? this.students()
          .filter((student) => this.refusal(student) === null)
          .map(({ id }) => id)
      : [this.student()?.id ?? null];
    return this.add(ids.map((studentId) => ({ body, studentId, blockId: this.block()?.id ?? null })));
  }

  log(body: BankEventBody): Promise<string[]> {
    return this.add([
      {
        body,
        studentId: this.everybody() ? null : (this.student()?.id ?? null),
        blockId: this.block()?.id ?? null,
      },
    ]);
  }

  /** Takes back the last entry; what was one tap for several students goes back as one. */
  undo(): Promise<string[]> {
    // A fast second tap means the entry before, and not the one that is being taken back.
    return this.inHand(this.unkept.then(() => this.takeBackLast()));
  }

  private takeBackLast(): Promise<string[]> {
    const last = this.last();
    if (!last) return Promise.resolve([]);
    const together = this.today().filter(
      ({ atMs, deviceId, body }) =>
        atMs === last.atMs && deviceId === last.deviceId && body.kind === last.body.kind,
    );
    return this.keep(
      together.map(({ id, studentId, blockId }) => ({
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
        const student = this.students().find(({ id }) => id === studentId);
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

  /** The block that is on by the clock, when the lesson is on. */
  private blockNow(): Block | undefined {
    const minute = (Date.now() - Date.parse(this.lesson()?.startsAt ?? '')) / 60_000;
    return this.blocks().find(
      (block) => minute >= block.startMin && minute < block.startMin + block.durationMin,
    );
  }
}
