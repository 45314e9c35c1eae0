import { Component, computed, inject, input, output } from '@angular/core';
import { Router } from '@angular/router';
import type { SavedLesson } from '@doceo/contract';
import { listed } from '@doceo/texts';
import { Sending } from '../../data/api/sending';
import { endMs } from '../../data/lesson/bare-lesson';
import { DayStore } from '../../data/lesson/day-store';
import { callNames, firstName } from '../../data/lesson/lesson-texts';
import { DialogComponent } from '../../parts/dialogs/dialog.component';
import { AssistantsComponent } from './assistants.component';
import { InstructorsComponent } from './instructors.component';

/** Who teaches a lesson and who helps: said by whose it is, seen by who teaches along, who may part. */
@Component({
  selector: 'doceo-who-teaches',
  imports: [AssistantsComponent, DialogComponent, InstructorsComponent],
  template: `
    <doceo-dialog heading="Who teaches this lesson" (closed)="closed.emit()">
      @if (lesson().mine) {
        <doceo-instructors [lesson]="lesson()" [planned]="planned()" [zone]="zone()" />
        <h2>Who helps</h2>
        <doceo-assistants [lessonId]="lesson().id" [zone]="zone()" />
      } @else {
        <ul class="given" data-first tabindex="-1">
          @for (one of people(); track one.name; let first = $first) {
            <li>
              <span>
                <b>{{ one.name }}</b>{{ first ? ', whose lesson it is' : '' }}<br />
                <span class="small soft">{{ one.has || 'nobody of the group' }}</span>
              </span>
            </li>
          }
        </ul>
        <p>{{ people()[0]?.name }} says day, water and group, and who has whom.</p>
        @if (!over()) {
          <div class="row">
            <button type="button" class="btn" [disabled]="sending.busy()" (click)="leave()">
              I do not teach it
            </button>
            <span class="small soft">
              It leaves your days, and those you had go back. Tell {{ keeper() }} yourself: no letter goes
              out.
            </span>
          </div>
        }
        @if (sending.wrong(); as problem) {
          <p class="wrong" role="alert">{{ problem.message }}</p>
        }
      }
    </doceo-dialog>
  `,
  styles: `
    h2 {
      margin: 20px 0 0;
    }

    /* Nothing is pressed there: it only keeps the focus off what cannot be undone. */
    .given:focus {
      outline: none;
    }

    .row {
      align-items: center;
      gap: 10px;
    }

    .row > span {
      flex: 1 1 200px;
    }
  `,
})
export class WhoTeachesComponent {
  private readonly day = inject(DayStore);
  private readonly router = inject(Router);
  readonly lesson = input.required<SavedLesson>();
  readonly planned = input(1);
  readonly zone = input('UTC');
  readonly closed = output<void>();

  protected readonly sending = new Sending();
  protected readonly over = computed(() => endMs(this.lesson()) <= this.day.now());
  protected readonly keeper = computed(() => firstName(this.lesson().instructors[0]?.name ?? ''));
  protected readonly people = computed(() => {
    const called = callNames(this.day.studentsOf(this.lesson()));
    return this.lesson().instructors.map(({ name, studentIds }) => ({
      name,
      has: listed([...called].flatMap(([id, text]) => (studentIds.includes(id) ? text : []))),
    }));
  });

  protected leave(): void {
    this.sending.send(this.day.leaveLesson(this.lesson().id), () => void this.router.navigate(['/today']));
  }
}
