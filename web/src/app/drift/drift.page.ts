import { NgTemplateOutlet } from '@angular/common';
import { Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import {
  type Act,
  type Block,
  dropLane,
  type DriftSetup,
  FASTEST_LANE_MS,
  formatLength,
  formatSpeed,
  HANDLINGS,
  METRES_PER_INCH,
  type PlanBody,
  setLaneSpeed,
  setupDrift,
  speedAt,
  textInUnits,
  splitLane,
  moveLane,
} from '@doceo/core';
import { DayStore } from '../data/lesson/day-store';
import { InUnitsPipe } from '../parts/in-units.pipe';
import { SessionStore } from '../data/session';
import { KeysDialogComponent } from '../parts/dialogs/keys-dialog.component';
import { narrowWindow } from '../parts/narrow';
import { plainLength } from '../parts/fields/plain-length';
import { plainNumber } from '../parts/fields/plain-number';
import { Player } from '../parts/playing/player';
import { PutInPlanDialogComponent } from '../shared/plan/put-in-plan-dialog.component';
import { SegmentsComponent } from '../parts/fields/segments.component';
import { UndoRedoComponent } from '../shared/documents/undo-redo.component';
import { ActTimelineComponent } from './surface/action-timeline.component';
import { DriftStore } from './drift-store';
import { ACT_BUTTONS, ACTS_SHOWN, actText } from '../shared/drift/act-kinds';
import {
  castText,
  FAULT_TEXTS,
  HANDLING_REASONS,
  HANDLING_TEXTS,
  whyText,
} from '../shared/drift/drift-texts';
import { RankPanelComponent } from './rank/rank-panel.component';
import { SideFiguresComponent } from './below/side-figures.component';
import { SidePanelComponent } from './below/side-panel.component';
import { SIDE_S, SideStore } from './below/side-store';
import { SlipChartComponent } from './surface/slip-chart.component';
import { TopViewComponent } from '../shared/drift/top-view.component';
import { screenKey } from '../parts/dialogs/screen-key';

const VIEWS = [
  { value: 'above', text: 'From above' },
  { value: 'below', text: 'Under water' },
] as const;
type View = (typeof VIEWS)[number]['value'];

const KEYS = [
  ['Space', 'play, stop'],
  ['← →', 'a step back, on'],
  ...ACT_BUTTONS.flatMap(({ key, text }) =>
    key ? [[key.toUpperCase(), `${text.toLowerCase()} now`] as const] : [],
  ),
  ['A', 'from above'],
  ['U', 'under water'],
  ['S', 'set aside to compare'],
  ['Ctrl Z', 'undo, with Shift redo'],
  ['?', 'these keys'],
] satisfies (readonly [string, string])[];

const STEP_S = 0.1;
const FIRST_S = 1;
/** What swims so fast against its water passes for alive: most insects. Rule of thumb. */
const SWIMS_FROM_MS = 0.05;
const SWIMS_TO_MS = 0.3;

/** The Drift bench: the line on the water, what drags it and when, and what would drift longer; the rig under water. */
@Component({
  selector: 'doceo-drift-page',
  imports: [
    InUnitsPipe,
    ActTimelineComponent,
    FormsModule,
    KeysDialogComponent,
    NgTemplateOutlet,
    PutInPlanDialogComponent,
    RankPanelComponent,
    RouterLink,
    SegmentsComponent,
    SideFiguresComponent,
    SidePanelComponent,
    SlipChartComponent,
    TopViewComponent,
    UndoRedoComponent,
  ],
  providers: [DriftStore, SideStore],
  templateUrl: './drift.page.html',
  styleUrl: './drift.page.css',
  host: { '(window:keydown)': 'key($event)' },
})
export class DriftPage {
  protected readonly store = inject(DriftStore);
  protected readonly side = inject(SideStore);
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  protected readonly narrow = narrowWindow();

  protected readonly view = signal<View>('above');
  protected readonly views = VIEWS;
  protected readonly keys = KEYS;
  protected readonly actButtons = ACT_BUTTONS;
  protected readonly keysShown = signal(false);
  protected readonly putting = signal(false);
  protected readonly hasDrift = ({ drift }: Block): boolean => drift !== undefined;
  protected readonly putIn = (body: PlanBody, blockId: string | null): PlanBody => {
    const drift = this.store.ran()!.setup;
    return { ...body, blocks: body.blocks.map((one) => (one.id === blockId ? { ...one, drift } : one)) };
  };
  protected readonly lane = signal<number | null>(null);
  protected readonly act = signal<number | null>(null);
  protected readonly toLeft = signal(false);
  protected readonly laneFault = signal<string | null>(null);

  protected readonly setup = this.store.setup;
  protected readonly endS = computed(() => (this.view() === 'above' ? this.setup().durationS : SIDE_S));
  protected readonly player = new Player(this.endS);
  protected readonly handlings = HANDLINGS.map((value) => ({
    value,
    text: HANDLING_TEXTS[value],
    reason: HANDLING_REASONS[value],
  }));
  protected readonly froms = [
    { value: 'bank' as const, text: 'standing' },
    {
      value: 'boat' as const,
      text: 'drift boat',
      reason: 'The boat goes with its own water; the cast goes ahead of it.',
    },
  ];
  protected readonly slacks = [
    { value: 0, text: 'none' },
    { value: 0.12, text: 'some' },
    { value: 0.25, text: 'much' },
  ];
  protected readonly durations = [6, 9, 14, 20].map((value) => ({ value, text: `${value} s` }));

  protected readonly faults = computed(() => this.store.faults().map((fault) => FAULT_TEXTS[fault]));
  protected readonly run = computed(() => this.store.run());
  protected readonly castWords = computed(() => {
    const setup = this.setup();
    return `${castText(setup)}, ${this.length(setupDrift(setup).castM)} of cast`;
  });
  protected readonly lanesFrom = computed(() => {
    const place = this.store.beatName();
    return place === null ? 'the lanes drawn' : `lanes as at ${textInUnits(place, this.session.units())}`;
  });
  protected readonly why = computed(() => {
    const [why, ran, units] = [this.store.why(), this.store.ran(), this.session.units()];
    return why && ran ? whyText(why, ran.setup, ran.told.run.onsetS, units) : '';
  });
  /** What a mend gained against the same line merely fed, and against nothing done. */
  protected readonly mendWords = computed(() => {
    const told = this.store.ran()?.told;
    if (!told || told.fedCleanM === null || told.leftCleanM === null) return null;
    return `With the mend ${this.length(told.run.cleanM)}, the same line fed as slack ${this.length(told.fedCleanM)}, neither ${this.length(told.leftCleanM)}.`;
  });
  /** How fast the fly swims once it drags. */
  protected readonly swing = computed(() => {
    const run = this.run();
    if (!run || run.onsetS === null) return null;
    const after = run.frames
      .filter(({ atS }) => atS > (run.onsetS as number) + 0.5)
      .map(({ slipMs }) => slipMs);
    if (after.length < 5) return null;
    const middle = [...after].sort((a, b) => a - b)[Math.floor(after.length / 2)]!;
    const speed = formatSpeed(middle, this.session.units());
    const band = `${formatSpeed(SWIMS_FROM_MS, this.session.units())} to ${formatSpeed(SWIMS_TO_MS, this.session.units())}`;
    return middle > SWIMS_TO_MS
      ? `Swinging, it goes ${speed} against its water: faster than an insect swims (${band}). Mend to slow it.`
      : `Swinging, it goes ${speed} against its water, about what an insect swims (${band}).`;
  });
  protected readonly chosenLane = computed(() => {
    const index = this.lane();
    const lane = index === null ? undefined : this.setup().lanes[index];
    if (index === null || !lane) return null;
    const fromM = this.setup().lanes[index - 1]?.toM ?? 0;
    return {
      index,
      name: `Lane ${index + 1}`,
      speed: (lane.speedMs / this.speedUnitMs()).toFixed(0),
      to: this.length(lane.toM),
      from: this.length(fromM),
    };
  });
  protected readonly chosenAct = computed(() => {
    const index = this.act();
    const act = index === null ? undefined : this.setup().acts[index];
    return index === null || !act
      ? null
      : {
          index,
          act,
          text: actText(act, this.session.units()),
          size: this.length(Math.abs(act.sizeM)),
          turns: ACTS_SHOWN[act.kind].turned !== undefined,
        };
  });

  constructor() {
    // The first picture shows the drift after drag has begun: that is what it is about.
    const first = effect(() => {
      const run = this.run();
      if (!run) return;
      untracked(() => this.player.goTo((run.onsetS ?? run.frames.at(-1)!.atS) + FIRST_S));
      first.destroy();
    });
    // The rig drifts in the water where the fly does.
    effect(() => {
      const setup = this.setup();
      const speed = speedAt(setup, setup.lieM);
      untracked(() => this.side.surfaceMs.set(speed));
    });
  }

  protected setSpeed(text: string): void {
    const [index, value] = [this.lane(), plainNumber(text)];
    if (index === null) return;
    const speedMs = value === null ? null : value * this.speedUnitMs();
    if (speedMs === null || Math.abs(speedMs) > FASTEST_LANE_MS) {
      const most = formatSpeed(FASTEST_LANE_MS, this.session.units());
      this.laneFault.set(`a speed up to ${most}, below zero runs back`);
      return;
    }
    this.laneFault.set(null);
    this.store.edit((setup) => setLaneSpeed(setup, index, speedMs));
  }

  protected setEdge(text: string): void {
    const [index, toM] = [this.lane(), plainLength(text, this.session.units())];
    if (index === null) return;
    const moved = toM === null ? null : moveLane(this.setup(), index, toM);
    if (toM === null || !moved || Math.abs(moved.lanes[index]!.toM - toM) > 0.006) {
      this.laneFault.set('a distance between its neighbours, at least 40 cm from each');
      return;
    }
    this.laneFault.set(null);
    this.store.edit(() => moved);
  }

  protected split(): void {
    const index = this.lane();
    if (index !== null) this.store.edit((setup) => splitLane(setup, index));
  }

  protected takeOut(): void {
    const index = this.lane();
    if (index === null) return;
    this.store.edit((setup) => dropLane(setup, index));
    this.lane.set(null);
  }

  protected put(put: Omit<Act, 'atS'>): void {
    const atS = Math.round(Math.min(this.player.atS(), this.setup().durationS - 0.2) * 10) / 10;
    this.store.addAct({ ...put, atS });
    this.act.set(this.setup().acts.findIndex((act) => act.atS === atS && act.kind === put.kind));
  }

  protected sizeAct(byM: number): void {
    const chosen = this.chosenAct();
    if (!chosen) return;
    const sizeM = Math.round(Math.max(0.2, Math.min(6, Math.abs(chosen.act.sizeM) + byM)) * 10) / 10;
    this.store.setAct(chosen.index, { sizeM: chosen.act.sizeM < 0 ? -sizeM : sizeM });
  }

  protected turnAct(): void {
    const chosen = this.chosenAct();
    if (!chosen) return;
    this.store.setAct(chosen.index, ACTS_SHOWN[chosen.act.kind].turned?.(chosen.act) ?? {});
  }

  protected dropAct(): void {
    const chosen = this.chosenAct();
    if (chosen) this.store.dropAct(chosen.index);
    this.act.set(null);
  }

  protected swap(): void {
    const aside = this.store.aside();
    if (aside) this.store.edit(() => aside.setup);
  }

  protected change(change: Partial<DriftSetup>): void {
    this.store.edit(change);
  }

  protected key(event: KeyboardEvent): void {
    const pressed = screenKey(event);
    if (!pressed) return;
    const acts: Record<string, () => void> = {
      ...Object.fromEntries(ACT_BUTTONS.flatMap(({ key, act }) => (key ? [[key, () => this.put(act)]] : []))),
      a: () => this.view.set('above'),
      u: () => this.view.set('below'),
      s: () => this.store.setAside(),
      '?': () => this.keysShown.set(true),
      ...(pressed.onControl
        ? {}
        : {
            ' ': () => this.player.toggle(),
            ArrowLeft: () => this.player.goTo(this.player.atS() - STEP_S),
            ArrowRight: () => this.player.goTo(this.player.atS() + STEP_S),
          }),
    };
    const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!act) return;
    event.preventDefault();
    act();
  }

  /** A centimetre or an inch a second, as speeds of water are told. */
  private speedUnitMs(): number {
    return this.session.units() === 'metric' ? 0.01 : METRES_PER_INCH;
  }

  protected length(metres: number): string {
    return formatLength(metres, this.session.units());
  }
}
