import { Component, input, output } from '@angular/core';
import { DialogComponent } from './dialog.component';

/** The keys of a screen. */
@Component({
  selector: 'doceo-keys-dialog',
  imports: [DialogComponent],
  template: `
    <doceo-dialog heading="Keys" (closed)="closed.emit()">
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
    </doceo-dialog>
  `,
})
export class KeysDialogComponent {
  readonly keys = input.required<readonly (readonly [string, string])[]>();
  readonly closed = output<void>();
}
