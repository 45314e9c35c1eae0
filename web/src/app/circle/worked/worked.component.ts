import { Component, computed, effect, inject, input, output } from '@angular/core';
import { api, type Circle, type WorkedDrill } from '@doceo/contract';
import { LEAST_LESSONS, LEAST_STUDENTS } from '@doceo/core';
import { counted } from '@doceo/texts';
import { ApiClient } from '../../data/api/api-client';
import { fetched } from '../../data/api/fetched';
import { Failures } from '../../data/api/failures';
import { LoadFailedComponent } from '../../shared/load-failed.component';
import { HEIGHT_PX, scaleOf, shapeOf, ticksOf, toldOf, WIDTH_PX, xOf } from './worked-shapes';

/** Most drills that are drawn, the best first. */
const DRAWN = 6;
/** Most drills with too little that are named. */
const NAMED = 4;

/** How well drills worked, over the schools that tell, and whether this one does. */
@Component({
  selector: 'doceo-worked',
  imports: [LoadFailedComponent],
  templateUrl: './worked.component.html',
  styleUrl: './worked.component.css',
})
export class WorkedComponent {
  private readonly client = inject(ApiClient);
  private readonly failures = inject(Failures);
  readonly circle = input.required<Circle>();
  /** What is told of drills, for who sorts plans by it. */
  readonly told = output<readonly WorkedDrill[]>();

  protected readonly limit = `${LEAST_STUDENTS} students of ${LEAST_LESSONS} lessons`;
  protected readonly width = WIDTH_PX;
  protected readonly height = HEIGHT_PX;
  private readonly id = computed(() => this.circle().id);
  protected readonly page = fetched(this.id, (id) =>
    this.client.call(api.circles.worked, { params: { id } }),
  );
  protected readonly owner = computed(() => this.circle().role === 'owner');
  private readonly drawn = computed(() => (this.page.value()?.drills ?? []).slice(0, DRAWN));
  private readonly scale = computed(() => scaleOf(this.drawn()));
  protected readonly ticks = computed(() =>
    ticksOf(this.scale()).map((students) => ({ students, x: xOf(students / 10, this.scale()) })),
  );
  protected readonly drills = computed(() =>
    this.drawn().map((drill) => ({
      ...shapeOf(drill, this.scale()),
      ...{ id: drill.drillId, name: drill.name, strand: `strand-${drill.strand}`, told: toldOf(drill) },
      from: `${counted(drill.others.length + (drill.mine ? 1 : 0), 'school')}, ${drill.students} students`,
    })),
  );
  /** The first of those with too little, and how many there are besides. */
  protected readonly few = computed(() => {
    const names = (this.page.value()?.few ?? []).map(({ name }) => name);
    const more = names.length - NAMED;
    return names.slice(0, NAMED).join(', ') + (more > 0 ? ` and ${more} more` : '');
  });

  constructor() {
    effect(() => this.told.emit(this.page.value()?.drills ?? []));
  }

  protected tell(tells: boolean): void {
    this.client.call(api.circles.tell, { params: { id: this.id() }, body: { tells } }).subscribe({
      next: () => this.page.again(),
      error: this.failures.tell,
    });
  }
}
