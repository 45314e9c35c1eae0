import { Component, computed, inject, input, output } from '@angular/core';
import { type PlanRig, rigEdits, type RigSchools, schoolDifferences, textInUnits } from '@doceo/core';
import { SessionStore } from '../data/session';
import { SCHOOLS, wayOf } from '../shared/school-texts';

/** Where the rigs of a plan that came from somebody else go another way than mine, with both reasons. */
@Component({
  selector: 'doceo-plan-schools',
  template: `
    @if (differences().length > 0) {
      <details class="schools" open>
        <summary>
          {{ from() }} rigs another way than you in {{ differences().length }}
          {{ differences().length === 1 ? 'point' : 'points' }}
        </summary>
        @for (one of differences(); track one.rig.id + one.key) {
          <div class="row">
            <p>
              <b>{{ one.rig.name }}</b>: {{ one.label.toLowerCase() }} <b>{{ one.theirs }}</b>.
              <span class="soft">{{ one.theirReason }}</span> You: <b>{{ one.mine }}</b>.
              <span class="soft">{{ one.myReason }}</span>
            </p>
            @if (editable()) {
              <button type="button" class="btn small" (click)="edited.emit(one.mended)">Rig it my way</button>
            }
          </div>
        }
      </details>
    }
  `,
  styles: `
    .schools {
      border-left: 4px solid var(--sighter);
      background: var(--sighter-pale);
      padding: 6px 12px;
      margin: 6px 0;
      font-size: 13.5px;
    }
    summary {
      cursor: pointer;
      font-weight: 700;
    }
    .row {
      flex-wrap: nowrap;
      justify-content: space-between;
      align-items: baseline;
    }
    p {
      margin: 3px 0;
    }
    .btn {
      flex: none;
      white-space: nowrap;
    }
    @media (width < 700px) {
      .row {
        flex-wrap: wrap;
      }
    }
  `,
})
export class PlanSchoolsComponent {
  private readonly session = inject(SessionStore);
  readonly rigs = input.required<readonly PlanRig[]>();
  readonly mine = input.required<RigSchools>();
  /** Who made the plan. */
  readonly from = input.required<string>();
  readonly editable = input(false);
  /** All rigs of the plan, one of them rigged my way. */
  readonly edited = output<PlanRig[]>();

  protected readonly differences = computed(() =>
    this.rigs().flatMap((rig) =>
      schoolDifferences(rig.rig, this.mine()).map((key) => ({
        rig,
        key,
        label: SCHOOLS[key].label,
        theirs: wayOf(key, rig.rig.schools).name,
        theirReason: textInUnits(wayOf(key, rig.rig.schools).reason, this.session.units()),
        mine: wayOf(key, this.mine()).name,
        myReason: textInUnits(wayOf(key, this.mine()).reason, this.session.units()),
        mended: this.rigs().map((other) =>
          other === rig
            ? { ...rig, rig: rigEdits.schools(rig.rig, { ...rig.rig.schools, [key]: this.mine()[key] }) }
            : other,
        ),
      })),
    ),
  );
}
