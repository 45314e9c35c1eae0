import { Component, computed, inject, input, type OnInit, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type SavedRig } from '@doceo/contract';
import {
  cutList,
  DRESSINGS,
  formatLength,
  formatTippet,
  KNOTS,
  MATERIALS,
  rigFigures,
  spans,
  TEMPLATES,
} from '@doceo/core';
import { ApiClient } from '../data/api-client';
import { SessionStore } from '../data/session';
import { RigDrawingComponent } from './rig-drawing.component';

const ON_CARD = ['leader-length', 'indicator-distance', 'breaks-first', 'float-margin', 'casting-load'];

/** A rig on paper for a student: the drawing, what to cut, the knots in the order they are tied, what to say. */
@Component({
  selector: 'doceo-rig-card',
  imports: [RouterLink, RigDrawingComponent],
  templateUrl: './rig-card.page.html',
  styleUrl: './rig-card.page.css',
})
export class RigCardPage implements OnInit {
  private readonly client = inject(ApiClient);
  protected readonly session = inject(SessionStore);
  readonly id = input.required<string>();
  protected readonly saved = signal<SavedRig | null>(null);
  protected readonly missing = signal(false);

  protected readonly rig = computed(() => this.saved()?.rig ?? null);
  protected readonly template = computed(() => {
    const rig = this.rig();
    return rig && TEMPLATES[rig.template];
  });
  protected readonly cuts = computed(() => {
    const rig = this.rig();
    const system = this.session.units();
    return rig
      ? cutList(rig).map(({ material, diameterM, lengthM }) => ({
          what: `${MATERIALS[material].name} ${formatTippet(diameterM, system)}`,
          length: formatLength(lengthM, system),
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
  protected readonly figures = computed(() => {
    const rig = this.rig();
    return rig ? rigFigures(rig, null, this.session.units()).filter(({ id }) => ON_CARD.includes(id)) : [];
  });

  ngOnInit(): void {
    this.client.call(api.rigs.get, { params: { id: this.id() } }).subscribe({
      next: (rig) => this.saved.set(rig),
      error: () => this.missing.set(true),
    });
  }

  protected print(): void {
    window.print();
  }
}
