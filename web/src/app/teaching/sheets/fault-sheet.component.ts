import { Component } from '@angular/core';
import { FAULT_WEIGHTS } from '@doceo/core';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { EntrySheet } from './entry-sheet';

const WEIGHT_WORDS = ['a little time', 'a cast', 'a fish', 'gear or a day', 'somebody or a fish is hurt'];

/** A fault: what is seen, why, what cures it, what it costs. */
@Component({
  selector: 'doceo-fault-sheet',
  imports: [SegmentsComponent, TextFieldComponent],
  styleUrl: './sheet.css',
  template: `
    <fieldset [disabled]="!editable()">
      <doceo-text-field
        label="On the button, two or three words"
        [most]="40"
        [value]="draft().short"
        [fault]="fault('short')"
        (typed)="set({ short: $event })"
      />
      <doceo-text-field
        label="What is seen or heard"
        [most]="200"
        [value]="draft().sign"
        [fault]="fault('sign')"
        (changed)="set({ sign: $event })"
      />
      <doceo-text-field
        label="Likely cause"
        [most]="200"
        [value]="draft().cause"
        [fault]="fault('cause')"
        (changed)="set({ cause: $event })"
      />
      <doceo-text-field
        label="Cure"
        [most]="200"
        [value]="draft().cure"
        [fault]="fault('cure')"
        (changed)="set({ cure: $event })"
      />
      <doceo-segments
        [label]="'Costs ' + words[draft().weight - 1]"
        [options]="weights"
        [value]="draft().weight"
        [figures]="true"
        (chosen)="set({ weight: $event })"
      />
    </fieldset>
  `,
})
export class FaultSheetComponent extends EntrySheet<'fault'> {
  protected readonly kind = 'fault';
  protected readonly words = WEIGHT_WORDS;
  protected readonly weights = FAULT_WEIGHTS.map((value) => ({
    value,
    text: `${value}`,
    reason: WEIGHT_WORDS[value - 1] ?? '',
  }));
}
