import { Component, input, output, signal } from '@angular/core';
import { QrCodeComponent } from './qr-code.component';

/** A link that was just made, with its code. What it leads to is known now and never again: it is copied, shown, printed. */
@Component({
  selector: 'doceo-made-link',
  imports: [QrCodeComponent],
  template: `
    <doceo-qr-code [text]="address()" [label]="label()" />
    <div role="status">
      <ng-content />
      <p class="address figure">{{ address() }}</p>
      <p class="small no-print"><b>It is shown this once.</b> Copy it, or have its code read, now.</p>
      <div class="row no-print">
        <button type="button" class="btn small go" (click)="copy()">
          {{ copied() ? 'Copied' : 'Copy the link' }}
        </button>
        <button type="button" class="btn small" (click)="print()">Print the code</button>
        <button type="button" class="btn small plain" (click)="done.emit()">Done</button>
      </div>
    </div>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 16px;
      background: var(--sheet);
      border: 1.5px solid var(--ink);
      padding: 12px;
    }

    div[role='status'] {
      flex: 1 1 220px;
      min-width: 0;
      display: grid;
      gap: 6px;
      align-content: start;
    }

    .address {
      overflow-wrap: anywhere;
      user-select: all;
    }
  `,
})
export class MadeLinkComponent {
  readonly address = input.required<string>();
  /** What the code leads to. */
  readonly label = input.required<string>();
  readonly done = output<void>();
  protected readonly copied = signal(false);

  protected async copy(): Promise<void> {
    await navigator.clipboard.writeText(this.address());
    this.copied.set(true);
  }

  protected print(): void {
    window.print();
  }
}
