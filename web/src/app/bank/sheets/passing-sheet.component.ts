import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { type Skill, type Strand, STRANDS } from '@doceo/core';
import { STRAND_NAMES } from '@doceo/texts';
import { SHEET } from './sheet';

/** Skills offered before a strand is chosen: those the drill of the moment is about, and what they rest on. */
const MAX_NEAR = 8;

/** A skill that was seen while something else was done: which, and whether it was good. */
@Component({
  selector: 'doceo-passing-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    @if (chosen(); as skill) {
      <p>
        <b>{{ skill.name }}</b>: {{ skill.good }}
      </p>
      <div class="choices">
        <button type="button" class="yes" (click)="keep(skill, true)">Good</button>
        <button type="button" (click)="keep(skill, false)">Not yet</button>
        <button type="button" (click)="chosen.set(null)">Another skill</button>
      </div>
    } @else {
      <div class="strands">
        @for (one of strands(); track one) {
          <button
            type="button"
            [attr.aria-pressed]="strand() === one"
            (click)="strand.set(strand() === one ? null : one)"
          >
            {{ names[one] }}
          </button>
        }
      </div>
      <div class="choices">
        @for (skill of skills(); track skill.id) {
          <button type="button" (click)="chosen.set(skill)">{{ skill.name }}</button>
        }
      </div>
    }
  `,
})
export class PassingSheetComponent {
  private readonly sheet = inject(SHEET);
  protected readonly names = STRAND_NAMES;
  protected readonly strand = signal<Strand | null>(null);
  protected readonly chosen = signal<Skill | null>(null);
  /** Those in which somebody may be seen in passing. */
  private readonly seen = computed(() =>
    this.sheet.curriculum().skills.all.filter(({ shownBy }) => shownBy.includes('passing')),
  );
  protected readonly strands = computed(() =>
    STRANDS.filter((strand) => this.seen().some((skill) => skill.strand === strand)),
  );
  protected readonly skills = computed(() => {
    const strand = this.strand();
    if (strand) return this.seen().filter((skill) => skill.strand === strand);
    const { skills } = this.sheet.curriculum();
    const about = (this.sheet.drill()?.trains ?? []).map(({ skillId }) => skillId);
    const near = new Set([...about, ...about.flatMap((id) => skills.ancestors(id).map((one) => one.id))]);
    const first = [...near].flatMap((id) => this.seen().find((skill) => skill.id === id) ?? []);
    return (first.length > 0 ? first : this.seen()).slice(0, MAX_NEAR);
  });

  protected keep(skill: Skill, good: boolean): void {
    this.sheet.keep({
      kind: 'attempt',
      skillId: skill.id,
      drillId: this.sheet.drill()?.id ?? null,
      good,
      faultId: null,
      evidence: 'passing',
    });
  }
}
