import { Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  type Block,
  BLOCK_KINDS,
  type Curriculum,
  PLACE_KINDS,
  type PlanEdit,
  type PlanRig,
  mainSkillOf,
  softMinutes,
  textInUnits,
} from '@doceo/core';
import { adaptationText, NEED_NAMES } from '@doceo/texts';
import { InUnitsPipe } from '../parts/in-units.pipe';
import { SessionStore } from '../data/session';
import { ChoiceFieldComponent } from '../parts/fields/choice-field.component';
import { TextFieldComponent } from '../parts/fields/text-field.component';
import { driftText } from '../shared/drift/drift-texts';
import { BenchDrift } from '../data/kept-drift';
import type { Lane } from './timeline/lanes';

/** One block in detail: what is said, where, with which rig, by whom. */
@Component({
  selector: 'doceo-block-inspector',
  imports: [ChoiceFieldComponent, InUnitsPipe, RouterLink, TextFieldComponent],
  templateUrl: './block-inspector.component.html',
  styles: `
    :host {
      display: grid;
      gap: 9px;
    }
    .two {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 8px;
    }
    .lock {
      display: flex;
      gap: 6px;
      align-items: center;
    }
    .watch {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 6px;
      align-items: center;
    }
    .how {
      margin: 0;
      padding-left: 18px;
    }
  `,
})
export class BlockInspectorComponent {
  readonly block = input.required<Block>();
  /** In the running order. */
  readonly number = input(0);
  /** Whether it says which block it is, and how it is closed. */
  readonly headed = input(true);
  readonly lanes = input.required<Lane[]>();
  readonly planId = input.required<string>();
  readonly planRigs = input.required<PlanRig[]>();
  /** The instructor's own rigs, to be copied into the plan. */
  readonly myRigs = input.required<{ id: string; name: string }[]>();
  readonly edited = output<PlanEdit>();
  readonly rigTaken = output<string>();
  readonly closed = output<void>();

  protected readonly session = inject(SessionStore);
  /** As the plan reads it. */
  readonly curriculum = input.required<Curriculum>();
  protected readonly keptDrift = inject(BenchDrift);
  protected readonly places = PLACE_KINDS.map((kind) => ({ value: kind, text: kind }));
  protected readonly driftText = computed(() => {
    const drift = this.block().drift;
    return drift ? driftText(drift, this.session.units()) : '';
  });
  protected readonly drill = computed(() => this.curriculum().drills.find(this.block().drillId ?? ''));
  protected readonly faults = computed(() =>
    this.block().watchFor.flatMap((id) => this.curriculum().faults.find(id) ?? []),
  );
  /** Faults of its skill that are not watched for yet. */
  protected readonly others = computed(() => {
    const [drill, { watchFor }] = [this.drill(), this.block()];
    const skill = drill && this.curriculum().skills.find(mainSkillOf(drill));
    return [
      { value: '', text: 'choose' },
      ...(skill?.faults ?? []).flatMap((id) => {
        const fault = watchFor.includes(id) ? undefined : this.curriculum().faults.find(id);
        return fault ? [{ value: id, text: fault.short }] : [];
      }),
    ];
  });
  protected readonly mostFaults = 12;
  protected readonly kinds = BLOCK_KINDS.map((kind) => ({ value: kind, text: kind }));
  /** How long it may take: as somebody said, else as its drill spreads; whole minutes. */
  protected readonly soft = computed(() => {
    const { leastMin, mostMin } = softMinutes(this.curriculum(), this.block());
    return { leastMin: Math.round(leastMin), mostMin: Math.round(mostMin) };
  });
  protected readonly needNames = NEED_NAMES;
  protected readonly adaptationText = adaptationText;
  protected readonly gear = computed(() =>
    (this.drill()?.gear ?? []).map(({ item }) => textInUnits(item, this.session.units())).join(', '),
  );
  protected readonly people = computed(() => [
    { value: null, text: 'everybody' },
    ...this.lanes().map(({ name }, lane) => ({ value: lane, text: name })),
  ]);
  /** Rigs of the plan, and behind them the instructor's own that are not in it yet. */
  protected readonly rigs = computed(() => {
    const inPlan = this.planRigs();
    return [
      { value: '', text: 'none' },
      ...inPlan.map(({ id, name }) => ({ value: id, text: name })),
      ...this.myRigs()
        .filter(({ id }) => !inPlan.some((rig) => rig.id === id))
        .map(({ id, name }) => ({ value: id, text: `${name} (take into the plan)` })),
    ];
  });

  protected change(change: Partial<Block>): void {
    this.edited.emit({ kind: 'change', blockId: this.block().id, change });
  }

  protected soften(change: { soonestMin?: number; latestMin?: number }): void {
    const { durationMin } = this.block();
    const soonestMin = change.soonestMin && Math.max(1, Math.min(durationMin, Math.round(change.soonestMin)));
    const latestMin = change.latestMin && Math.min(960, Math.max(durationMin, Math.round(change.latestMin)));
    this.change({ ...(soonestMin ? { soonestMin } : {}), ...(latestMin ? { latestMin } : {}) });
  }

  protected watch(faultId: string): void {
    if (faultId) this.change({ watchFor: [...this.block().watchFor, faultId] });
  }

  protected unwatch(faultId: string): void {
    this.change({ watchFor: this.block().watchFor.filter((id) => id !== faultId) });
  }

  protected time(change: { startMin?: number; durationMin?: number; lane?: number | null }): void {
    const { id: blockId, startMin, lane } = this.block();
    if (change.durationMin !== undefined)
      this.edited.emit({ kind: 'resize', blockId, durationMin: Math.min(480, change.durationMin || 5) });
    else
      this.edited.emit({
        kind: 'move',
        blockId,
        startMin: Math.min(1400, change.startMin ?? startMin),
        lane: change.lane === undefined ? lane : change.lane,
      });
  }

  protected chooseRig(id: string): void {
    if (id && !this.planRigs().some((rig) => rig.id === id)) this.rigTaken.emit(id);
    else this.change({ rigId: id || null });
  }
}
