import { Component, computed, input, output, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { plainNumber } from '../../parts/fields/plain-number';
import {
  BEAD_DIAMETERS_M,
  boughtLeaderOf,
  BUTT_DIAMETERS_M,
  CoreError,
  diameterOfX,
  type DressingId,
  DRESSING_IDS,
  type Fitting,
  type Fly,
  flyAttachment,
  formatForce,
  formatBead,
  formatLength,
  formatMass,
  KG_PER_GRAIN,
  formatTippet,
  type Knot,
  KNOTS,
  knotsFor,
  type KnotId,
  MATERIAL_IDS,
  type MaterialId,
  materialStrength,
  METRES_PER_INCH,
  parseLength,
  MAX_SECTIONS,
  type Rig,
  rigEdits,
  SECTION_ROLES,
  type Section,
  spans,
  type UnitSystem,
} from '@doceo/core';
import { DRESSING_NAMES, KNOT_NAMES, MATERIAL_NAMES } from '@doceo/texts';
import { type Choice, choicesOf } from '../../parts/fields/choosing';
import { ChoiceCellComponent } from './choice-cell.component';

type Row =
  | {
      kind: 'section';
      id: string;
      atM: number;
      section: Section;
      joints: Choice<KnotId>[];
      holds: string;
    }
  | { kind: 'fitting'; id: string; atM: number; fitting: Fitting }
  | { kind: 'fly'; id: string; atM: number; fly: Fly };

/** Below this two diameters are one, metres. */
const SAME_M = 1e-7;
const LENGTH_MIN_M = 0.02;
const LENGTH_MAX_M = 12;
const MIN_SHOT_KG = 0.00001;
const MAX_SHOT_KG = 0.01;

/** Parts from the fly line down, edited in place. A wrong entry is told at its cell and changes nothing. */
@Component({
  selector: 'doceo-rig-table',
  imports: [ChoiceCellComponent, FormsModule, NgTemplateOutlet, RouterLink],
  templateUrl: './rig-table.component.html',
  styleUrl: './rig-table.component.css',
  host: { '(keydown)': 'key($event)' },
})
export class RigTableComponent {
  readonly rig = input.required<Rig>();
  readonly system = input.required<UnitSystem>();
  readonly editable = input(true);
  readonly selectedId = input<string | null>(null);
  readonly edited = output<Rig>();
  readonly selected = output<string>();

  protected readonly wrong = signal<Record<string, string>>({});
  protected readonly materials = choicesOf(MATERIAL_IDS, MATERIAL_NAMES);
  protected readonly dressings = choicesOf(DRESSING_IDS, DRESSING_NAMES);
  protected readonly flyKnots = knotChoices(knotsFor('line-to-fly'));
  protected readonly hookSizes = Array.from({ length: 11 }, (_, i) => 2 + i * 2).map((size) => ({
    value: size,
    text: `#${size}`,
  }));
  protected readonly barbs = [
    { value: null, text: 'barb: not said' },
    { value: 'flat' as const, text: 'barb flat' },
    { value: 'barbed' as const, text: 'barbed' },
  ];
  protected readonly styles = [
    { value: 'fixed' as const, text: 'fixed' },
    { value: 'slip-release' as const, text: 'slip-release, lets go on a take' },
    { value: 'yarn' as const, text: 'yarn' },
  ];
  protected readonly metals = [
    { value: 'tin' as const, text: 'tin' },
    { value: 'lead' as const, text: 'lead' },
  ];
  protected readonly beads = computed(() => [
    { value: 'none', text: 'no bead' },
    ...(['brass', 'tungsten'] as const).flatMap((metal) =>
      BEAD_DIAMETERS_M.map((size) => ({
        value: `${metal} ${size}`,
        text: `${metal} ${formatBead(size, this.system())}`,
      })),
    ),
  ]);
  protected readonly roles = SECTION_ROLES;
  protected readonly most = MAX_SECTIONS;
  protected readonly chosenSection = computed(
    () => this.rig().sections.find(({ id }) => id === this.selectedId()) ?? null,
  );
  /** The bought leader that the section chosen is a part of; it is cut at its ends, not tied. */
  protected readonly bought = computed(() => {
    const section = this.chosenSection();
    const leader = section && boughtLeaderOf(this.rig(), section.id);
    return leader ? { end: formatTippet(leader.endM, this.system()) } : null;
  });
  /** How much is cut off at a time, metres. */
  protected readonly cutM = computed(() => (this.system() === 'metric' ? 0.1 : 4 * METRES_PER_INCH));
  protected readonly full = computed(() => this.rig().sections.length >= MAX_SECTIONS);
  /** Why nothing can be added, or null. */
  protected readonly fullWhy = computed(() =>
    this.full() ? `A leader has ${MAX_SECTIONS} sections at the most.` : null,
  );
  /** Why no section can be taken off, or null. */
  protected readonly keepsWhy = computed(() =>
    this.rig().sections.length < 2
      ? 'A leader has one section at the least.'
      : this.chosenSection()
        ? null
        : 'Choose a section in the table first.',
  );
  protected readonly hasIndicator = computed(() =>
    this.rig().fittings.some(({ kind }) => kind === 'indicator'),
  );
  /** The knot of the part chosen, to be looked up. */
  protected readonly chosenKnot = computed<KnotId | null>(() => {
    const knot =
      this.chosenSection()?.joint ?? this.rig().flies.find(({ id }) => id === this.selectedId())?.knot;
    return knot && knot !== 'tapered' ? knot : null;
  });
  private readonly diameters = [...BUTT_DIAMETERS_M]
    .reverse()
    .concat(Array.from({ length: 9 }, (_, x) => diameterOfX(x)));

  protected readonly rows = computed<Row[]>(() => {
    const rig = this.rig();
    const sections = spans(rig).map(({ section, topM }, index): Row => ({
      kind: 'section',
      id: section.id,
      atM: topM,
      section,
      joints: this.jointsFor(section, index),
      holds: formatForce(materialStrength(section.material, section.diameterM, rig.measured), this.system()),
    }));
    const fittings = rig.fittings.map((fitting): Row => ({
      kind: 'fitting',
      id: fitting.id,
      atM: fitting.aboveFlyM,
      fitting,
    }));
    const flies = rig.flies.map((fly): Row => ({
      kind: 'fly',
      id: fly.id,
      atM: flyAttachment(rig, fly),
      fly,
    }));
    const order = { section: 2, fitting: 1, fly: 0 };
    return [...sections, ...fittings, ...flies].sort(
      (a, b) => b.atM - a.atM || (a.kind === b.kind ? 0 : order[a.kind] - order[b.kind]),
    );
  });

  /** Knots that may tie a section on, with the one that it has. */
  private jointsFor(section: Section, index: number): Choice<KnotId>[] {
    const onFly = this.rig().flies.some(({ at }) => at.kind === 'inline' && at.sectionId === section.id);
    const knots = knotsFor(onFly ? 'line-to-bend' : index === 0 ? 'line-to-loop' : 'line-to-line');
    return knotChoices(
      knots.some(({ id }) => id === section.joint) ? knots : [KNOTS[section.joint], ...knots],
    );
  }

  protected length(metres: number): string {
    return formatLength(metres, this.system());
  }

  /** Diameters there are, with the one that the section has. */
  protected sizes({ diameterM }: Section): Choice<number>[] {
    const usual = this.diameters.filter((one) => Math.abs(one - diameterM) >= SAME_M);
    const all = usual.length < this.diameters.length ? this.diameters : [diameterM, ...usual];
    return all.map((one) => {
      const value = Math.abs(one - diameterM) < SAME_M ? diameterM : one;
      return { value, text: formatTippet(value, this.system()) };
    });
  }

  protected setLength(row: Row, text: string): void {
    let metres: number;
    try {
      metres = parseLength(text, this.system());
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      return this.mark(
        row.id,
        `“${text}” is no length; try ${this.system() === 'metric' ? '0.4, 40 cm or 1.2 m' : '16 in or 1 ft 4 in'}`,
      );
    }
    if (metres < LENGTH_MIN_M || metres > LENGTH_MAX_M)
      return this.mark(row.id, `between ${this.length(LENGTH_MIN_M)} and ${this.length(LENGTH_MAX_M)}`);
    this.mark(row.id, null);
    if (row.kind === 'section') this.edited.emit(rigEdits.section(this.rig(), row.id, { lengthM: metres }));
    if (row.kind === 'fitting') this.edited.emit(rigEdits.slide(this.rig(), row.id, metres));
    if (row.kind === 'fly' && row.fly.at.kind === 'tag') {
      if (metres > 1) return this.mark(row.id, `at the most ${this.length(1)} for a tag`);
      this.edited.emit(rigEdits.fly(this.rig(), row.id, { at: { ...row.fly.at, lengthM: metres } }));
    }
  }

  protected setSection(
    id: string,
    change: { diameterM?: number; material?: MaterialId; joint?: KnotId; role?: Section['role'] },
  ): void {
    this.edited.emit(rigEdits.section(this.rig(), id, change));
  }

  protected rename(section: Section, text: string): void {
    const name = text.trim().slice(0, 40);
    if (name) this.edited.emit(rigEdits.section(this.rig(), section.id, { name }));
  }

  /** Adds below the section chosen, else at the end of the leader. */
  protected addSection(): void {
    const below = this.chosenSection()?.id ?? this.rig().sections.at(-1)?.id ?? null;
    this.edited.emit(rigEdits.addSection(this.rig(), below));
  }

  protected addAtLine(): void {
    this.edited.emit(rigEdits.addSection(this.rig(), null));
  }

  protected removeSection(): void {
    const section = this.chosenSection();
    if (section) this.edited.emit(rigEdits.removeSection(this.rig(), section.id));
  }

  protected trim(end: 'tip' | 'butt'): void {
    const section = this.chosenSection();
    if (section) this.edited.emit(rigEdits.trimLeader(this.rig(), section.id, end, this.cutM()));
  }

  protected setIndicator(on: boolean): void {
    this.edited.emit(rigEdits.indicator(this.rig(), on));
  }

  /** In the table Ctrl+Enter adds a section below, Ctrl+Delete takes it off. */
  protected key(event: KeyboardEvent): void {
    if (!event.ctrlKey || !this.editable()) return;
    if (event.key === 'Enter') this.addSection();
    else if (event.key === 'Delete') this.removeSection();
    else return;
    event.preventDefault();
  }

  protected setFly(id: string, change: Partial<Fly>): void {
    this.edited.emit(rigEdits.fly(this.rig(), id, change));
  }

  /** Another dressing gives the fly its name. */
  protected setDressing(fly: Fly, dressing: DressingId): void {
    this.setFly(fly.id, { dressing, name: DRESSING_NAMES[dressing] });
  }

  /** Metal and size of a fly's bead as one choice. */
  protected beadKey(fly: Fly): string {
    return fly.bead === 'none' ? 'none' : `${fly.bead} ${fly.beadDiameterM}`;
  }

  protected setBead(flyId: string, key: string): void {
    const [bead, diameter] = key.split(' ') as [Fly['bead'], string | undefined];
    this.setFly(flyId, { bead, beadDiameterM: Number(diameter ?? 0) });
  }

  protected setStyle(style: 'fixed' | 'slip-release' | 'yarn'): void {
    this.edited.emit(rigEdits.indicatorStyle(this.rig(), style));
  }

  protected setMetal(metal: 'tin' | 'lead'): void {
    this.edited.emit(rigEdits.shotMetal(this.rig(), metal));
  }

  protected mass(massKg: number): string {
    return formatMass(massKg, this.system());
  }

  protected setMass(text: string): void {
    const unitKg = this.system() === 'metric' ? 0.001 : KG_PER_GRAIN;
    const massKg = (plainNumber(text) ?? Number.NaN) * unitKg;
    if (!(massKg >= MIN_SHOT_KG && massKg <= MAX_SHOT_KG))
      return this.mark('shot', `between ${this.mass(MIN_SHOT_KG)} and ${this.mass(MAX_SHOT_KG)}`);
    this.mark('shot', null);
    this.edited.emit(rigEdits.shotMass(this.rig(), massKg));
  }

  private mark(id: string, text: string | null): void {
    this.wrong.update((all) => {
      const { [id]: _old, ...others } = all;
      return text === null ? others : { ...others, [id]: text };
    });
  }
}

function knotChoices(knots: readonly Knot[]): Choice<KnotId>[] {
  return choicesOf(
    knots.map(({ id }) => id),
    KNOT_NAMES,
  );
}
