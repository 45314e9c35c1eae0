import { Component, computed, input, output, signal } from '@angular/core';
import { type Method, METHODS, type RuleCard, type Saying } from '@doceo/core';
import { dayOfYear, dayOfYearText } from '../../parts/dates';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { METHOD_NAMES } from '../../shared/water/card-lines';
import { OriginComponent } from '../../parts/origin.component';

type TextRule = 'licence' | 'release' | 'hours' | 'other' | 'whoSaysSo';

const TEXTS: { field: TextRule; label: string; example: string; most: number }[] = [
  { field: 'release', label: 'Which fish go back', example: 'all trout and grayling', most: 300 },
  { field: 'hours', label: 'Hours', example: 'first to last light', most: 200 },
  { field: 'other', label: 'Also (boats, access, other methods)', example: '', most: 1000 },
  { field: 'whoSaysSo', label: 'Who sets these rules', example: 'warden, club, office', most: 200 },
];
const NOT_SAID = { value: null, text: 'not said' };
const MAX_HOOKS = 6;

/** The fields of a rule card, each with who said it. */
@Component({
  selector: 'doceo-rule-fields',
  imports: [OriginComponent, SegmentsComponent, TextFieldComponent],
  template: `
    <div>
      <doceo-text-field
        label="Licence or ticket"
        example="day ticket of the club"
        [most]="300"
        [value]="rules().licence"
        (changed)="changed.emit({ licence: $event })"
      />
      @if (of('licence'); as one) {
        <doceo-origin of="entered" [said]="one" />
      }
    </div>
    <div>
      <div class="two">
        <doceo-text-field
          label="Season from"
          example="1 Mar"
          [value]="from()"
          [fault]="wrong() === 'from' ? 'a day, as 1 Mar' : null"
          (changed)="season('from', $event)"
        />
        <doceo-text-field
          label="to"
          example="31 Oct"
          [value]="to()"
          [fault]="wrong() === 'to' ? 'a day, as 31 Oct' : null"
          (changed)="season('to', $event)"
        />
      </div>
      @if (of('season'); as one) {
        <doceo-origin of="entered" [said]="one" />
      }
    </div>
    @for (row of rows(); track row.field) {
      <div>
        <doceo-segments
          [label]="row.label"
          [options]="row.options"
          [value]="row.value"
          (chosen)="set(row.field, $event)"
        />
        @if (of(row.field); as one) {
          <doceo-origin of="entered" [said]="one" />
        }
      </div>
    }
    <div>
      <div class="field">
        <span id="forbidden">Not allowed</span>
        <div class="segments" role="group" aria-labelledby="forbidden">
          <button type="button" [attr.aria-pressed]="!rules().forbidden" (click)="set('forbidden', null)">
            not said
          </button>
          <button
            type="button"
            [attr.aria-pressed]="rules().forbidden?.length === 0"
            (click)="set('forbidden', [])"
          >
            none of these
          </button>
          @for (one of methods; track one.value) {
            <button
              type="button"
              [attr.aria-pressed]="rules().forbidden?.includes(one.value) ?? false"
              (click)="forbid(one.value)"
            >
              {{ one.text }}
            </button>
          }
        </div>
      </div>
      @if (of('forbidden'); as one) {
        <doceo-origin of="entered" [said]="one" />
      }
    </div>
    @for (row of texts; track row.field) {
      <div>
        <doceo-text-field
          [label]="row.label"
          [example]="row.example"
          [most]="row.most"
          [rows]="row.field === 'other' ? 3 : 1"
          [value]="rules()[row.field]"
          (changed)="set(row.field, $event)"
        />
        @if (of(row.field); as one) {
          <doceo-origin of="entered" [said]="one" />
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
    }
    .segments {
      flex-wrap: wrap;
    }

    .segments button {
      padding: 3px 7px;
    }

    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px;
    }
  `,
})
export class RuleFieldsComponent {
  readonly rules = input.required<RuleCard>();
  readonly said = input.required<Readonly<Record<string, Saying>>>();
  readonly changed = output<Partial<Omit<RuleCard, 'checkedOn' | 'checkedBy'>>>();
  protected readonly texts = TEXTS;
  protected readonly methods = METHODS.map((value) => ({ value, text: METHOD_NAMES[value] }));
  protected readonly wrong = signal<'from' | 'to' | null>(null);
  protected readonly from = computed(() => dayText(this.rules().seasonFrom));
  protected readonly to = computed(() => dayText(this.rules().seasonTo));
  protected readonly rows = computed(() => {
    const { maxHooks, barbless, leadAllowed } = this.rules();
    const yesNo = (yes: string, no: string): { value: unknown; text: string }[] => [
      NOT_SAID,
      { value: true, text: yes },
      { value: false, text: no },
    ];
    const hooks = Array.from({ length: MAX_HOOKS }, (_, i) => ({ value: i + 1, text: String(i + 1) }));
    return [
      {
        field: 'maxHooks',
        label: 'Hooks at the most',
        value: maxHooks as unknown,
        options: [NOT_SAID, ...hooks],
      },
      {
        field: 'barbless',
        label: 'Barbs',
        value: barbless as unknown,
        options: yesNo('barbless only', 'barbs allowed'),
      },
      {
        field: 'leadAllowed',
        label: 'Lead',
        value: leadAllowed as unknown,
        options: yesNo('lead allowed', 'no lead'),
      },
    ];
  });

  /** Who said a field, when it says anything. */
  protected of(field: string): Saying | null {
    return this.said()[`rules.${field}`] ?? null;
  }

  protected set(field: string, value: unknown): void {
    this.changed.emit({ [field]: value });
  }

  /** One more thing that is not allowed, or one less. */
  protected forbid(method: Method): void {
    const forbidden = this.rules().forbidden ?? [];
    const rest = forbidden.filter((one) => one !== method);
    this.set('forbidden', rest.length < forbidden.length ? rest : [...forbidden, method]);
  }

  /** A season is two days; what is no day stays where it was typed. */
  protected season(end: 'from' | 'to', text: string): void {
    const day = text.trim() === '' ? null : dayOfYear(text);
    this.wrong.set(text.trim() !== '' && day === null ? end : null);
    if (this.wrong()) return;
    this.changed.emit(end === 'from' ? { seasonFrom: day } : { seasonTo: day });
  }
}

function dayText(monthDay: string | null): string {
  return monthDay ? dayOfYearText(monthDay) : '';
}
