import { Component, computed, input, output } from '@angular/core';
import type { Curriculum } from '@doceo/core';
import type { Tie } from './streams/teaching-streams.component';

/** A line that was drawn from one skill to another: to be tied, or why it cannot be. */
@Component({
  selector: 'doceo-tie-question',
  template: `
    <div class="tie" [class.refused]="tie().circle" role="alert">
      @if (tie().circle; as circle) {
        <span
          >Refused: <b>{{ name(tie().skillId) }}</b> would need itself. {{ circleText(circle) }}</span
        >
        @if (turned(); as other) {
          <button type="button" class="btn small" (click)="tied.emit(other)">Turn it round</button>
        }
        <button type="button" class="btn small" (click)="dropped.emit()">Drop it</button>
      } @else {
        <span
          ><b>{{ name(tie().skillId) }}</b> rests on <b>{{ name(tie().needId) }}</b>?</span
        >
        <button type="button" class="btn small go" (click)="tied.emit(tie())">Tie it</button>
        <button type="button" class="btn small" (click)="dropped.emit()">Drop it</button>
      }
    </div>
  `,
  styles: `
    .tie {
      display: flex;
      gap: 10px;
      align-items: center;
      flex-wrap: wrap;
      padding: 9px 12px;
      background: var(--sheet);
      border-left: 5px solid var(--lime);
    }

    .tie.refused {
      border-left-color: var(--must-fix);
    }
  `,
})
export class TieQuestionComponent {
  readonly tie = input.required<Tie>();
  readonly curriculum = input.required<Curriculum>();
  /** To be tied so; the other way round where that was asked. */
  readonly tied = output<Tie>();
  readonly dropped = output();

  /** The line turned round: what would need itself is needed instead, where that closes no circle. */
  protected readonly turned = computed<Tie | null>(() => {
    const { needId, skillId } = this.tie();
    return this.curriculum().skills.get(needId).needs.includes(skillId)
      ? null
      : { needId: skillId, skillId: needId, circle: null };
  });

  protected name(id: string): string {
    return this.curriculum().skills.get(id).name.toLowerCase();
  }

  protected circleText(circle: readonly string[]): string {
    return circle.map((id) => this.name(id)).join(' → ');
  }
}
