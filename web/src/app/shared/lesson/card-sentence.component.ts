import { Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { MAX_SENTENCE } from '@doceo/contract';
import type { BankEvent } from '@doceo/core';
import { EntryCorrections } from '../../data/records/entry-corrections';

/** The instructor's own sentence to a student, on the card of a lesson; kept when the field is left. */
@Component({
  selector: 'doceo-card-sentence',
  template: `
    <label [htmlFor]="id"
      ><b>Your sentence on the card</b> <span class="small soft">{{ state() }}</span></label
    >
    <textarea
      [id]="id"
      rows="2"
      [attr.maxlength]="most"
      placeholder="What you would say to this student, in one breath"
      [value]="text()"
      (input)="text.set($any($event.target).value)"
      (change)="keep()"
    ></textarea>
    @if (note()) {
      <p class="small">
        You noted: <b>{{ note() }}</b>. Your sentence stands on the card in place of the usual cure.
      </p>
    }
    @if (failed()) {
      <p class="wrong" role="alert">
        This device could not keep it. It stays here; leave the field again to try.
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 4px;
      border: 1.5px solid var(--ink);
      background: var(--sheet);
      padding: 8px 10px;
      margin-top: 14px;
    }
    label {
      display: flex;
      justify-content: space-between;
      gap: 8px;
    }
    textarea {
      font: 16px/1.35 var(--body);
      width: 100%;
      border: 0;
      border-bottom: 1.5px dashed var(--bed);
      background: transparent;
      resize: vertical;
    }
    p {
      margin: 0;
    }
  `,
})
export class CardSentenceComponent {
  private static made = 0;
  private readonly corrections = inject(EntryCorrections);
  readonly lessonId = input.required<string>();
  readonly studentId = input.required<string>();
  /** As it stands. */
  readonly sentence = input.required<string | null>();
  /** What the instructor keeps in mind of the student. */
  readonly note = input('');
  readonly said = output<BankEvent[]>();
  protected readonly id = `sentence-${(CardSentenceComponent.made += 1)}`;
  protected readonly most = MAX_SENTENCE;
  protected readonly text = linkedSignal(() => this.sentence() ?? '');
  protected readonly failed = signal(false);
  protected readonly state = computed(() => {
    const left = MAX_SENTENCE - this.text().length;
    return this.text() !== (this.sentence() ?? '') ? `${left} left` : this.text() ? 'kept' : '';
  });

  protected async keep(): Promise<void> {
    const text = this.text().trim();
    if (text === (this.sentence() ?? '')) return;
    this.failed.set(false);
    try {
      this.said.emit(await this.corrections.say(this.lessonId(), this.studentId(), text));
    } catch {
      this.failed.set(true);
    }
  }
}
