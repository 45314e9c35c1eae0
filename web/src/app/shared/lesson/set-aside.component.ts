import { Component, computed, inject, signal } from '@angular/core';
import { BankStore } from '../../data/lesson/bank-store';
import { PartFailedComponent } from '../part-failed.component';
import { SetAsideDialogComponent } from './set-aside-dialog.component';

/** How many entries the server can never take as they are, and behind that each of them; nothing goes by itself. */
@Component({
  selector: 'doceo-set-aside',
  imports: [PartFailedComponent, SetAsideDialogComponent],
  template: `
    @if (count() > 0) {
      <button type="button" class="chip told" (click)="open.set(true)">{{ count() }} set aside</button>
    }
    @defer (when open(); prefetch on idle) {
      <doceo-set-aside-dialog [open]="open()" (closed)="open.set(false)" />
    } @error {
      <doceo-part-failed />
    }
  `,
  styles: `
    :host {
      white-space: normal;
    }

    .told {
      color: var(--ink);
      white-space: nowrap;
      background: var(--sighter-pale);
      border-color: var(--safety);
      font-weight: 700;
      min-height: 30px;
      padding: 2px 10px;
    }

    @media (max-width: 700px) {
      .told {
        min-height: 44px;
      }
    }
  `,
})
export class SetAsideComponent {
  private readonly bank = inject(BankStore);
  protected readonly open = signal(false);
  protected readonly count = computed(() => this.bank.setAside().length);
}
