import { Component, computed, inject } from '@angular/core';
import { BenchRecord } from '../../data/records/bench-record';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';

/** For whom a bench keeps what is done on it: nobody, or a student of the lesson. */
@Component({
  selector: 'doceo-record-for',
  imports: [ChoiceFieldComponent],
  template: `
    @if (record.people().length > 0) {
      <doceo-choice-field
        label="Keep it for"
        [options]="people()"
        [value]="record.student()?.id ?? null"
        (chosen)="record.studentId.set($event)"
      />
      @if (record.forbidden(); as why) {
        <p class="why small" role="alert">{{ why }}</p>
      }
    } @else {
      <p class="small soft">
        With a lesson and its students chosen in the strip, results go into a student’s record.
      </p>
    }
  `,
  styles: `
    .why {
      color: var(--safety);
      margin-top: 4px;
    }
  `,
})
export class RecordForComponent {
  protected readonly people = computed(() => [
    { value: null, text: 'nobody, just practise' },
    ...this.record.people().map(({ id, student }) => ({ value: id, text: student.name })),
  ]);
  protected readonly record = inject(BenchRecord);
}
