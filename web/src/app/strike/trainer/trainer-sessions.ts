import { effect, inject, Injectable } from '@angular/core';
import type { FloatKind, TrainerWater } from '@doceo/core';
import { DayStore } from '../../data/lesson/day-store';
import { UserStorage } from '../../data/device/user-storage';

/** The outcome of a run that was kept on this device. */
export interface TrainerSession {
  atMs: number;
  /** Of a student, or of whoever practises here. */
  studentId: string | null;
  float: FloatKind;
  water: TrainerWater;
  takes: number;
  hits: number;
  falseAlarms: number;
  dPrime: number;
  medianMs: number | null;
}

const MAX = 200;

/** Runs of the trainer on this device, the oldest first. Those of a student go with the student. */
@Injectable({ providedIn: 'root' })
export class TrainerSessions {
  private readonly day = inject(DayStore);
  private readonly kept = inject(UserStorage).value<TrainerSession[]>('trainer', []);
  readonly all = this.kept.asReadonly();

  constructor() {
    effect(() => {
      if (!this.day.loaded()) return;
      const ids = new Set(this.day.students().map(({ id }) => id));
      const left = this.kept().filter(({ studentId }) => studentId === null || ids.has(studentId));
      if (left.length < this.kept().length) this.kept.set(left);
    });
  }

  add(session: TrainerSession): void {
    this.kept.set([...this.kept(), session].slice(-MAX));
  }
}
