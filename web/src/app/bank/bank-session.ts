import { computed, inject, Injectable, signal, untracked } from '@angular/core';
import { ageOn, api, type SavedPlan } from '@doceo/contract';
import {
  ADULT_AGE,
  attemptsOf,
  type BankEvent,
  type BankEventBody,
  type Block,
  blocksOfLane,
  drillCount,
  faultAttemptsOf,
  findDrill,
  findFault,
  likeliestFaults,
  SKILLS,
  standing,
} from '@doceo/core';
import { forkJoin } from 'rxjs';
import { ApiClient } from '../data/api-client';
import { BankStore } from '../data/bank-store';
import { DayStore, localDate } from '../data/day-store';
import { eventText } from './event-text';

/** Work of one lesson on the water: who, which block, what was logged. */
@Injectable()
export class BankSession {
  private readonly client = inject(ApiClient);
  private readonly store = inject(BankStore);
  private readonly day = inject(DayStore);

  readonly lesson = this.day.lesson;
  readonly plan = signal<SavedPlan | null>(null);
  readonly failed = signal(false);
  readonly studentId = signal<string | null>(null);
  private readonly chosenBlocks = signal<Record<string, string>>({});
  private readonly all = signal<BankEvent[]>([]);

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
    this.plan() ? blocksOfLane((this.plan() as SavedPlan).body, this.lane()) : [],
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
    standing(this.all()).filter((event) => event.lessonId === this.lesson()?.id),
  );
  readonly count = computed(() => {
    const drill = this.drill();
    const student = this.student();
    return drill && student
      ? drillCount(
          this.all().filter((event) => event.lessonId === this.lesson()?.id),
          student.id,
          drill,
        )
      : null;
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
      return likeliestFaults(seen, [...skill.faults, ...(block?.watchFor ?? [])]);
    });
  });
  readonly faults = computed(() =>
    this.faultIds().map((id) => ({
      id,
      text: findFault(id)?.short ?? id,
      today: this.today().filter(
        ({ body, studentId }) =>
          body.kind === 'attempt' && body.faultId === id && studentId === this.student()?.id,
      ).length,
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
    return `${name}: ${eventText(last.body)}`;
  });
  /** Why nothing may be recorded of this student, or null. */
  readonly forbidden = computed(() => {
    const student = this.student()?.student;
    const lesson = this.lesson();
    const zone = this.day.waterOf(lesson)?.water.timeZone ?? 'UTC';
    const age = lesson && student ? ageOn(student.bornOn, localDate(lesson.startsAt, zone)) : null;
    return age !== null && age < ADULT_AGE && !student?.guardianConsentOn
      ? `${student?.name} is ${age} and no guardian’s consent is on file. Nothing is recorded.`
      : null;
  });
  readonly attemptsToday = computed(() => attemptsOf(this.today(), this.student()?.id ?? '').length);
  private readonly settled = signal(0);

  /** Fetches plan and past events, and what this device keeps. */
  open(): void {
    const lesson = this.lesson();
    if (!lesson) return;
    void this.store.kept(lesson.id).then((kept) => this.merge(kept));
    forkJoin([
      this.client.call(api.plans.get, { params: { id: lesson.planId } }),
      this.day.historyFor(lesson),
      this.client.call(api.events.list, { query: { lessonId: lesson.id } }),
    ]).subscribe({
      next: ([plan, history, events]) => {
        this.plan.set(plan);
        this.merge([...history, ...events]);
        this.settled.update((n) => n + 1);
      },
      error: () => this.failed.set(true),
    });
  }

  choose(studentId: string): void {
    this.studentId.set(studentId);
  }

  step(by: 1 | -1): void {
    const next = this.blocks()[this.blockNumber() - 1 + by];
    const student = this.student();
    if (next && student) this.chosenBlocks.update((all) => ({ ...all, [student.id]: next.id }));
  }

  attempt(faultId: string | null): Promise<void> {
    const skill = this.skill();
    return skill
      ? this.log({
          kind: 'attempt',
          skillId: skill.id,
          drillId: this.drill()?.id ?? null,
          good: faultId === null,
          faultId,
        })
      : Promise.resolve();
  }

  log(body: BankEventBody): Promise<void> {
    return this.add(body, this.student()?.id ?? null, this.block()?.id ?? null);
  }

  undo(): Promise<void> {
    const last = this.last();
    return last
      ? this.add({ kind: 'undo', targetId: last.id }, last.studentId, last.blockId)
      : Promise.resolve();
  }

  /** On the screen only when the device has it. */
  private async add(body: BankEventBody, studentId: string | null, blockId: string | null): Promise<void> {
    const lesson = this.lesson();
    if (!lesson || (studentId && this.forbidden())) return;
    const event: BankEvent = {
      id: crypto.randomUUID(),
      lessonId: lesson.id,
      studentId,
      blockId,
      deviceId: this.store.deviceId,
      atMs: Date.now(),
      body,
    };
    await this.store.add(event);
    this.merge([event]);
  }

  private merge(events: readonly BankEvent[]): void {
    this.all.update((list) => [...new Map([...list, ...events].map((event) => [event.id, event])).values()]);
  }

  /** The block that is on by the clock, when the lesson is on. */
  private blockNow(): Block | undefined {
    const minute = (Date.now() - Date.parse(this.lesson()?.startsAt ?? '')) / 60_000;
    return this.blocks().find(
      (block) => minute >= block.startMin && minute < block.startMin + block.durationMin,
    );
  }
}
