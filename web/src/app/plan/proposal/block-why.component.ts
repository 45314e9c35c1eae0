import { Component, computed, input } from '@angular/core';
import { type Block, reasonFor, type ScheduleTask } from '@doceo/core';
import { reasonText, RULE_BROKEN } from '@doceo/texts';

/** Why a drill stands in the plan, why there, and what it beat: as bars of what each would be worth. */
@Component({
  selector: 'doceo-block-why',
  template: `
    @if (told(); as why) {
      <h3>Why this</h3>
      <p>{{ why.why }}</p>
      <h3>Why now</h3>
      <p>{{ why.now }}</p>
      @if (why.bars.length > 1) {
        <h3>Beside what else could stand here</h3>
        <div class="bars">
          @for (bar of why.bars; track bar.name) {
            <span class="name" [class.own]="bar.own">{{ bar.name }}</span>
            <span class="track"
              ><i [class.own]="bar.own" [class.no]="bar.note" [style.width.%]="bar.share * 100"></i
              ><span [class.figure]="!bar.note" [class.note]="bar.note">{{
                bar.note || bar.worth
              }}</span></span
            >
          }
        </div>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      margin-bottom: 14px;
    }
    h3 {
      font-size: 13px;
      margin: 8px 0 2px;
    }
    p {
      margin: 0;
      font-size: 13px;
    }
    .bars {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      gap: 4px 8px;
      font-size: 12.5px;
    }
    .note {
      font-size: 12px;
      line-height: 1.2;
      color: var(--ink-soft);
    }
    .name.own {
      font-weight: 700;
    }
    .track {
      display: flex;
      align-items: center;
      gap: 6px;
    }
    i {
      height: 13px;
      min-width: 2px;
      background: #b9c4c9;
      flex: none;
      max-width: 62%;
    }
    i.own {
      background: var(--ink);
    }
    i.no {
      max-width: 26%;
      background: repeating-linear-gradient(45deg, #b9c4c9 0 3px, transparent 3px 6px);
    }
  `,
})
export class BlockWhyComponent {
  readonly task = input.required<ScheduleTask>();
  readonly blocks = input.required<readonly Block[]>();
  readonly blockId = input.required<string>();
  readonly nameOf = input.required<(lane: number) => string>();

  protected readonly told = computed(() => {
    const [task, nameOf] = [this.task(), this.nameOf()];
    const reason = reasonFor(task, this.blocks(), this.blockId());
    if (!reason) return null;
    const drillName = (id: string): string => task.curriculum.drills.get(id).name;
    const faultName = (id: string): string => task.curriculum.faults.get(id).short;
    const bars = [
      { drillId: reason.drillId, worth: reason.worth, breaks: null, own: true },
      ...reason.rivals.map(({ drillId, byPoints, breaks }) => ({
        ...{ drillId, breaks, own: false },
        worth: reason.worth - byPoints,
      })),
    ];
    const most = Math.max(0.01, ...bars.map(({ worth }) => worth));
    return {
      ...reasonText(reason, nameOf, drillName, faultName),
      bars: bars.map(({ drillId, worth, breaks, own }) => ({
        name: drillName(drillId),
        own,
        share: (Math.max(0, worth) / most) * 0.62,
        worth: worth.toFixed(2),
        note: breaks ? RULE_BROKEN[breaks] : '',
      })),
    };
  });
}
