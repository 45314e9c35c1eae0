import { Component, computed, inject } from '@angular/core';
import {
  type Adaptation,
  type Drill,
  GEAR_FOR,
  type GearFor,
  GROUND_KINDS,
  MAX_GROUP,
  METRES_PER_FOOT,
  NEEDS,
  type Strand,
  SUPERVISIONS,
  textInUnits,
} from '@doceo/core';
import { NEED_NAMES } from '@doceo/texts';
import { SessionStore } from '../../data/session';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';
import { AdaptationFieldsComponent } from './adaptation-fields.component';
import { EntrySheet, withAt } from './entry-sheet';
import { PickListComponent } from './pick-list.component';

const GEAR_WORDS: Record<GearFor, string> = {
  day: 'each, all day',
  student: 'each who does it',
  pair: 'one for two',
  group: 'one for all',
};

/** A drill with all its fields. */
@Component({
  selector: 'doceo-drill-sheet',
  imports: [
    AdaptationFieldsComponent,
    ChoiceFieldComponent,
    PickListComponent,
    SegmentsComponent,
    TextFieldComponent,
  ],
  styleUrl: './sheet.css',
  templateUrl: './drill-sheet.component.html',
})
export class DrillSheetComponent extends EntrySheet<'drill'> {
  protected readonly kind = 'drill';
  private readonly session = inject(SessionStore);
  protected readonly grounds = GROUND_KINDS.map((value) => ({ value, text: value }));
  protected readonly watching = SUPERVISIONS.map((value) => ({ value, text: value.replace('-', ' ') }));
  protected readonly gearFor = GEAR_FOR.map((value) => ({ value, text: GEAR_WORDS[value] }));
  protected readonly mostGroup = MAX_GROUP;
  protected readonly skills = computed(() =>
    this.curriculum().skills.all.map(({ id, name }) => ({ value: id, text: name })),
  );
  protected readonly faults = computed(() =>
    this.curriculum().faults.all.map(({ id, short }) => ({ id, name: short })),
  );
  protected readonly feet = computed(() => this.session.units() === 'imperial');
  protected readonly line = computed(() => {
    const { lineOutM } = this.draft();
    return Math.round((this.feet() ? lineOutM / METRES_PER_FOOT : lineOutM) * 10) / 10;
  });
  protected readonly needsLeft = computed(() =>
    NEEDS.filter((need) => !this.draft().adaptations.some((rule) => rule.need === need)).map((need) => ({
      id: need,
      name: NEED_NAMES[need],
    })),
  );

  /** A text that ships, in the units of the reader; what he writes instead is kept as he wrote it. */
  protected told(text: string): string {
    return textInUnits(text, this.session.units());
  }

  protected setLine(text: string): void {
    const value = Number(text);
    this.set({ lineOutM: Math.round((this.feet() ? value * METRES_PER_FOOT : value) * 100) / 100 });
  }

  protected setMinutes(field: keyof Drill['minutes'], text: string): void {
    this.set({ minutes: { ...this.draft().minutes, [field]: Number(text) } });
  }

  protected setGroup(field: keyof Drill['group'], text: string): void {
    this.set({ group: { ...this.draft().group, [field]: Number(text) } });
  }

  protected setSuccess(change: Partial<Drill['success']>): void {
    this.set({ success: { ...this.draft().success, ...change } });
  }

  /** The main skill decides the strand. */
  protected setTrained(at: number, skillId: string): void {
    const { trains } = this.draft();
    const next = withAt(trains, at, { share: trains[at]?.share ?? 0, skillId });
    this.set({ trains: next, ...(at === 0 ? { strand: this.strandOf(skillId) } : {}) });
  }

  protected setShare(at: number, percent: string): void {
    const { trains } = this.draft();
    const one = trains[at];
    if (one) this.set({ trains: withAt(trains, at, { ...one, share: Number(percent) / 100 }) });
  }

  /** One more side skill takes its share from the main one. */
  protected addTrained(): void {
    const { trains } = this.draft();
    const free = this.curriculum().skills.all.find(({ id }) => !trains.some(({ skillId }) => skillId === id));
    if (!free) return;
    const [main, ...rest] = trains;
    const share = 0.1;
    this.set(
      main
        ? { trains: [{ ...main, share: round(main.share - share) }, ...rest, { skillId: free.id, share }] }
        : { trains: [{ skillId: free.id, share: 1 }], strand: free.strand },
    );
  }

  protected dropTrained(at: number): void {
    const { trains } = this.draft();
    const gone = trains[at];
    const [main, ...rest] = withAt(trains, at, null);
    this.set({ trains: main ? [{ ...main, share: round(main.share + (gone?.share ?? 0)) }, ...rest] : [] });
  }

  protected setSteps(text: string): void {
    this.set({ how: text.split('\n').flatMap((step) => step.trim() || []) });
  }

  protected setGear(at: number, change: { item?: string; per?: GearFor }): void {
    const { gear } = this.draft();
    const one = gear[at];
    if (one)
      this.set({
        gear: change.item === '' ? withAt(gear, at, null) : withAt(gear, at, { ...one, ...change }),
      });
  }

  protected addGear(text: string): void {
    if (text.trim()) this.set({ gear: [...this.draft().gear, { item: text.trim(), per: 'student' }] });
  }

  protected setRule(at: number, rule: Adaptation | null): void {
    this.set({ adaptations: withAt(this.draft().adaptations, at, rule) });
  }

  protected addRule(select: HTMLSelectElement): void {
    const need = NEEDS.find((one) => one === select.value);
    if (need) this.set({ adaptations: [...this.draft().adaptations, { need, words: '' }] });
    select.value = '';
  }

  private strandOf(skillId: string): Strand {
    return this.curriculum().skills.get(skillId).strand;
  }
}

function round(share: number): number {
  return Math.round(share * 100) / 100;
}
