import { Component, computed, input } from '@angular/core';
import { create } from 'qrcode';

/** Light modules around the code, without which no phone finds it. */
const QUIET = 4;

/** A text as a code that a phone reads, dark on white whatever the screen's colours are. */
@Component({
  selector: 'doceo-qr-code',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + picture().size + ' ' + picture().size"
      role="img"
      [attr.aria-label]="label()"
    >
      <rect [attr.width]="picture().size" [attr.height]="picture().size" fill="#fff" />
      <path [attr.d]="picture().path" fill="#000" />
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 180px;
      height: 180px;
      shape-rendering: crispEdges;
      print-color-adjust: exact;
    }
  `,
})
export class QrCodeComponent {
  readonly text = input.required<string>();
  readonly label = input.required<string>();
  protected readonly picture = computed(() => {
    const { modules } = create(this.text(), { errorCorrectionLevel: 'M' });
    let path = '';
    for (let row = 0; row < modules.size; row++)
      for (let column = 0; column < modules.size; column++)
        if (modules.get(row, column)) path += `M${column + QUIET} ${row + QUIET}h1v1h-1z`;
    return { path, size: modules.size + 2 * QUIET };
  });
}
