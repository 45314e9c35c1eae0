import { Component, computed, inject, input, type OnInit, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type SavedRig } from '@doceo/contract';
import {
  boughtLeaders,
  cutList,
  DRESSINGS,
  formatForce,
  formatLength,
  formatTippet,
  KNOTS,
  MATERIALS,
  materialStrength,
  rigFigures,
  spans,
  TEMPLATES,
} from '@doceo/core';
import { ApiClient } from '../../data/api/api-client';
import { ReadingStore } from '../../data/records/reading-store';
import { SessionStore } from '../../data/session';
import { InUnitsPipe } from '../../parts/in-units.pipe';
import { KNOT_STEPS } from '../knots';
import { KnotStepComponent } from '../knots/knot-step.component';
import { RigDrawingComponent } from '../drawing/rig-drawing.component';
import { NoSuchComponent } from '../../shared/no-such.component';

const ON_CARD = ['leader-length', 'indicator-distance', 'breaks-first', 'float-margin', 'casting-load'];

/** A rig on paper for a student: the drawing, what to cut, the knots in the order they are tied, what to say. */
@Component({
  selector: 'doceo-rig-card',
  imports: [InUnitsPipe, KnotStepComponent, NoSuchComponent, RigDrawingComponent, RouterLink],
  templateUrl: './rig-card.page.html',
  styleUrl: './rig-card.page.css',
})
export class RigCardPage implements OnInit {
  private readonly client = inject(ApiClient);
  private readonly readings = inject(ReadingStore);
  protected readonly session = inject(SessionStore);
  readonly id = input.required<string>();
  protected readonly saved = signal<SavedRig | null>(null);
  protected readonly missing = signal(false);
  /** Whether a second page with the knots is printed. */
  protected readonly back = signal(false);

  protected readonly rig = computed(() => {
    const saved = this.saved();
    return saved && this.readings.known(saved.rig, saved.studentId);
  });
  protected readonly template = computed(() => {
    const rig = this.rig();
    return rig && TEMPLATES[rig.template];
  });
  protected readonly cuts = computed(() => {
    const rig = this.rig();
    const system = this.session.units();
    return rig
      ? cutList(rig).map(({ material, diameterM, lengthM }) => ({
          what: `${MATERIALS[material].name} ${formatTippet(diameterM, system)}, ${formatForce(materialStrength(material, diameterM), system)}`,
          length: formatLength(lengthM, system),
        }))
      : [];
  });
  /** Leaders that are bought whole. */
  protected readonly bought = computed(() => {
    const rig = this.rig();
    const system = this.session.units();
    return rig
      ? boughtLeaders(rig).map(({ lengthM, endM }) => ({
          length: formatLength(lengthM, system),
          end: formatTippet(endM, system),
        }))
      : [];
  });
  protected readonly knots = computed(() => {
    const rig = this.rig();
    if (!rig) return [];
    const chain = spans(rig);
    const joints = chain.map(({ section }, i) => ({
      knot: KNOTS[section.joint].name,
      joins: `${chain[i - 1]?.section.name ?? 'fly line'} to ${section.name}`,
      tied: section.joint !== 'tapered',
    }));
    const flies = rig.flies.map((fly) => ({
      knot: KNOTS[fly.knot].name,
      joins: `${fly.at.kind === 'point' ? 'end of the leader' : fly.at.kind === 'tag' ? 'tag' : 'leader'} to #${fly.hookSize} ${DRESSINGS[fly.dressing].name}`,
      tied: true,
    }));
    return [...joints, ...flies].filter(({ tied }) => tied);
  });
  /** Each kind of knot of the rig once, as it is drawn, from the line down. */
  protected readonly drawn = computed(() => {
    const rig = this.rig();
    if (!rig) return [];
    const ids = new Set([...rig.sections.map(({ joint }) => joint), ...rig.flies.map(({ knot }) => knot)]);
    return [...ids].flatMap((id) =>
      id === 'tapered' ? [] : [{ id, name: KNOTS[id].name, steps: KNOT_STEPS[id] }],
    );
  });
  protected readonly figures = computed(() => {
    const rig = this.rig();
    return rig ? rigFigures(rig, null, this.session.units()).filter(({ id }) => ON_CARD.includes(id)) : [];
  });

  ngOnInit(): void {
    this.readings.load();
    this.client.call(api.rigs.get, { params: { id: this.id() } }).subscribe({
      next: (rig) => this.saved.set(rig),
      error: () => this.missing.set(true),
    });
  }

  protected print(): void {
    window.print();
  }
}
