import { Component, input, output, signal } from '@angular/core';

/** A student in the bar: what is said under the name, and how the last tries went. */
export interface BarStudent {
  id: string;
  first: string;
  initials: string;
  line: string;
  /** Oldest first. */
  tries: boolean[];
  chosen: boolean;
  /** Does something else than the plan says. */
  out: boolean;
}

/** For whom taps count: all, one, or several when that is on. */
@Component({
  selector: 'doceo-who-bar',
  template: `
    <nav class="who" aria-label="For whom a tap counts">
      @if (students().length > 1) {
        <button type="button" class="all" [attr.aria-pressed]="everybody()" (click)="all.emit()">
          <b>All</b><small>{{ students().length }}</small>
        </button>
      }
      @for (student of students(); track student.id) {
        <button
          type="button"
          [class.out]="student.out"
          [attr.aria-pressed]="student.chosen && !everybody()"
          [class.among]="student.chosen && everybody()"
          (click)="several() ? toggled.emit(student.id) : one.emit(student.id)"
        >
          <b>{{ students().length > 5 ? student.initials : student.first }}</b>
          @if (students().length <= 5 && student.line) {
            <small>{{ student.line }}</small>
          }
          <span class="tries" aria-hidden="true">
            @for (good of student.tries; track $index) {
              <i [class.good]="good"></i>
            }
          </span>
        </button>
      }
      @if (students().length > 2) {
        <button type="button" class="all" [attr.aria-pressed]="several()" (click)="several.set(!several())">
          <b class="plus">+</b>&ngsp;<small>several</small>
        </button>
      }
      @if (others() > 0) {
        <button type="button" class="all" [attr.aria-pressed]="showsOthers()" (click)="turned.emit()">
          <b>{{ others() }}</b>&ngsp;<small>others</small>
        </button>
      }
    </nav>
  `,
  styles: `
    .who {
      display: flex;
      background: #0c1a14;
    }
    button {
      flex: 1 1 0;
      min-width: 0;
      min-height: 84px;
      border: 0;
      border-right: 1px solid #3c4b43;
      background: transparent;
      color: #fff;
      font: inherit;
      display: flex;
      flex-direction: column;
      justify-content: flex-start;
      gap: 2px;
      padding: 6px 3px;
      text-align: left;
      overflow: hidden;
      cursor: pointer;
      touch-action: manipulation;
    }
    b {
      font: 700 17px/1.15 var(--head);
      /* Two lines: the letter that tells two of one name apart goes below the name. */
      max-height: 2.3em;
      overflow: hidden;
      text-overflow: ellipsis;
      flex-shrink: 0;
    }
    .plus {
      font-size: 24px;
    }
    small {
      font-size: 12.5px;
      line-height: 1.12;
      display: -webkit-box;
      -webkit-box-orient: vertical;
      -webkit-line-clamp: 4;
      overflow: hidden;
      overflow-wrap: anywhere;
    }
    .all {
      flex: 0 0 58px;
      align-items: center;
      justify-content: center;
    }
    button[aria-pressed='true'] {
      background: #ff8a5c;
      color: #0c1a14;
    }
    button.among {
      background: #5c3a2b;
    }
    button.out {
      outline: 2px dashed #fff;
      outline-offset: -4px;
    }
    .tries {
      display: flex;
      gap: 2px;
      margin-top: auto;
    }
    i {
      width: 7px;
      height: 9px;
      border: 1px solid currentColor;
    }
    i.good {
      background: currentColor;
    }
    @media (min-width: 900px) {
      button:not(.all) {
        padding-left: 12px;
      }
    }
  `,
})
export class WhoBarComponent {
  readonly students = input.required<readonly BarStudent[]>();
  readonly everybody = input.required<boolean>();
  /** Of how many somebody else has the care, and whether they are shown too. */
  readonly others = input(0);
  readonly showsOthers = input(false);
  readonly turned = output<void>();
  readonly all = output<void>();
  readonly one = output<string>();
  readonly toggled = output<string>();
  /** Whether a tap on a name adds to those chosen. */
  protected readonly several = signal(false);
}
