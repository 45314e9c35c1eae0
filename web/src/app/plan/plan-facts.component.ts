import { Component, computed, input, output } from '@angular/core';
import { ALONE, LEVELS, MAX_GROUP, type PlanBody, WATER_KINDS } from '@doceo/core';
import { counted } from '@doceo/texts';
import { ChoiceFieldComponent } from '../parts/fields/choice-field.component';
import { TextFieldComponent } from '../parts/fields/text-field.component';

/** Shortest and longest lesson, minutes. */
const LENGTH_MIN = [15, 720] as const;

const numbers = (from: number, to: number): { value: number; text: string }[] =>
  Array.from({ length: to - from + 1 }, (_, i) => ({ value: from + i, text: `${from + i}` }));

/** For what and whom a plan is: its aim and length always, water, season and who teaches when one asks. */
@Component({
  selector: 'doceo-plan-facts',
  imports: [ChoiceFieldComponent, TextFieldComponent],
  template: `
    <div class="facts">
      <doceo-text-field
        class="aim"
        label="Aim"
        [most]="300"
        example="What can each do at the end?"
        [value]="body().aim"
        (changed)="changed.emit({ aim: $event })"
      />
      <doceo-choice-field
        label="Group"
        [options]="groups"
        [value]="body().groupSize"
        (chosen)="changed.emit({ groupSize: $event })"
      />
      <doceo-choice-field
        label="Level"
        [options]="levels"
        [value]="body().level"
        (chosen)="changed.emit({ level: $event })"
      />
      <doceo-text-field
        label="Length, min"
        type="number"
        [least]="15"
        [most]="720"
        [step]="15"
        [value]="body().lengthMin"
        (changed)="changed.emit({ lengthMin: length($event) })"
      />
    </div>
    <details class="more">
      <summary class="small">{{ told() }}</summary>
      <div class="facts four">
        <doceo-choice-field
          label="Water"
          [options]="waters"
          [value]="body().waterKind"
          (chosen)="changed.emit({ waterKind: $event })"
        />
        <doceo-text-field
          label="Season"
          [most]="60"
          example="ice-off to May"
          [value]="body().season"
          (changed)="changed.emit({ season: $event })"
        />
        <doceo-choice-field
          label="Instructors"
          [options]="instructors"
          [value]="staff().instructors"
          (chosen)="changed.emit({ staff: { instructors: $event, assistants: staff().assistants } })"
        />
        <doceo-choice-field
          label="Assistants"
          [options]="assistants"
          [value]="staff().assistants"
          (chosen)="changed.emit({ staff: { instructors: staff().instructors, assistants: $event } })"
        />
      </div>
    </details>
  `,
  styles: `
    .facts {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 74px 120px 96px;
      gap: 10px;
      margin: 8px 18px 6px 0;
    }
    .facts.four {
      grid-template-columns: 130px minmax(0, 1fr) 96px 96px;
    }
    .more {
      margin-bottom: 8px;
    }
    summary {
      cursor: pointer;
      color: var(--ink-soft);
      min-height: 24px;
    }
    /* A long aim is read whole: where there is little room it has a line of its own. */
    @media (max-width: 1120px) {
      .facts:not(.four) {
        grid-template-columns: repeat(3, minmax(0, 1fr));
      }
      .aim {
        grid-column: 1 / -1;
      }
    }
    @media (max-width: 900px) {
      .facts {
        margin-right: 0;
      }
      .facts.four {
        grid-template-columns: 1fr 1fr;
      }
    }
  `,
})
export class PlanFactsComponent {
  readonly body = input.required<PlanBody>();
  readonly changed = output<Partial<Omit<PlanBody, 'blocks'>>>();

  protected readonly levels = LEVELS.map((level) => ({ value: level, text: level.replace('-', ' ') }));
  protected readonly groups = numbers(1, MAX_GROUP);
  protected readonly instructors = numbers(1, 4);
  protected readonly assistants = numbers(0, 4);
  protected readonly waters = [
    { value: 'any' as const, text: 'any' },
    ...WATER_KINDS.map((kind) => ({ value: kind, text: kind })),
  ];
  protected readonly staff = computed(() => this.body().staff ?? ALONE);
  protected readonly told = computed(() => {
    const { waterKind, season } = this.body();
    const { instructors, assistants } = this.staff();
    return [
      waterKind === 'any' ? 'For any water' : `For a ${waterKind}`,
      season,
      instructors === 1 && assistants === 0
        ? 'one instructor alone'
        : `${counted(instructors, 'instructor')}`,
      assistants > 0 ? counted(assistants, 'assistant') : '',
    ]
      .filter(Boolean)
      .join(', ');
  });

  protected length(text: string): number {
    const [least, most] = LENGTH_MIN;
    return Math.min(most, Math.max(least, Math.round(Number(text) || 0)));
  }
}
