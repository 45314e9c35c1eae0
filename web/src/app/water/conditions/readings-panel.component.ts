import { Component, computed, inject, input, signal } from '@angular/core';
import {
  api,
  type Issue,
  readingId,
  type ReadFile,
  readReadings,
  type SavedConditionReading,
  writeReadings,
} from '@doceo/contract';
import { type ConditionReading, READING_RANGES, type ReadingKind } from '@doceo/core';
import { DateTime } from 'luxon';
import { ApiClient } from '../../data/api/api-client';
import type { ApiError } from '../../data/api/api-error';
import { DayStore } from '../../data/lesson/day-store';
import { download, fileName } from '../../data/download';
import { timeText } from '../../data/lesson/lesson-texts';
import { SessionStore } from '../../data/session';
import { OpenFileComponent } from '../../parts/fields/open-file.component';
import { plainNumber } from '../../parts/fields/plain-number';
import { READING_FIELDS } from './reading-fields';
import { WaterStore } from '../water-store';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

/** What was read at the water: typed, taken in from a table, taken back. It goes over the station. */
@Component({
  selector: 'doceo-readings-panel',
  imports: [ChoiceFieldComponent, OpenFileComponent, TextFieldComponent],
  template: `
    <h2>What you read there</h2>
    <p class="small soft">A reading goes over the station in its hour, and shifts the hours around it.</p>
    @if (store.saved()?.editable) {
      <form class="fields" (submit)="$event.preventDefault(); add()">
        <doceo-choice-field label="what" [options]="kinds()" [value]="what()" (chosen)="what.set($event)" />
        <doceo-text-field
          [label]="field().unit(session.units())"
          name="reading"
          [figures]="true"
          [value]="text()"
          (typed)="text.set($event)"
        />
        @if (what() === 'waterC' && !store.flows()) {
          <doceo-text-field
            label="depth, m"
            [figures]="true"
            [value]="depthText()"
            (typed)="depthText.set($event)"
          />
        }
        <doceo-text-field
          class="time"
          label="at"
          type="time"
          [value]="time()"
          (typed)="typedTime.set($event)"
        />
        <button type="submit" class="btn small">Put it down</button>
      </form>
    } @else {
      <p class="small soft">You see this water as a reader: what was read there is put in by others.</p>
    }
    @if (wrong(); as fault) {
      <p class="wrong" role="alert">{{ fault }}</p>
    }
    @if (rows().length > 0) {
      <table class="plain">
        <tbody>
          @for (row of rows(); track row.id) {
            <tr>
              <td class="figure">{{ row.when }}</td>
              <td>{{ row.what }}</td>
              <td class="figure">{{ row.value }}</td>
              <td class="small soft">{{ row.by }}</td>
              <td>
                @if (row.mayStrike) {
                  <button type="button" class="btn small plain" (click)="remove(row.id)">Take back</button>
                }
              </td>
            </tr>
          }
        </tbody>
      </table>
    }
    <div class="row files">
      @if (store.saved()?.editable) {
        <doceo-open-file
          label="Import a table (CSV)"
          accept=".csv,text/csv"
          [read]="read"
          [most]="1000000"
          (opened)="put($event.file)"
        />
      }
      @if (rows().length > 0) {
        <button type="button" class="btn" (click)="save()">Save as a table</button>
      }
    </div>
  `,
  styles: `
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      align-items: end;
      margin-top: 6px;
    }

    .fields > :not(button) {
      flex: 1 1 76px;
      min-width: 0;
    }

    .fields .time {
      flex-basis: 124px;
    }

    .files {
      margin-top: 8px;
    }
  `,
})
export class ReadingsPanelComponent {
  protected readonly store = inject(WaterStore);
  protected readonly session = inject(SessionStore);
  private readonly client = inject(ApiClient);
  private readonly day = inject(DayStore);
  readonly readings = input.required<readonly SavedConditionReading[]>();

  protected readonly what = signal<ReadingKind>('waterC');
  protected readonly text = signal('');
  protected readonly depthText = signal('');
  protected readonly typedTime = signal<string | null>(null);
  protected readonly wrong = signal<string | null>(null);

