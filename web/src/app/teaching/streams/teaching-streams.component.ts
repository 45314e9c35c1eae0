import { Component, computed, ElementRef, inject, input, output, signal } from '@angular/core';
import { circleOfNeeds, type Curriculum, type LayerOwner } from '@doceo/core';
import { StrandTexturesComponent } from '../../drawing/strand-textures.component';
import { narrowWindow } from '../../parts/narrow';
import { ReachNameComponent } from '../../shared/streams/reach-name.component';
import { drawSkillMap, type Reach } from '../../shared/streams/streams';

/** A need that is about to be tied: the second rests on the first. */
export interface Tie {
  needId: string;
  skillId: string;
  /** Ids round the circle it would close; null for none. */
  circle: string[] | null;
}

interface Pull {
  from: string;
  x: number;
  y: number;
  over: string | null;
}

/**
 * All skills as streams, for those who decide what is taught: each reach says whose it is; a line drawn from one to another
 * makes the second rest on the first, and a line that would close a circle is shown and refused.
 */
@Component({
  selector: 'doceo-teaching-streams',
  imports: [ReachNameComponent, StrandTexturesComponent],
  templateUrl: './teaching-streams.component.html',
  styleUrls: ['../../shared/streams/streams.css', './teaching-streams.component.css'],
})
export class TeachingStreamsComponent {
  readonly curriculum = input.required<Curriculum>();
  readonly chosen = input<string | null>(null);
  /** Skills of which nobody could be seen in. */
  readonly blind = input<ReadonlySet<string>>(new Set());
  readonly tie = input<Tie | null>(null);
  readonly choose = output<string>();
  readonly pulled = output<Tie>();

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly narrow = narrowWindow();
  protected readonly place = computed(() => (this.narrow() ? 'phone' : 'desk'));
  /** Without the river into which a record flows: nobody fishes alone here. */
  protected readonly drawn = computed(() =>
    drawSkillMap(this.curriculum().skills.all, {}, null, this.place(), false),
  );
  private readonly reaches = computed(
    () =>
      new Map(
        this.drawn().streams.flatMap((stream) => stream.reaches.map((reach) => [reach.skill.id, reach])),
      ),
  );
  protected readonly pull = signal<Pull | null>(null);
  protected readonly rests = computed(() => {
    const chosen = this.chosen();
    return this.drawn().rests.map((rest) => ({
      ...rest,
      strong: rest.from === chosen || rest.to === chosen,
      far: this.strandOf(rest.from) !== this.strandOf(rest.to),
    }));
  });
  /** The line under the finger, or the one that waits to be tied. */
  protected readonly thread = computed(() => {
    const pull = this.pull();
    const tie = this.tie();
    const from = this.reaches().get(pull?.from ?? tie?.needId ?? '')?.middle;
    const to = pull ?? this.reaches().get(tie?.skillId ?? '')?.middle;
    if (!from || !to) return null;
    const sag = 26 + Math.abs(to.x - from.x) / 12;
    return `M${from.x} ${from.y}C${from.x} ${from.y + sag} ${to.x} ${to.y + sag} ${to.x} ${to.y}`;
  });

  protected owner(id: string): LayerOwner {
    return this.curriculum().originOf('skill', id)?.owner ?? 'shipped';
  }

  protected label({ skill }: Reach): string {
    const { name, id } = skill;
    const whose = { shipped: 'as it ships', circle: 'of the circle', own: 'mine' }[this.owner(id)];
    return `${name}, ${whose}${this.blind().has(id) ? ', nobody can be seen in it' : ''}`;
  }

  protected start(event: PointerEvent, id: string): void {
    const at = this.at(event);
    if (event.button !== 0 || !at) return;
    (event.target as Element).setPointerCapture?.(event.pointerId);
    this.pull.set({ from: id, ...at, over: null });
  }

  protected move(event: PointerEvent): void {
    const pull = this.pull();
    const at = this.at(event);
    if (!pull || !at) return;
    const over = this.hit(at);
    this.pull.set({ ...pull, ...at, over: over === pull.from ? null : over });
  }

  protected end(): void {
    const pull = this.pull();
    this.pull.set(null);
    if (!pull) return;
    if (pull.over === null) {
      this.choose.emit(pull.from);
      return;
    }
    const { skills } = this.curriculum();
    const needs = skills.get(pull.over).needs;
    if (needs.includes(pull.from)) {
      this.choose.emit(pull.over);
      return;
    }
    const tied = skills.all.map(({ id, needs: own }) => ({
      id,
      needs: id === pull.over ? [...own, pull.from] : own,
    }));
    this.pulled.emit({ needId: pull.from, skillId: pull.over, circle: circleOfNeeds(tied) });
  }

  private strandOf(id: string): string {
    return this.curriculum().skills.get(id).strand;
  }

  /** The reach under a point of the drawing. */
  private hit({ x, y }: { x: number; y: number }): string | null {
    for (const [id, { hit }] of this.reaches())
      if (x >= hit.x && x <= hit.x + hit.width && y >= hit.y && y <= hit.y + hit.height) return id;
    return null;
  }

  private at(event: PointerEvent): { x: number; y: number } | null {
    const svg = this.host.nativeElement.querySelector('svg');
    const box = svg?.getBoundingClientRect();
    if (!box || box.width === 0) return null;
    return {
      x: ((event.clientX - box.left) / box.width) * this.drawn().width,
      y: ((event.clientY - box.top) / box.height) * this.drawn().height,
    };
  }
}
