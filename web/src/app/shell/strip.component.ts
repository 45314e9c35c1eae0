import { Component, computed, ElementRef, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { formatLength, formatTemperature, formatWind, type UnitSystem } from '@doceo/core';
import { BankStore } from '../data/lesson/bank-store';
import { DayStore } from '../data/lesson/day-store';
import { dayText, initials, timeText } from '../data/lesson/lesson-texts';
import { SessionStore } from '../data/session';
import { ApiClient } from '../data/api/api-client';
import type { ApiError } from '../data/api/api-error';
import { SetAsideComponent } from '../shared/lesson/set-aside.component';
import { OriginComponent } from '../parts/origin.component';
import { narrowWindow, TABLET_PX } from '../parts/narrow';
import { AppVersion } from './app-version';

/** Where and when we are. Change the lesson here and every screen follows. */
@Component({
  selector: 'doceo-strip',
  imports: [FormsModule, OriginComponent, RouterLink, SetAsideComponent],
  template: `
    @if (day.lesson(); as lesson) {
      <label class="lesson">
        <span class="visually-hidden">Lesson</span>
        <select [ngModel]="lesson.id" (ngModelChange)="day.choose($event)">
          @for (option of options(); track option.id) {
            <option [value]="option.id">{{ option.text }}</option>
          }
        </select>
      </label>
      @if (elsewhere(); as place) {
        <button type="button" class="chip as-if" (click)="day.backToLesson()">
          <span class="place">as if at {{ place }}</span> · back to the lesson
        </button>
      }
    } @else if (!day.loaded()) {
      <span class="lesson"></span>
    } @else {
      <span class="lesson">No lesson on the calendar yet</span>
      @if (elsewhere(); as place) {
        <a class="fact" routerLink="/water">{{ place }}</a>
      }
    }
    @if (day.water()) {
      <span class="fact wide"
        >light <b class="figure">{{ light() }}</b></span
      >
      @if (now(); as now) {
        @if (now.level) {
          <a class="fact now" routerLink="/water"
            >level <b class="figure">{{ now.level }}</b><span
              [class.usual]="now.trend === 'steady'"
              [class.whole]="now.trend !== 'steady'"
              [attr.data-short]="now.trend === 'rising' ? '↗' : '↘'"
              >, {{ now.trend }}</span
            ></a
          >
        }
        <a class="fact now" routerLink="/water"
          >water <b class="figure">{{ now.water }}</b></a
        >
        <a class="fact now" routerLink="/water"
          >wind <b class="figure">{{ now.wind }}</b></a
        >
        @if (day.conditions()?.simulated) {
          <doceo-origin class="now" of="simulated" />
        }
      } @else if (client.fromDevice()) {
        <span class="fact now">water and wind are not on this device</span>
      }
    }
    @if (day.lesson(); as lesson) {
      <span class="fact wide widest"
        >students <b class="figure">{{ lesson.studentIds.length }}</b></span
      >
    }
    <span class="spread"></span>
    @if (version.newer()) {
      <button type="button" class="chip newer" (click)="version.changeOver()">
        New version: change over
      </button>
    }
    <doceo-set-aside />
    @if (bank.waiting() > 0) {
      <span class="waiting">{{ bank.waiting() }} kept here, not sent yet</span>
    }
    <button
      type="button"
      class="chip"
      (click)="switchUnits()"
      [attr.aria-label]="'Units: ' + session.units() + '. Switch'"
    >
      {{ session.units() }}
    </button>
    <span class="who">
      <button
        type="button"
        class="chip"
        aria-haspopup="true"
        [attr.aria-expanded]="open()"
        (click)="open.set(!open())"
      >
        <span class="whole" [attr.data-short]="initials()">{{ session.user()?.name }}</span>
      </button>
      @if (open()) {
        <span class="menu">
          <a class="btn small" routerLink="/account" (click)="open.set(false)">Account</a>
          <button type="button" class="btn small" [disabled]="leaving()" (click)="signOut()">Sign out</button>
          @if (unsent() > 0) {
            <span class="small"
              >{{ unsent() }} {{ unsent() === 1 ? 'entry has' : 'entries have' }} not reached the server. They
              stay here, sealed, and are sent when you sign in again.</span
            >
          }
          @if (stuck(); as text) {
            <span class="small wrong" role="alert">{{ text }}</span>
          }
        </span>
      }
    </span>
  `,
  styleUrl: './strip.component.css',
  host: {
    '[class.two]': '!day.loaded() || day.water() !== null',
    '(document:click)': 'shutUnlessWithin($event)',
    '(keydown.escape)': 'shut()',
  },
})
export class StripComponent {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  protected readonly day = inject(DayStore);
  protected readonly session = inject(SessionStore);
  protected readonly bank = inject(BankStore);
  protected readonly client = inject(ApiClient);
  protected readonly router = inject(Router);
  protected readonly version = inject(AppVersion);
  private readonly narrow = narrowWindow(TABLET_PX);
  protected readonly open = signal(false);
  protected readonly leaving = signal(false);
  protected readonly stuck = signal<string | null>(null);
  protected readonly unsent = computed(() => this.bank.waiting() + this.bank.setAside().length);

  /** By Escape; the focus goes back to what opened it. */
  protected shut(): void {
    if (!this.open()) return;
    this.open.set(false);
    this.host.querySelector<HTMLElement>('.who .chip')?.focus();
  }

  protected shutUnlessWithin({ target }: Event): void {
    if (!this.host.querySelector('.who')?.contains(target as Node)) this.open.set(false);
  }

  protected readonly initials = computed(() => initials(this.session.user()?.name ?? ''));
  protected readonly options = computed(() =>
    this.day.lessons().map((lesson) => ({
      id: lesson.id,
      text: [
        dayText(lesson.startsAt, this.zone(lesson.waterId)),
        ...(this.narrow() ? [] : [lesson.waterName]),
        lesson.planTitle,
      ].join(', '),
    })),
  );

  protected readonly light = computed(() => {
    const sun = this.day.sun();
    const zone = this.day.water()?.water.timeZone ?? 'UTC';
    return `${timeText(sun?.sunriseMs, zone)}–${timeText(sun?.sunsetMs, zone)}`;
  });

  /** The water and hour chosen in place of the lesson's. */
  protected readonly elsewhere = computed(() => {
    const [moment, water] = [this.day.moment(), this.day.water()?.water];
    if (!moment || !water || !this.day.elsewhere()) return null;
    const day = dayText(new Date(moment.atMs).toISOString(), water.timeZone);
    const own = dayText(this.day.lesson()?.startsAt ?? '', water.timeZone);
    return `${water.name}, ${day === own ? '' : `${day} `}${timeText(moment.atMs, water.timeZone)}`;
  });

  /** Conditions at the water at the chosen moment. */
  protected readonly now = computed(() => {
    const [hour, units] = [this.day.hour(), this.session.units()];
    if (!hour) return null;
    const flows = ['river', 'brook'].includes(this.day.water()?.water.kind ?? '');
    return {
      level: flows ? levelText(hour.levelM, units) : null,
      trend: hour.trend,
      water: formatTemperature(hour.waterC, units),
      wind: formatWind(hour.windMs, units),
    };
  });

  protected signOut(): void {
    this.leaving.set(true);
    this.stuck.set(null);
    this.session.signOut().subscribe({
      error: (error: ApiError) => {
        this.leaving.set(false);
        this.stuck.set(`Not signed out. ${error.message}`);
      },
    });
  }

  protected switchUnits(): void {
    this.session.keep({ units: this.session.units() === 'metric' ? 'imperial' : 'metric' });
  }

  private zone(waterId: string): string {
    return this.day.waters().find(({ id }) => id === waterId)?.water.timeZone ?? 'UTC';
  }
}

/** The river's level over its usual one; within half a centimetre it is the usual one. */
function levelText(levelM: number, units: UnitSystem): string {
  return Math.abs(levelM) < 0.005
    ? 'usual'
    : `${levelM > 0 ? '+' : '−'}${formatLength(Math.abs(levelM), units)}`;
}
