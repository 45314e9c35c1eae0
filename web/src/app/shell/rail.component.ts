import { Component } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';

/** Stops in the order of the work, with their place along the leader. */
const STOPS = [
  { path: '/today', name: 'Today', y: 40 },
  { path: '/water', name: 'Water', y: 106 },
  { path: '/rig', name: 'Rig', y: 172 },
  { path: '/cast', name: 'Cast', y: 238 },
  { path: '/drift', name: 'Drift', y: 304 },
  { path: '/strike', name: 'Strike', y: 370 },
  { path: '/plan', name: 'Plan', y: 436 },
  { path: '/bank', name: 'Bank', y: 502 },
  { path: '/record', name: 'Record', y: 568 },
  { path: '/circle', name: 'Circle', y: 634 },
] as const;

/** The rail is a leader: one line from thick to thin, the stop you are at is the bead. On a phone it lies along the bottom. */
@Component({
  selector: 'doceo-rail',
  imports: [RouterLink, RouterLinkActive],
  template: `
    <a class="skip" href="#main">Skip to the screen</a>
    <div class="brand">Doceo</div>
    <nav aria-label="Stops">
      <svg class="leader" viewBox="0 0 92 690" preserveAspectRatio="none" aria-hidden="true">
        <path d="M18 0 L25 0 L22.2 690 L21.2 690 Z" />
      </svg>
      @for (stop of stops; track stop.path) {
        <a
          #link
          [routerLink]="stop.path"
          routerLinkActive="here"
          ariaCurrentWhenActive="page"
          (isActiveChange)="$event && bringIn(link)"
          [style.top.px]="stop.y - 22"
          ><span class="bead" aria-hidden="true"></span>{{ stop.name }}</a
        >
      }
    </nav>
  `,
  styleUrl: './rail.component.css',
})
export class RailComponent {
  protected readonly stops = STOPS;

  /** On a phone the leader is longer than the screen: the stop one is at is drawn into sight. */
  protected bringIn(link: HTMLElement): void {
    setTimeout(() => {
      const nav = link.parentElement;
      if (nav) nav.scrollLeft = link.offsetLeft - (nav.clientWidth - link.offsetWidth) / 2;
    });
  }
}
