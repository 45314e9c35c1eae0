import {
  afterNextRender,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  type OnInit,
  signal,
} from '@angular/core';
import { ActivatedRoute, RouterLink } from '@angular/router';
import {
  type BankEvent,
  diameterOfX,
  formatDiameter,
  formatForce,
  formatTippet,
  type Knot,
  type KnotShown,
  knotShown,
  KNOTS,
  type MaterialId,
  MATERIAL_IDS,
  materialStrength,
} from '@doceo/core';
import { KNOT_NAMES, MATERIAL_NAMES } from '@doceo/texts';
import { DayStore } from '../../data/lesson/day-store';
import { BenchRecord } from '../../data/records/bench-record';
import { ReadingStore } from '../../data/records/reading-store';
import { SessionStore } from '../../data/session';
import { TeachingStore } from '../../data/teaching/teaching-store';
import { plainNumber } from '../../parts/fields/plain-number';
import { readOnText } from '../../parts/dates';
import { InUnitsPipe } from '../../parts/in-units.pipe';
import { KNOT_STEPS } from '.';
import { KnotStepComponent } from './knot-step.component';
import { KeptOnBenchComponent } from '../../shared/lesson/kept-on-bench.component';
import { readingUnit } from '../../shared/reading-units';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { choicesOf } from '../../parts/fields/choosing';

type TiedKnot = keyof typeof KNOT_STEPS;

/** Who tied a knot and how it held. */
interface Share {
  who: string;
  percent: number;
  note: string;
}

const GROUPS: { title: string; ids: TiedKnot[] }[] = [
  { title: 'Line to fly', ids: ['improved-clinch', 'clinch', 'bend-clinch', 'loop-to-fly', 'snell'] },
  {
    title: 'Line to line',
    ids: ['double-surgeon', 'triple-surgeon', 'blood', 'double-uni', 'tippet-ring'],
  },
  {
    title: 'Leader to fly line',
    ids: ['loop-to-loop', 'perfection-loop', 'surgeon-loop', 'nail', 'slip-loop'],
  },
];

const USES: Record<Knot['uses'][number], string> = {
  'line-to-fly': 'line to fly',
  'line-to-line': 'line to line',
  'line-to-loop': 'leader to fly line',
  'line-to-ring': 'line to ring',
  'line-to-bend': 'dropper to a bend',
};

