import { Component, computed, ElementRef, inject, signal } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';

/** Length of the leader as drawn, and what the places of the stops are measured along. */
const LEADER = 690;

/** Stops in the order of the work, with their place along the leader; `near` ones always lie at hand on a phone. */
const STOPS = [
  { path: '/today', name: 'Today', y: 40, near: true },
  { path: '/water', name: 'Water', y: 106, near: false },
  { path: '/rig', name: 'Rig', y: 172, near: false },
  { path: '/cast', name: 'Cast', y: 238, near: false },
  { path: '/drift', name: 'Drift', y: 304, near: false },
  { path: '/strike', name: 'Strike', y: 370, near: false },
  { path: '/plan', name: 'Plan', y: 436, near: true },
  { path: '/teach', name: 'Teach', y: 502, near: true },
  { path: '/record', name: 'Record', y: 568, near: true },
  { path: '/circle', name: 'Circle', y: 634, near: false },
] as const;
type Stop = (typeof STOPS)[number];

/**
 * The rail is a leader: one line from thick to thin, the stop you are at is the bead. On a phone it lies along the bottom:
 * four stops and one that opens the rest, which is the bead when one is at one of them.
 */
@Component({
  selector: 'doceo-rail',
  imports: [RouterLink, RouterLinkActive],
  template: `
    <a class="skip" href="#main" (click)="skip($event)">Skip to the screen</a>
    <div class="brand">Doceo</div>
    <nav aria-label="Stops" [class.open]="open()">
      <svg class="leader" viewBox="0 0 92 690" preserveAspectRatio="none" aria-hidden="true">
        <path d="M18 0 L25 0 L22.2 690 L21.2 690 Z" />
      </svg>
      @for (stop of stops; track stop.path) {
        <a
          [routerLink]="stop.path"
          routerLinkActive="here"
          ariaCurrentWhenActive="page"
          [class.far]="!stop.near"
          (isActiveChange)="arrive(stop, $event)"
          (click)="open.set(false)"
          [style.top.%]="(stop.y / leader) * 100"
          ><span class="bead" aria-hidden="true"></span>{{ stop.name }}</a
        >
      }
      <button
        type="button"
        class="rest"
        [class.here]="farHere() && !open()"
        [attr.aria-expanded]="open()"
        [attr.aria-label]="restLabel()"
        (click)="toggle()"
      >
        <span class="bead" aria-hidden="true"></span>
        <span>{{ open() ? 'Shut ▾' : restName() }}</span>
      </button>
    </nav>
  `,
  styleUrl: './rail.component.css',
  host: { '(document:click)': 'closeUnlessWithin($event)', '(keydown.escape)': 'shut()' },
})
export class RailComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly stops = STOPS;
  protected readonly leader = LEADER;
  protected readonly open = signal(false);
  private readonly here = signal<Stop | null>(null);
  protected readonly farHere = computed(() => {
    const here = this.here();
    return here && !here.near ? here : null;
  });
  protected readonly restName = computed(() => `${this.farHere()?.name ?? 'More'} ▴`);
  protected readonly restLabel = computed(() => {
    const here = this.farHere();
    return here ? `More stops; you are at ${here.name}` : 'More stops';
  });

  protected arrive(stop: Stop, active: boolean): void {
    if (active) this.here.set(stop);
    else if (this.here() === stop) this.here.set(null);
  }

  /** The address stays as it is: a mark alone would lead to the start, since addresses count from there. */
  protected skip(event: Event): void {
    event.preventDefault();
    document.getElementById('main')?.focus();
  }

  protected toggle(): void {
    this.open.update((open) => !open);
    if (this.open()) setTimeout(() => this.host.querySelector<HTMLElement>('a.far')?.focus());
  }

  protected shut(): void {
    if (!this.open()) return;
    this.open.set(false);
    this.host.querySelector<HTMLElement>('.rest')?.focus();
  }

  protected closeUnlessWithin({ target }: Event): void {
    if (!this.host.contains(target as Node)) this.open.set(false);
  }
}
