import { effect, inject, Injectable, signal } from '@angular/core';
import type { FloatKind, TrainerWater } from '@doceo/core';
import { DayStore } from '../data/day-store';

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

const KEY = 'doceo.trainer';
const MOST = 200;

/** Runs of the trainer on this device, the oldest first. Those of a student go with the student. */
@Injectable({ providedIn: 'root' })
export class TrainerSessions {
  private readonly day = inject(DayStore);
  private readonly kept = signal<TrainerSession[]>(read());
  readonly all = this.kept.asReadonly();

  constructor() {
    effect(() => {
      if (!this.day.loaded()) return;
      const ids = new Set(this.day.students().map(({ id }) => id));
      const left = this.kept().filter(({ studentId }) => studentId === null || ids.has(studentId));
      if (left.length < this.kept().length) this.store(left);
    });
  }

  add(session: TrainerSession): void {
    this.store([...this.kept(), session].slice(-MOST));
  }

  private store(sessions: TrainerSession[]): void {
    this.kept.set(sessions);
    try {
      localStorage.setItem(KEY, JSON.stringify(sessions));
    } catch {
      // A full store loses the curve, not the run: that is on the screen.
    }
  }
}

function read(): TrainerSession[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? (kept as TrainerSession[]) : [];
  } catch {
    return [];
  }
}
