import { Component, output } from '@angular/core';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { WaterFormComponent } from './water-form.component';

/** Adds a water from wherever one misses it. */
@Component({
  selector: 'doceo-water-dialog',
  imports: [DialogComponent, WaterFormComponent],
  template: `
    <doceo-dialog heading="New water" [width]="460" [typed]="true" (closed)="closed.emit(null)">
      <doceo-water-form (made)="closed.emit($event)">
        <button type="button" class="btn" (click)="closed.emit(null)">Cancel</button>
      </doceo-water-form>
    </doceo-dialog>
  `,
})
export class WaterDialogComponent {
  /** The id of the water that was added, or null. */
  readonly closed = output<string | null>();
}
