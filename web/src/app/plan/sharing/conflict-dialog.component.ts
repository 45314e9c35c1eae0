import { Component, computed, input, output } from '@angular/core';
import { DialogComponent } from '../../parts/dialog.component';
import { planDifferences } from './plan-difference';
import type { PlanValue } from '../plan-document';

/** The plan was saved elsewhere in the meantime: both states side by side, nothing overwritten unseen. */
@Component({
  selector: 'doceo-conflict-dialog',
  imports: [DialogComponent],
  template: `
    <doceo-dialog heading="This plan was saved elsewhere too" [width]="760" [asks]="true">
      <p>
        Another tab or device saved it after you opened it. Nothing is lost yet: choose which state stands.
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th>What</th>
            <th>Here</th>
            <th>Saved elsewhere</th>
          </tr>
        </thead>
        <tbody>
          @for (difference of differences(); track $index) {
            <tr>
              <td>{{ difference.what }}</td>
              <td>{{ difference.mine }}</td>
              <td>{{ difference.theirs }}</td>
            </tr>
          } @empty {
            <tr>
              <td colspan="3">Only the order of details differs.</td>
            </tr>
          }
        </tbody>
      </table>
      <div class="row actions">
        <button type="button" class="btn go" (click)="chosen.emit('mine')">Keep what is here</button>
        <button type="button" class="btn" (click)="chosen.emit('theirs')">
          Take the one saved elsewhere
        </button>
        <button type="button" class="btn" (click)="chosen.emit('copy')">Keep both: mine as a copy</button>
      </div>
    </doceo-dialog>
  `,
  styles: `
    table {
      margin: 12px 0;
    }
    td {
      vertical-align: top;
      width: 40%;
    }
    td:first-child {
      width: 20%;
      font-weight: 700;
    }
  `,
})
export class ConflictDialogComponent {
  readonly mine = input.required<PlanValue>();
  readonly theirs = input.required<PlanValue>();
  readonly chosen = output<'mine' | 'theirs' | 'copy'>();
  protected readonly differences = computed(() => planDifferences(this.mine(), this.theirs()));
}
