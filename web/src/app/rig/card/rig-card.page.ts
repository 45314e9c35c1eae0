import { Component, computed, inject, input, type OnInit, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { api, type SavedRig } from '@doceo/contract';
import {} from '@doceo/core';
import { KNOT_NAMES, RIG_TEMPLATE_WORDS } from '@doceo/texts';
import { ApiClient } from '../../data/api/api-client';
import { ReadingStore } from '../../data/records/reading-store';
import { SessionStore } from '../../data/session';
import { InUnitsPipe } from '../../parts/in-units.pipe';
import { KNOT_STEPS } from '../knots';
import { KnotStepComponent } from '../knots/knot-step.component';
import { NoSuchComponent } from '../../shared/no-such.component';
import { RigSheetComponent } from './rig-sheet.component';
import { FetchingComponent } from '../../shared/fetching.component';

/** A rig on paper for a student: the drawing, what to cut, the knots in the order they are tied, what to say. */
@Component({
  selector: 'doceo-rig-card',
  imports: [
    FetchingComponent,
    InUnitsPipe,
    KnotStepComponent,
    NoSuchComponent,
    RigSheetComponent,
    RouterLink,
  ],
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
    return rig && RIG_TEMPLATE_WORDS[rig.template];
  });
  /** Each kind of knot of the rig once, as it is drawn, from the line down. */
  protected readonly drawn = computed(() => {
    const rig = this.rig();
    if (!rig) return [];
    const ids = new Set([...rig.sections.map(({ joint }) => joint), ...rig.flies.map(({ knot }) => knot)]);
    return [...ids].flatMap((id) =>
      id === 'tapered' ? [] : [{ id, name: KNOT_NAMES[id], steps: KNOT_STEPS[id] }],
    );
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
