import { Component, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';

/** The title of a document, told letter by letter while it is typed; one that is empty is not told. */
@Component({
  selector: 'doceo-title-field',
  imports: [FormsModule],
  template: `
    <input
      class="title"
      type="text"
      maxlength="80"
      [attr.aria-label]="label()"
      [ngModel]="text() ?? value()"
      (input)="type($any($event.target).value)"
      (change)="leave()"
      (blur)="leave()"
    />
  `,
  styles: `
    .title {
      font: 700 25px/1.15 var(--head);
      letter-spacing: -0.01em;
      border-color: transparent;
      background: transparent;
      padding: 2px 4px 2px 0;
      min-height: 36px;
      /* As wide as its words, so that a long name is read whole. */
      field-sizing: content;
      width: auto;
      min-width: min(240px, 100%);
      max-width: 100%;
    }
    .title:hover,
    .title:focus {
      border-bottom-color: var(--ink-soft);
    }
  `,
})
export class TitleFieldComponent {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly typed = output<string>();
  /** What is typed from now on is another change. */
  readonly left = output<void>();
  /** As it stands in the field, with spaces that are still to be followed by a word. */
  protected readonly text = signal<string | null>(null);

  protected type(text: string): void {
    this.text.set(text);
    if (text.trim()) this.typed.emit(text.trim());
  }

  protected leave(): void {
    this.text.set(null);
    this.left.emit();
  }
}
