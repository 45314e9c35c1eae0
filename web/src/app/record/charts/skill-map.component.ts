import { Component, computed, input, output, inject } from '@angular/core';
import { type SkillState, type Strand } from '@doceo/core';
import { STAGES } from '@doceo/texts';
import { StrandTexturesComponent } from '../../drawing/strand-textures.component';
import { narrowWindow } from '../../parts/narrow';
import { ReachNameComponent } from '../../shared/streams/reach-name.component';
import { drawSkillMap, type Reach } from '../../shared/streams/streams';
import { TeachingStore } from '../../data/teaching/teaching-store';

/** Skills as streams that join. Each reach can be chosen; the chosen one shows what it rests on and what it opens. */
@Component({
  selector: 'doceo-skill-map',
  imports: [ReachNameComponent, StrandTexturesComponent],
  templateUrl: './skill-map.component.html',
  styleUrls: ['../../shared/streams/streams.css', './skill-map.component.css'],
})
export class SkillMapComponent {
  private readonly teaching = inject(TeachingStore);
  readonly state = input.required<SkillState>();
  /** The state compared with; null for none. */
  readonly then = input<SkillState | null>(null);
  /** The skill chosen by hand, and the one looked at. */
  readonly chosen = input<string | null>(null);
  readonly looked = input<string | null>(null);
  readonly choose = output<string>();

  /** The streams run down the page of a phone. */
  private readonly narrow = narrowWindow();
  protected readonly place = computed(() => (this.narrow() ? 'phone' : 'desk'));
  protected readonly drawn = computed(() =>
    drawSkillMap(this.teaching.curriculum().skills.all, this.state(), this.then(), this.place()),
  );
  protected readonly rests = computed(() => {
    const looked = this.looked();
    const strandOf = (id: string): Strand => this.teaching.curriculum().skills.get(id).strand;
    return this.drawn().rests.map((rest) => ({
      ...rest,
      strong: rest.from === looked || rest.to === looked,
      // A line to another strand crosses the map: it is drawn when it is asked for.
      far: strandOf(rest.from) !== strandOf(rest.to),
    }));
  });

  protected label(name: string, reach: Reach): string {
    const tries = reach.attempts > 0 ? `, ${reach.goods} good of ${reach.attempts}` : '';
    const was = reach.was ? `; ${STAGES[reach.was]} before the lesson` : '';
    return `${name}, ${reach.skill.name}: ${STAGES[reach.stage]}${tries}${was}`;
  }
}
