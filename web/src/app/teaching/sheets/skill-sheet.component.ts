import { Component, computed } from '@angular/core';
import { SHOWN_BY, type ShownBy } from '@doceo/core';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { EntrySheet } from './entry-sheet';
import { PickListComponent } from './pick-list.component';

const SHOWN_WORDS: Record<ShownBy, [string, string]> = {
  measured: ['measured', 'the beat of the cast, a knot on the scale'],
  drill: ['in a drill', 'one tap an attempt'],
  bench: ['on a bench', 'trainer and ranking, by himself'],
  answer: ['by an answer', 'a question at the water or at home'],
  passing: ['seen in passing', 'two taps more on the log'],
};
/** Weeks after which half of a skill is left, against days after which a third is. */
const HALF = Math.LN2 / 7;

/** A skill: what it is called, what it rests on, how it is seen, how fast it fades. */
@Component({
  selector: 'doceo-skill-sheet',
  imports: [PickListComponent, TextFieldComponent],
  styleUrl: './sheet.css',
  template: `
    <fieldset [disabled]="!editable()">
      <doceo-text-field
        label="Name"
        [most]="60"
        [value]="draft().name"
        [fault]="fault('name')"
        (typed)="set({ name: $event })"
      />
      <doceo-text-field
        label="Said to a student, one sentence"
        [rows]="2"
        [most]="200"
        [value]="draft().sentence"
        [fault]="fault('sentence')"
        (changed)="set({ sentence: $event })"
      />
      <doceo-text-field
        label="What good looks like"
        [rows]="2"
        [most]="200"
        [value]="draft().good"
        [fault]="fault('good')"
        (changed)="set({ good: $event })"
      />
      <doceo-pick-list
        label="Rests on"
        [ids]="draft().needs"
        [all]="others()"
        [editable]="editable()"
        [fault]="fault('needs')"
        (changed)="set({ needs: $event })"
      />
      <doceo-pick-list
        label="Goes wrong by"
        [ids]="draft().faults"
        [all]="faults()"
        [editable]="editable()"
        [fault]="fault('faults')"
        (changed)="set({ faults: $event })"
      />
      <div class="field" role="group" aria-label="How it is seen">
        <span>How it is seen</span>
        @for (way of ways; track way.id) {
          <label class="way">
            <input type="checkbox" [checked]="draft().shownBy.includes(way.id)" (change)="toggle(way.id)" />
            <b>{{ way.text }}</b> <span class="soft">{{ way.hint }}</span>
          </label>
        }
      </div>
      <doceo-text-field
        label="Half forgotten after, weeks"
        type="number"
        [figures]="true"
        [least]="1"
        [most]="360"
        [value]="weeks()"
        [fault]="fault('forgetDays')"
        (changed)="setWeeks($event)"
      />
    </fieldset>
  `,
})
export class SkillSheetComponent extends EntrySheet<'skill'> {
  protected readonly kind = 'skill';
  protected readonly ways = SHOWN_BY.map((id) => ({
    id,
    text: SHOWN_WORDS[id][0],
    hint: SHOWN_WORDS[id][1],
  }));
  protected readonly others = computed(() =>
    this.curriculum().skills.all.filter(({ id }) => id !== this.draft().id),
  );
  protected readonly faults = computed(() =>
    this.curriculum().faults.all.map(({ id, short }) => ({ id, name: short })),
  );
  protected readonly weeks = computed(() => Math.round(this.draft().forgetDays * HALF));

  protected toggle(way: ShownBy): void {
    const { shownBy } = this.draft();
    this.set({
      shownBy: SHOWN_BY.filter((one) => (one === way ? !shownBy.includes(one) : shownBy.includes(one))),
    });
  }

  protected setWeeks(text: string): void {
    this.set({ forgetDays: Math.round(Number(text) / HALF) });
  }
}
