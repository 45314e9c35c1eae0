import { Component, computed, inject, input, signal } from '@angular/core';
import {
  measuredFrom,
  type Measurable,
  measurablesOf,
  type Reading,
  type Rig,
  type UnitSystem,
} from '@doceo/core';
import { measurableText } from '@doceo/texts';
import { DayStore } from '../../data/lesson/day-store';
import { ReadingStore } from '../../data/records/reading-store';
import { plainNumber } from '../../parts/fields/plain-number';
import { formatReading, type ReadingUnit, readingUnit } from '../../shared/reading-units';

interface Row extends ReadingUnit {
  thing: Measurable;
  name: string;
  estimate: string;
  /** Whose knots are counted on this row. */
  whose: string;
  taken: { id: string; text: string; on: string; who: string; mine: boolean }[];
}

/** What can be measured of a rig, with the readings there are. One entered here counts in every rig that has the thing. */
@Component({
  selector: 'doceo-rig-measures',
  templateUrl: './rig-measures.component.html',
  styleUrl: './rig-measures.component.css',
})
export class RigMeasuresComponent {
  private readonly store = inject(ReadingStore);
  private readonly day = inject(DayStore);
  readonly rig = input.required<Rig>();
  readonly system = input.required<UnitSystem>();
  /** The student whose knots the rig has, or null. */
  readonly tiedBy = input.required<string | null>();

  protected readonly wrong = signal<Record<string, string>>({});
  protected readonly rows = computed<Row[]>(() =>
    measurablesOf(this.rig()).map((thing) => this.toRow(thing)),
  );
  protected readonly count = computed(() => this.rows().filter(({ taken }) => taken.length > 0).length);

  private toRow(thing: Measurable): Row {
    const unit = readingUnit(thing.of, this.system());
    const estimated = `${Number(unit.fromSi(thing.estimate).toPrecision(2))} ${unit.unit}`;
    const tiedBy = thing.of.kind === 'knot' ? this.tiedBy() : null;
    return {
      ...unit,
      thing,
      name: measurableText(thing),
      estimate: estimated,
      whose: tiedBy ? `by ${this.nameOf(tiedBy)}` : '',
      taken: this.store
        .readings()
        .filter(({ reading, studentId }) => isOf(reading, thing.of) && studentId === tiedBy)
        .map(({ id, reading, on, studentId, mine }) => ({
          id,
          on,
          mine,
          text: formatReading(reading, this.system()),
          who: studentId ? this.nameOf(studentId) : '',
        })),
    };
  }

  protected keep(row: Row, field: HTMLInputElement): void {
    const { thing, least, most, unit } = row;
    const typed = plainNumber(field.value);
    const fine = typed !== null && typed >= least && typed <= most;
    this.wrong.update((all) => ({
      ...all,
      [thing.id]: fine || field.value.trim() === '' ? '' : `a number from ${least} to ${most} ${unit}`,
    }));
    if (!fine) return;
    field.value = '';
    this.store.add(
      { ...thing.of, value: row.toSi(typed) } as Reading,
      thing.of.kind === 'knot' ? this.tiedBy() : null,
    );
  }

  protected strike(id: string): void {
    this.store.remove(id);
  }

  private nameOf(studentId: string): string {
    return this.day.students().find(({ id }) => id === studentId)?.student.name ?? 'a student';
  }
}

/** Whether a reading is of this thing. */
function isOf(reading: Reading, of: Measurable['of']): boolean {
  const keyOf = (one: Reading): string => {
    const [measured] = measuredFrom([{ id: '', studentId: null, on: '', reading: one }], null);
    return `${measured?.kind}/${measured?.key}`;
  };
  return reading.kind === of.kind && keyOf(reading) === keyOf({ ...of, value: 1 } as Reading);
}
