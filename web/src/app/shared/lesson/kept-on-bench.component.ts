import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import type { BankEvent } from '@doceo/core';
import { BenchRecord } from '../../data/records/bench-record';

/** Says what of a bench went into whose record, with the way back. */
@Component({
  selector: 'doceo-kept-on-bench',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (stands().length > 0) {
      <p role="status" class="small">
        {{ stands().length === 1 ? 'That is' : 'These ' + stands().length + ' attempts are' }} in the record
        of {{ name() }}.
        <button type="button" class="btn small" (click)="takeBack()">
          {{ stands().length === 1 ? 'Take it back' : 'Take them back' }}
        </button>
      </p>
    } @else if (events().length > 0) {
      <p role="status" class="small">Taken back.</p>
    }
  `,
  styles: `
    p {
      margin: 6px 0 0;
    }
  `,
})
export class KeptOnBenchComponent {
  private readonly record = inject(BenchRecord);
  /** What was kept last; none while nothing was. */
  readonly events = input.required<readonly BankEvent[]>();
  protected readonly stands = linkedSignal(() => this.events());
  protected readonly name = computed(
    () => this.record.people().find(({ id }) => id === this.events()[0]?.studentId)?.student.name ?? '',
  );

  protected takeBack(): void {
    const events = this.stands();
    this.stands.set([]);
    void this.record.takeBack(events);
  }
}
