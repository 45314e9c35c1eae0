import { Component, computed, input, output, signal } from '@angular/core';
import {
  CoreError,
  DROPPER_SCHOOLS,
  formatBead,
  formatLength,
  KG_PER_GRAIN,
  HEAVIEST_SCHOOLS,
  INDICATOR_SCHOOLS,
  maxFlies,
  parametersOf,
  parseLength,
  reshape,
  type Rig,
  rigEdits,
  type RigSchools,
  schoolDifferences,
  schoolsOf,
  SHOT_SCHOOLS,
  TEMPLATES,
  TIP_GUIDE_M,
  type TemplateParameters,
  type UnitSystem,
  xOfDiameter,
} from '@doceo/core';
import { RIG_TEMPLATE_WORDS } from '@doceo/texts';
import { InUnitsPipe } from '../../parts/in-units.pipe';
import { SegmentsComponent } from '../../parts/fields/segments.component';
import { SCHOOLS, wayOf } from '../../shared/school-texts';
import { ChoiceFieldComponent } from '../../parts/fields/choice-field.component';
import { TextFieldComponent } from '../../parts/fields/text-field.component';

/** A length that can be typed, with the range it must keep. */
interface LengthField {
  id: 'depth' | 'rod' | 'leader';
  label: string;
  valueM: number;
  minM: number;
  maxM: number;
  change: (metres: number) => Rig;
}

const BY_HAND: readonly (keyof TemplateParameters)[] = [
  'rodLengthM',
  'lineWeight',
  'waterDepthM',
  'tippetX',
  'flyCount',
  'shotMassKg',
];

const GUIDES_M = [0.003, TIP_GUIDE_M, 0.006];

const COUNT_WORDS = ['one', 'two', 'three'];

/** What drives a rig: depth, rod, tippet, flies, shot and schools, as far as its template uses them. */
@Component({
  selector: 'doceo-rig-settings',
  imports: [ChoiceFieldComponent, InUnitsPipe, SegmentsComponent, TextFieldComponent],
  templateUrl: './rig-settings.component.html',
  styleUrl: './rig-settings.component.css',
})
export class RigSettingsComponent {
  readonly rig = input.required<Rig>();
  readonly system = input.required<UnitSystem>();
  /** The schools I go by. */
  readonly mine = input.required<RigSchools>();
  readonly edited = output<Rig>();
  /** The schools I shall go by from now on. */
  readonly adopted = output<RigSchools>();

  protected readonly wrong = signal<Partial<Record<LengthField['id'], string>>>({});
  protected readonly edits = rigEdits;
  protected readonly xSizes = [0, 1, 2, 3, 4, 5, 6, 7, 8].map((value) => ({ value, text: `${value}X` }));
  protected readonly lineWeights = Array.from({ length: 10 }, (_, i) => ({ value: i + 1, text: `${i + 1}` }));
  /** Grams, told in grams or in grains. */
  protected readonly shotMasses = computed(() =>
    [0, 0.1, 0.2, 0.3, 0.5, 0.8].map((value) => ({
      value,
      text: value === 0 ? 'none' : this.inUnits(value),
    })),
  );
  protected readonly shotLabel = computed(() => `Shot, ${this.system() === 'metric' ? 'g' : 'gr'}`);
  /** Inner widths of tip guides there are; the middle one is typical. */
  protected readonly guides = computed(() =>
    GUIDES_M.map((value) => ({ value, text: formatBead(value, this.system()).replace(/ \w+$/, '') })),
  );
  protected readonly guideLabel = computed(
    () =>
      `Tip guide, ${this.system() === 'metric' ? 'mm' : 'in'}${this.rig().rod.tipGuideM === undefined ? ', typical' : ''}`,
  );
  protected readonly guide = computed(() => this.rig().rod.tipGuideM ?? TIP_GUIDE_M);
  protected readonly hingeRatios = [8, 10, 12, 14, 16].map((value) => ({ value, text: `${value}:1` }));

