import { Component, computed, input, output, signal } from '@angular/core';
import { TextFieldComponent } from './text-field.component';

/** A few lines to somebody, sent or left. What was refused stays to be mended. */
@Component({
  selector: 'doceo-answer-box',
  imports: [TextFieldComponent],
  template: `
    <doceo-text-field
      [label]="label()"
      [value]="text()"
      [rows]="2"
      [most]="1000"
      [fault]="fault()"
      (typed)="typed($event)"
    />
    <div class="row">
      <button type="button" class="btn small go" (click)="send()">Send</button>
      <button type="button" class="btn small" (click)="left.emit()">Not now</button>
    </div>
  `,
})
export class AnswerBoxComponent {
  readonly label = input.required<string>();
  /** What was found wrong with what was sent. */
  readonly refused = input<string | null>(null);
  readonly sent = output<string>();
  readonly left = output<void>();

  protected readonly text = signal('');
  private readonly missing = signal(false);
  protected readonly fault = computed(() => (this.missing() ? 'Write a word or two' : this.refused()));

  protected typed(text: string): void {
    this.text.set(text);
    this.missing.set(false);
  }

  protected send(): void {
    this.missing.set(this.text().trim() === '');
    if (!this.missing()) this.sent.emit(this.text());
  }
}
