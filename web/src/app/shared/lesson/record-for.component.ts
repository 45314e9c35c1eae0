import { Component, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { BenchRecord } from '../../data/records/bench-record';

/** For whom a bench keeps what is done on it: nobody, or a student of the lesson. */
@Component({
  selector: 'doceo-record-for',
  imports: [FormsModule],
  template: `
    @if (record.people().length > 0) {
      <label class="field"
        ><span>Keep it for</span>
        <select [ngModel]="record.student()?.id ?? ''" (ngModelChange)="record.studentId.set($event || null)">
          <option value="">nobody, just practise</option>
          @for (one of record.people(); track one.id) {
            <option [value]="one.id">{{ one.student.name }}</option>
          }
        </select></label
      >
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
  protected readonly record = inject(BenchRecord);
}
