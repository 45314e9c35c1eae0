import { Component, computed, inject, input } from '@angular/core';
import { type Curriculum, type Drill, formatRoundLength } from '@doceo/core';
import { adaptationText, NEED_NAMES } from '@doceo/texts';
import { InUnitsPipe } from '../parts/in-units.pipe';
import { SessionStore } from '../data/session';

/** A drill as its card reads, while it is written. */
@Component({
  selector: 'doceo-drill-card',
  imports: [InUnitsPipe],
  template: `
    <h3 [class]="'strand-fill strand-' + drill().strand">{{ drill().name }}</h3>
    <div class="body">
      <blockquote>{{ drill().cue | inUnits: session.units() }}</blockquote>
      <ol>
        @for (step of drill().how; track $index) {
          <li>{{ step | inUnits: session.units() }}</li>
        }
      </ol>
      <p>
        <b>Done when</b> {{ drill().success.good }} of {{ drill().success.of
        }}{{ drill().success.at ? ': ' : '' }}{{ drill().success.at | inUnits: session.units() }}.
      </p>
      @if (watch(); as text) {
        <p><b>Watch for</b> {{ text }}.</p>
      }
      @if (drill().dryLand; as dry) {
        <p><b>Without water</b> {{ dry }}</p>
      }
      @for (rule of drill().adaptations; track rule.need) {
        @if (instead(rule.insteadId) + text(rule); as says) {
          <p>
            <b>{{ names[rule.need] }}</b> {{ says }}
          </p>
        }
      }
      <footer class="soft">{{ foot() }}</footer>
    </div>
  `,
  styles: `
    :host {
      display: block;
      border: 1.5px solid var(--ink);
      background: var(--sheet);
    }
    h3 {
      margin: 0;
      padding: 8px 12px;
      color: #fff;
    }
    .body {
      padding: 10px 12px;
      display: grid;
      gap: 7px;
    }
    blockquote {
      margin: 0;
      padding-left: 10px;
      border-left: 5px solid var(--sighter);
      font: 700 19px/1.15 var(--head);
    }
    ol,
    p {
      margin: 0;
    }
    ol {
      padding-left: 20px;
    }
    footer {
      border-top: 1px solid var(--line);
      padding-top: 6px;
      font-size: 13px;
    }
  `,
})
export class DrillCardComponent {
  readonly drill = input.required<Drill>();
  readonly curriculum = input.required<Curriculum>();
  protected readonly session = inject(SessionStore);
  protected readonly names = NEED_NAMES;
  protected readonly text = adaptationText;
  protected readonly watch = computed(() =>
    this.drill()
      .watchFor.map((id) => this.curriculum().faults.get(id).short.toLowerCase())
      .join(', '),
  );
  protected readonly foot = computed(() => {
    const { minutes, ground, lineOutM, group, supervision } = this.drill();
    return [
      `${minutes.min} to ${minutes.max} min, likely ${minutes.likely}`,
      ground,
      ...(lineOutM > 0 ? [`${formatRoundLength(lineOutM, this.session.units())} of line`] : []),
      group.min === group.max ? `${group.min}` : `${group.min} to ${group.max} together`,
      supervision.replace('-', ' '),
    ].join(', ');
  });

  protected instead(id: string | undefined): string {
    return id === undefined ? '' : `“${this.curriculum().drills.get(id).name}” instead. `;
  }
}