/** The knots, drawn step by step, with what each holds: typically, tied by me, tied by each student. */
@Component({
  selector: 'doceo-knots-page',
  imports: [ChoiceFieldComponent, InUnitsPipe, KeptOnBenchComponent, KnotStepComponent, RouterLink],
  templateUrl: './knots.page.html',
  styleUrl: './knots.page.css',
})
export class KnotsPage implements OnInit {
  private readonly store = inject(ReadingStore);
  private readonly injector = inject(Injector);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** The knot that was asked for in the address. */
  protected readonly fragment = inject(ActivatedRoute).snapshot.fragment;
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);

  private readonly record = inject(BenchRecord);
  private readonly teaching = inject(TeachingStore);
  /** What the last knot on the scale showed, and what of it went into a record. */
  protected readonly shown = signal<{ id: string; events: BankEvent[]; told: string } | null>(null);

  protected readonly materials = choicesOf(MATERIAL_IDS, MATERIAL_NAMES);
  protected readonly wrong = signal<{ id: string; text: string } | null>(null);
  /** What the scale pulls on, and who tied it; stays while several are broken in a row. */
  protected readonly who = signal('');
  protected readonly people = computed(() => [
    { value: '', text: 'me' },
    ...this.day.students().map(({ id, student }) => ({ value: id, text: student.name })),
  ]);
  protected readonly material = signal<MaterialId>('copolymer');
  protected readonly diameterM = signal(diameterOfX(5));
  protected readonly sizes = computed(() =>
    [0, 1, 2, 3, 4, 5, 6, 7, 8].map((x) => {
      const value = diameterOfX(x);
      const inUnits = formatDiameter(value, this.session.units());
      return { value, text: `${formatTippet(value, this.session.units())}, ${inUnits}` };
    }),
  );
  protected readonly unit = computed(() =>
    readingUnit(
      { kind: 'knot', knot: 'clinch', material: this.material(), diameterM: this.diameterM() },
      this.session.units(),
    ),
  );

  protected readonly groups = computed(() =>
    GROUPS.map(({ title, ids }) => ({ title, knots: ids.map((id) => this.toCard(id)) })),
  );

  ngOnInit(): void {
    this.store.load();
    afterNextRender(() => this.element.querySelector('article.on')?.scrollIntoView(), {
      injector: this.injector,
    });
  }

  private toCard(id: TiedKnot) {
    const { uses, share, rangeM, maxDiameterRatio, notIn } = KNOTS[id];
    const system = this.session.units();
    return {
      id,
      name: KNOT_NAMES[id],
      steps: KNOT_STEPS[id],
      uses: uses.map((use) => USES[use]).join(', '),
      range: `${formatDiameter(rangeM[0], system)} to ${formatDiameter(rangeM[1], system)}`,
      ratio: uses.includes('line-to-line') ? `up to ${maxDiameterRatio} : 1 thick to thin` : '',
      notIn: notIn.map((material) => MATERIAL_NAMES[material]).join(', '),
      shares: this.sharesOf(id, share),
    };
  }

  private sharesOf(id: TiedKnot, typical: number): Share[] {
    const own = this.shareOf(id, null);
    return [
      { who: 'typical', percent: Math.round(typical * 100), note: '± 8, rule of thumb' },
      ...(own ? [{ who: 'me', ...own }] : []),
      ...this.day.students().flatMap(({ id: studentId, student }) => {
        const theirs = this.shareOf(id, studentId);
        return theirs ? [{ who: student.name, ...theirs }] : [];
      }),
    ];
  }

  private shareOf(id: TiedKnot, studentId: string | null): Omit<Share, 'who'> | null {
    const readings = this.store
      .readings()
      .filter(
        ({ reading, studentId: who }) => reading.kind === 'knot' && reading.knot === id && who === studentId,
      );
    if (readings.length === 0) return null;
    const { value, on } = this.store.shareOf(id, studentId);
    return {
      percent: Math.round(value * 100),
      note: `${readings.length} broken, last ${readOnText(on)}`,
    };
  }

  protected keep(id: TiedKnot, field: HTMLInputElement): void {
    const { least, most, unit, toSi } = this.unit();
    const typed = plainNumber(field.value);
    if (typed === null || typed < least || typed > most)
      return this.wrong.set({ id, text: `a number from ${least} to ${most} ${unit}` });
    const [material, diameterM] = [this.material(), this.diameterM()];
    const lineN = materialStrength(material, diameterM);
    if (toSi(typed) > lineN * MAX_OF_LINE)
      return this.wrong.set({
        id,
        text: `more than the line itself holds, about ${formatForce(lineN, this.session.units())}`,
      });
    this.wrong.set(null);
    field.value = '';
    const value = toSi(typed);
    this.store.add({ kind: 'knot', knot: id, material, diameterM, value }, this.who() || null);
    void this.show(id, value / lineN);
  }

  /** What a student's knot held shows on his record too, while his lesson is the one that is on. */
  private async show(id: TiedKnot, heldShare: number): Promise<void> {
    const shown = knotShown(id, heldShare);
    this.record.studentId.set(this.who() || null);
    const events = this.who() ? await this.record.keepAttempts([shown]) : [];
    this.shown.set({ id, events, told: this.toldOf(shown, events.length > 0) });
  }

  private toldOf({ skillId, good }: KnotShown, kept: boolean): string {
    const skill = this.teaching.curriculum().skills.get(skillId).name;
    if (kept) return `${skill}: ${good ? 'good' : 'not good yet'}.`;
    if (!this.who()) return '';
    return (
      this.record.forbidden() ??
      'Kept as a strength. It goes into the record of those whose lesson is chosen in the strip.'
    );
  }
}

/** A reading above this many times what the line should hold is a slip of the pen. */
const MAX_OF_LINE = 1.6;
