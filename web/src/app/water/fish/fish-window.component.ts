import { Component, computed, ElementRef, inject, input, signal } from '@angular/core';
import { fishWindow, formatLength, LOW_ANGLE, type UnitSystem } from '@doceo/core';
import type { Drag } from '../../drawing/drag.directive';
import { HandleComponent } from '../../drawing/handle.component';

const WIDTH = 880;
const HEIGHT = 300;
const SURFACE_Y = 156;
const FISH_X = 90;
const PX_PER_M = 42;
const MAX = { depthM: 3, distanceM: 17.5, heightM: 3 };
const MIN = { depthM: 0.2, distanceM: 1, heightM: 0.3 };
const STEP_M = 0.1;

type Handle = 'fish' | 'angler';

/** Side view of what a fish sees: drag the fish and the angler, or move them by keys. */
@Component({
  selector: 'doceo-fish-window',
  imports: [HandleComponent],
  templateUrl: './fish-window.component.html',
  styleUrl: './fish-window.component.css',
})
export class FishWindowComponent {
  private readonly host: HTMLElement = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly units = input.required<UnitSystem>();

  protected readonly depthM = signal(0.8);
  protected readonly distanceM = signal(9);
  protected readonly heightM = signal(1.8);

  protected readonly least = MIN;
  protected readonly most = MAX;
  protected readonly size = { width: WIDTH, height: HEIGHT, surface: SURFACE_Y, fishX: FISH_X };
  protected readonly seen = computed(() => fishWindow(this.depthM(), this.heightM(), this.distanceM()));
  readonly leaderM = computed(() => this.seen().leaderM);
  protected readonly drawn = computed(() => {
    const { radiusM, crossesAtM, hiddenBelowM } = this.seen();
    const x = (metres: number): number => FISH_X + metres * PX_PER_M;
    const fishY = SURFACE_Y + this.depthM() * PX_PER_M;
    const rim = x(radiusM);
    const anglerX = x(this.distanceM());
    const edge = WIDTH;
    const edgeM = (WIDTH - FISH_X) / PX_PER_M;
    return {
      fishY,
      rim,
      left: x(-radiusM),
      cone: `M${x(-radiusM)} ${SURFACE_Y}L${FISH_X} ${fishY}L${rim} ${SURFACE_Y}Z`,
      anglerX,
      headY: SURFACE_Y - this.heightM() * PX_PER_M,
      ...personAt(anglerX, SURFACE_Y - this.heightM() * PX_PER_M),
      ray: `M${anglerX} ${SURFACE_Y - this.heightM() * PX_PER_M}L${x(crossesAtM)} ${SURFACE_Y}L${FISH_X} ${fishY}`,
      hidden: `M${rim} ${SURFACE_Y}L${edge} ${SURFACE_Y - (edgeM - radiusM) * Math.tan(LOW_ANGLE) * PX_PER_M}L${edge} ${SURFACE_Y}Z`,
      hiddenY: SURFACE_Y - hiddenBelowM * PX_PER_M,
      leader: x(this.seen().leaderM),
    };
  });
  protected readonly words = computed(() => {
    const { radiusM, leaderM, seen, hiddenBelowM, hiddenFromM } = this.seen();
    return {
      radius: this.length(radiusM),
      leader: this.length(leaderM),
      seen,
      below: this.length(Math.max(0, hiddenBelowM)),
      from: this.length(hiddenFromM),
      low: hiddenBelowM < 0.5,
    };
  });

  protected length(metres: number): string {
    return formatLength(metres, this.units());
  }

  protected drag({ x: left, y: top }: Drag, handle: Handle): void {
    const box = this.host.querySelector('svg')!.getBoundingClientRect();
    const x = ((left - box.left) / box.width) * WIDTH;
    const y = ((top - box.top) / box.height) * HEIGHT;
    if (handle === 'fish') this.setDepth((y - SURFACE_Y) / PX_PER_M);
    else {
      this.setDistance((x - FISH_X) / PX_PER_M);
      this.setHeight((SURFACE_Y - y) / PX_PER_M);
    }
  }

  protected key(event: KeyboardEvent, handle: Handle): void {
    const move = { ArrowUp: [0, 1], ArrowDown: [0, -1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key];
    if (!move) return;
    event.preventDefault();
    const [across, up] = move as [number, number];
    const step = STEP_M * (event.shiftKey ? 5 : 1);
    if (handle === 'fish') this.setDepth(this.depthM() - up * step);
    else {
      this.setDistance(this.distanceM() + across * step);
      this.setHeight(this.heightM() + up * step);
    }
  }

  private setDepth(metres: number): void {
    this.depthM.set(within(metres, MIN.depthM, MAX.depthM));
  }

  private setDistance(metres: number): void {
    this.distanceM.set(within(metres, MIN.distanceM, MAX.distanceM));
  }

  private setHeight(metres: number): void {
    this.heightM.set(within(metres, MIN.heightM, MAX.heightM));
  }
}

/** To a step, inside of the drawing. */
function within(value: number, least: number, most: number): number {
  return Math.min(most, Math.max(least, Math.round(value / STEP_M) * STEP_M));
}

/** Somebody who stands or kneels in the water, with a rod towards the fish: what of him is above the surface. */
function personAt(x: number, headY: number): { body: string; rod: string } {
  const m = PX_PER_M;
  const above = (y: number): number => Math.min(y, SURFACE_Y);
  const shoulder = above(headY + 0.3 * m);
  const arm = above(headY + 0.5 * m);
  const hip = above(headY + 0.9 * m);
  const [left, right] = [x - 0.22 * m, x + 0.22 * m];
  return {
    body: `M${left} ${arm}Q${left} ${shoulder} ${x} ${shoulder - 0.06 * m}Q${right} ${shoulder} ${right} ${arm}L${x + 0.17 * m} ${hip}V${SURFACE_Y}H${x + 0.04 * m}V${hip}H${x - 0.04 * m}V${SURFACE_Y}H${x - 0.17 * m}V${hip}Z`,
    rod: `M${left} ${arm}L${x - 0.45 * m} ${above(headY + 0.62 * m)}M${x - 0.4 * m} ${above(headY + 0.66 * m)}Q${x - 1.2 * m} ${headY - 0.1 * m} ${x - 2.3 * m} ${headY - 0.35 * m}`,
  };
}