  protected readonly fields = computed(() =>
    READING_FIELDS.filter(({ kind }) => kind !== 'levelM' || this.store.flows()),
  );
  protected readonly kinds = computed(() =>
    this.fields().map(({ kind, name }) => ({ value: kind, text: name })),
  );
  protected readonly field = computed(
    () => READING_FIELDS.find(({ kind }) => kind === this.what()) ?? READING_FIELDS[0]!,
  );
  protected readonly time = computed(
    () =>
      this.typedTime() ??
      timeText(Math.min(this.day.moment()?.atMs ?? this.day.now(), this.day.now()), this.store.zone()),
  );
  protected readonly rows = computed(() => {
    const [zone, units] = [this.store.zone(), this.session.units()];
    const saved = this.store.saved();
    return this.readings().map(({ id, atMs, what, value, depthM, by, mine }) => {
      const field = READING_FIELDS.find(({ kind }) => kind === what)!;
      return {
        id,
        when: DateTime.fromMillis(atMs, { zone }).toFormat('d LLL HH:mm'),
        what: depthM === null ? field.name : `${field.name} at ${depthM} m`,
        value: field.tell(value, units),
        by: mine ? '' : by,
        mayStrike: (mine && saved?.editable) || saved?.mine,
      };
    });
  });
  protected readonly read = (text: string): ReadFile<ConditionReading[]> =>
    readReadings(text, this.seed(), Date.now());

  /** Ids are made from what was read, where and by whom: the same table taken in twice is there once. */
  private seed(): string {
    return `${this.store.saved()?.id ?? ''}/${this.session.user()?.id ?? ''}`;
  }

  protected add(): void {
    const [typed, water, date] = [plainNumber(this.text()), this.store.saved(), this.day.date()];
    if (!water || !date) return;
    const at = DateTime.fromISO(`${date}T${this.time()}`, { zone: water.water.timeZone });
    const value = typed === null ? null : this.field().toSi(typed, this.session.units());
    const { from, to } = READING_RANGES[this.what()];
    const depthM = this.depthText().trim() === '' ? null : plainNumber(this.depthText());
    if (value === null) return this.wrong.set(`“${this.text()}” is no number.`);
    if (value < from || value > to)
      return this.wrong.set(
        `That is from ${this.field().tell(from, this.session.units())} to ${this.field().tell(to, this.session.units())}.`,
      );
    if (this.depthText().trim() !== '' && (depthM === null || depthM < 0 || depthM > 120))
      return this.wrong.set('The depth is from 0 to 120 m.');
    if (at.toMillis() > Date.now()) return this.wrong.set('That lies in the future: nobody has read it yet.');
    const reading = {
      atMs: at.toMillis(),
      what: this.what(),
      value,
      depthM: this.what() === 'waterC' ? depthM : null,
    };
    this.put([{ id: readingId(this.seed(), reading), ...reading }]);
  }

  protected put(readings: ConditionReading[]): void {
    const water = this.store.saved();
    if (!water) return;
    this.client.call(api.waters.saveReadings, { params: { id: water.id }, body: { readings } }).subscribe({
      next: () => this.done(),
      error: (error: ApiError) => this.wrong.set(told(error)),
    });
  }

  protected remove(id: string): void {
    const water = this.store.saved();
    if (!water) return;
    this.client
      .call(api.waters.removeReading, { params: { id: water.id, readingId: id } })
      .subscribe({ next: () => this.done(), error: (error: ApiError) => this.wrong.set(told(error)) });
  }

  protected save(): void {
    const name = fileName(`${this.store.water()?.name} readings`, 'csv');
    download(name, writeReadings(this.readings()), 'text/csv;charset=utf-8');
  }

  private done(): void {
    this.wrong.set(null);
    this.text.set('');
    this.day.loadConditions();
  }
}

function told({ message, issues }: { message: string; issues: readonly Issue[] }): string {
  return issues[0] ? `${issues[0].path} ${issues[0].message}` : message;
}
