import { Component, computed, inject, signal } from '@angular/core';
import { BenchRecord } from '../data/records/bench-record';
import { SegmentsComponent } from '../parts/fields/segments.component';
import { SetPanelComponent } from './set/set-panel.component';
import { TrainerComponent } from './trainer/trainer.component';
import { TrainerHistoryComponent } from './trainer/trainer-history.component';
import { TrainerSessions } from './trainer/trainer-sessions';

const PARTS = [
  { value: 'trainer', text: 'See the take' },
  { value: 'set', text: 'The set' },
] as const;

/** The Strike bench: a trainer for seeing takes, and what a set does to the fly. */
@Component({
  selector: 'doceo-strike-page',
  imports: [SegmentsComponent, SetPanelComponent, TrainerComponent, TrainerHistoryComponent],
  template: `
    <section class="bench-main">
      <header class="row">
        <h1>Strike</h1>
        <doceo-segments label="" [options]="parts" [value]="part()" (chosen)="part.set($event)" />
      </header>
      @if (part() === 'trainer') {
        <doceo-trainer />
        @if (history().length > 0) {
          <h2>Runs of {{ name() }}</h2>
          <doceo-trainer-history [sessions]="history()" />
        }
      } @else {
        <doceo-set-panel />
      }
    </section>
  `,
  styles: `
    .bench-main {
      padding-top: 10px;
    }
    header {
      margin-bottom: 8px;
    }
    h2 {
      margin: 16px 0 4px;
    }
  `,
})
export class StrikePage {
  private readonly record = inject(BenchRecord);
  private readonly sessions = inject(TrainerSessions);
  protected readonly parts = PARTS;
  protected readonly part = signal<(typeof PARTS)[number]['value']>('trainer');
  protected readonly history = computed(() => {
    const id = this.record.student()?.id ?? null;
    return this.sessions.all().filter(({ studentId }) => studentId === id);
  });
  protected readonly name = computed(() => this.record.student()?.student.name ?? 'whoever practises here');
}
