import { Component, computed, signal } from '@angular/core';
import type { Choice } from '@doceo/core';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { EntrySheet, withAt } from './entry-sheet';

/** A question with its choices, one of them right, and a try-out as the student hears it. */
@Component({
  selector: 'doceo-teaching-question',
  imports: [ChoiceFieldComponent, TextFieldComponent],
  styleUrl: './sheet.css',
  template: `
    <fieldset [disabled]="!editable()">
      <doceo-choice-field
        label="Of the skill"
        [options]="skills()"
        [value]="draft().skillId"
        (chosen)="set({ skillId: $event })"
      />
      <doceo-text-field
        label="Question"
        [rows]="2"
        [most]="240"
        [value]="draft().text"
        [fault]="fault('text')"
        (typed)="set({ text: $event })"
      />
      @for (choice of draft().choices; track $index; let i = $index) {
        <div class="choice" role="group" [attr.aria-label]="'Choice ' + (i + 1)">
          <label class="way">
            <input type="radio" name="right" [checked]="choice.right" (change)="setRight(i)" /> right
          </label>
          <doceo-text-field
            label="Choice"
            [most]="160"
            [value]="choice.text"
            [fault]="fault('choices[' + i + '].text') || fault('choices[' + i + '].right')"
            (typed)="setChoice(i, { text: $event })"
          />
          <doceo-text-field
            label="Why"
            [most]="300"
            [value]="choice.reason"
            [fault]="fault('choices[' + i + '].reason')"
            (changed)="setChoice(i, { reason: $event })"
          />
          @if (draft().choices.length > 2) {
            <button type="button" class="btn small" (click)="drop(i)">Take out</button>
          }
        </div>
      }
      @if (own('choices'); as wrong) {
        <p class="wrong" role="alert">{{ wrong }}</p>
      }
      @if (draft().choices.length < 6) {
        <button type="button" class="btn small" (click)="add()">One more choice</button>
      }
    </fieldset>
    <section class="try" aria-label="Try it">
      <h3>Try it</h3>
      <p>{{ draft().text }}</p>
      @for (choice of draft().choices; track $index) {
        <button
          type="button"
          class="btn"
          [attr.aria-pressed]="given() === choice"
          (click)="given.set(choice)"
        >
          {{ choice.text }}
        </button>
      }
      @if (given(); as choice) {
        <p role="status">
          <b>{{ choice.right ? 'Right.' : 'Not quite.' }}</b> {{ choice.reason }}
        </p>
      }
      <p class="small soft">
        Whoever guesses is right {{ guess() }} times of 100: an answer says less the fewer choices it had.
      </p>
    </section>
  `,
})
export class TeachingQuestionComponent extends EntrySheet<'question'> {
  protected readonly kind = 'question';
  protected readonly given = signal<Choice | null>(null);
  protected readonly skills = computed(() =>
    this.curriculum().skills.all.map(({ id, name }) => ({ value: id, text: name })),
  );
  protected readonly guess = computed(() => Math.round(100 / Math.max(1, this.draft().choices.length)));

  /** What is wrong with the list itself. */
  protected own(path: string): string | null {
    return this.issues().find((issue) => issue.path === path)?.message ?? null;
  }

  protected setChoice(at: number, change: Partial<Choice>): void {
    const { choices } = this.draft();
    this.set({ choices: withAt(choices, at, { ...(choices[at] as Choice), ...change }) });
  }

  protected setRight(at: number): void {
    this.set({ choices: this.draft().choices.map((choice, i) => ({ ...choice, right: i === at })) });
  }

  protected drop(at: number): void {
    this.set({ choices: withAt(this.draft().choices, at, null) });
  }

  protected add(): void {
    this.set({ choices: [...this.draft().choices, { text: '', right: false, reason: '' }] });
  }
}
