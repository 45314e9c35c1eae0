import { Component, input, output } from '@angular/core';
import { DIALOG } from './dialog';

/** The keys of a screen. */
@Component({
  selector: 'doceo-keys-dialog',
  imports: [DIALOG],
  template: `
    <p-dialog
      header="Keys"
      [visible]="true"
      (visibleChange)="closed.emit()"
      [modal]="true"
      [draggable]="false"
      [dismissableMask]="true"
      [style]="{ width: '480px' }"
    >
      <table class="plain">
        <tbody>
          @for (key of keys(); track key[0]) {
            <tr>
              <td class="figure">{{ key[0] }}</td>
              <td>{{ key[1] }}</td>
            </tr>
          }
        </tbody>
      </table>
    </p-dialog>
  `,
})
export class KeysDialogComponent {
  readonly keys = input.required<readonly (readonly [string, string])[]>();
  readonly closed = output<void>();
}
