import { Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { api, readRigFile, type SavedRig } from '@doceo/contract';
import {
  buildRig,
  formatLength,
  leaderLength,
  pointFly,
  type Rig,
  rigProblems,
  type TemplateId,
  TEMPLATES,
  weakestLink,
} from '@doceo/core';
import { RIG_TEMPLATE_WORDS, rigPartText } from '@doceo/texts';
import { ApiClient } from '../../data/api/api-client';
import { FetchingComponent } from '../../shared/fetching.component';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { Failures } from '../../data/api/failures';
import { DayStore } from '../../data/lesson/day-store';
import { ReadingStore } from '../../data/records/reading-store';
import { SessionStore } from '../../data/session';
import { OpenFileComponent } from '../../parts/fields/open-file.component';
import { drawable, drawRig } from '../drawing/rig-drawing';
import { RigPictureComponent } from '../drawing/rig-picture.component';
import { myRigs } from '../../data/records/record-of';

const TEMPLATE_SIZE = { width: 210, height: 130, margin: { top: 16, left: 24, right: 30, bottom: 18 } };
const THUMBNAIL = { width: 298, height: 250, margin: { top: 24, left: 30, right: 30, bottom: 34 } };

/** Saved rigs, each as a small drawing with what matters of it. */
@Component({
  selector: 'doceo-rig-list',
  imports: [FetchingComponent, LoadFailedComponent, OpenFileComponent, RouterLink, RigPictureComponent],
  templateUrl: './rig-list.page.html',
  styleUrl: './rig-list.page.css',
})
export class RigListPage {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  private readonly readings = inject(ReadingStore);
  private readonly router = inject(Router);
  private readonly day = inject(DayStore);
  private readonly session = inject(SessionStore);
  protected readonly list = myRigs();
  protected readonly rigs = this.list.value;
  protected readonly asking = signal<string | null>(null);
  protected readonly read = readRigFile;
  /** Ways to rig, each drawn as it comes from its template. */
  protected readonly templates = Object.values(TEMPLATES).map(({ id }) => ({
    id,
    words: RIG_TEMPLATE_WORDS[id],
    drawing: drawRig(buildRig(id), TEMPLATE_SIZE, {}),
  }));
  protected readonly size = TEMPLATE_SIZE;
  protected readonly cards = computed(() => (this.rigs() ?? []).map((saved) => this.toCard(saved)));

  constructor() {
    this.readings.load();
  }

  /** A new rig goes the way I go where schools differ. */
  protected make(template: TemplateId): void {
    this.create(
      RIG_TEMPLATE_WORDS[template].name,
      buildRig(template, { schools: this.session.settings().schools }),
    );
  }

  protected create(name: string, rig: Rig): void {
    this.client
      .call(api.rigs.create, { body: { id: crypto.randomUUID(), name, rig, studentId: null } })
      .subscribe({ next: ({ id }) => void this.router.navigate(['/rig', id]), error: this.failures.tell });
  }

  protected remove(id: string): void {
    this.client.call(api.rigs.remove, { params: { id } }).subscribe({
      next: () => this.list.update((list) => list.filter((rig) => rig.id !== id)),
      error: this.failures.tell,
    });
  }

  private toCard({ id, name, rig: stored, studentId }: SavedRig) {
    const rig = this.readings.known(stored, studentId);
    const system = this.session.units();
    const point = pointFly(rig);
    const link = point && weakestLink(rig, point);
    const worst = rigProblems(rig, { water: this.day.water()?.water ?? null }).filter(
      ({ level }) => level === 'must-fix',
    ).length;
    return {
      id,
      name,
      facts: `${formatLength(leaderLength(rig), system)} leader, ${rig.flies.length} ${rig.flies.length === 1 ? 'fly' : 'flies'}, for ${formatLength(rig.waterDepthM, system)} of water`,
      breaks: link ? `breaks first: ${rigPartText(link.part)}` : '',
      stops: worst,
      drawing: this.draw(rig),
    };
  }

  private draw(rig: Rig) {
    return drawable(rig) ? drawRig(rig, THUMBNAIL, {}) : null;
  }
}