  protected readonly template = computed(() => TEMPLATES[this.rig().template]);
  protected readonly purpose = computed(() => RIG_TEMPLATE_WORDS[this.rig().template].purpose);
  protected readonly parameters = computed(() => parametersOf(this.rig()));
  protected readonly tippetX = computed(() => xOfDiameter(this.rig().sections.at(-1)?.diameterM ?? 0));
  protected readonly shotGrams = computed(() => Math.round(this.parameters().shotMassKg * 1e5) / 100);
  protected readonly hingeShown = computed(() => Math.round(this.parameters().hingeRatio));
  protected readonly counts = computed(() =>
    COUNT_WORDS.slice(0, maxFlies(this.template(), this.rig().byHand)).map((text, i) => ({
      value: i + 1,
      text,
    })),
  );
  protected readonly lengths = computed<LengthField[]>(() => {
    const rig = this.rig();
    const fields: (LengthField & { needs: keyof TemplateParameters })[] = [
      {
        id: 'depth',
        label: 'Water depth',
        needs: 'waterDepthM',
        valueM: rig.waterDepthM,
        minM: 0.1,
        maxM: 10,
        change: (m) => rigEdits.depth(rig, m),
      },
      {
        id: 'rod',
        label: 'Rod',
        needs: 'rodLengthM',
        valueM: rig.rod.lengthM,
        minM: 1.5,
        maxM: 5,
        change: (m) => rigEdits.rod(rig, m),
      },
      {
        id: 'leader',
        label: 'Leader',
        needs: 'leaderLengthM',
        valueM: this.parameters().leaderLengthM,
        minM: 2,
        maxM: 8,
        change: (m) => reshape(rig, { leaderLengthM: m }),
      },
    ];
    return fields.filter(({ needs }) => this.uses(needs));
  });
  /** The disagreements that concern this rig, with the way chosen and its reason. */
  protected readonly schools = computed(() => {
    const rig = this.rig();
    const shown = <K extends keyof RigSchools>(
      key: K,
      options: readonly RigSchools[K][],
      choose: (option: RigSchools[K]) => Rig,
    ) => ({
      key,
      label: SCHOOLS[key].label,
      chosen: rig.schools[key] as string,
      reason: SCHOOLS[key].ways[rig.schools[key]].reason,
      options: options.map((value) => {
        const { name, reason } = SCHOOLS[key].ways[value];
        return { value: value as string, text: name, reason };
      }),
      choose: (value: string) => choose(value as RigSchools[K]),
    });
    const all = {
      indicator: () =>
        shown('indicator', INDICATOR_SCHOOLS, (option) => rigEdits.indicatorSchool(rig, option)),
      shot: () => shown('shot', SHOT_SCHOOLS, (option) => rigEdits.shotSchool(rig, option)),
      dropper: () => shown('dropper', DROPPER_SCHOOLS, (option) => rigEdits.dropperSchool(rig, option)),
      heaviest: () => shown('heaviest', HEAVIEST_SCHOOLS, (option) => rigEdits.heaviestSchool(rig, option)),
    };
    return schoolsOf(rig).map((key) => all[key]());
  });
  /** Where this rig goes another way than I do. */
  protected readonly differs = computed(() =>
    schoolDifferences(this.rig(), this.mine()).map((key) => ({
      key,
      label: SCHOOLS[key].label,
      mine: wayOf(key, this.mine()).name,
    })),
  );

  protected useMine(): void {
    this.edited.emit(rigEdits.schools(this.rig(), this.mine()));
  }

  protected adopt(): void {
    const { schools } = this.rig();
    this.adopted.emit({
      ...this.mine(),
      ...Object.fromEntries(this.differs().map(({ key }) => [key, schools[key]])),
    });
  }

  /** Sections made by hand keep their lengths: what only a template can rebuild is not offered then. */
  protected uses(parameter: keyof TemplateParameters): boolean {
    if (this.rig().byHand) return BY_HAND.includes(parameter);
    return this.template().uses.includes(parameter);
  }

  private inUnits(grams: number): string {
    return this.system() === 'metric' ? `${grams}` : (grams / 1000 / KG_PER_GRAIN).toFixed(1);
  }

  protected length(metres: number): string {
    return formatLength(metres, this.system());
  }

  protected hinge(ratio: number): void {
    this.edited.emit(reshape(this.rig(), { hingeRatio: ratio }));
  }

  protected setLength(field: LengthField, text: string): void {
    const tell = (words: string | null): void =>
      this.wrong.update((all) => ({ ...all, [field.id]: words ?? undefined }));
    try {
      const metres = parseLength(text, this.system());
      if (metres < field.minM || metres > field.maxM)
        return tell(`between ${this.length(field.minM)} and ${this.length(field.maxM)}`);
      tell(null);
      this.edited.emit(field.change(metres));
    } catch (error) {
      if (!(error instanceof CoreError)) throw error;
      tell(`“${text}” is no length`);
    }
  }
}
