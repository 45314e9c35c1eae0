import { Component, input, output } from '@angular/core';
import type { SavedLesson } from '@doceo/contract';
import { DialogComponent } from '../../parts/dialog.component';
import { LessonFormComponent } from './lesson-form.component';

/** Schedules a plan, or changes a lesson. */
@Component({
  selector: 'doceo-lesson-dialog',
  imports: [DialogComponent, LessonFormComponent],
  template: `
    <doceo-dialog
      [heading]="lesson() ? 'Change the lesson' : 'Schedule a lesson'"
      [width]="560"
      [typed]="true"
      (closed)="closed.emit(null)"
    >
      <doceo-lesson-form [planId]="planId()" [lesson]="lesson()" (saved)="closed.emit($event)">
        <button type="button" class="btn" (click)="closed.emit(null)">Cancel</button>
      </doceo-lesson-form>
    </doceo-dialog>
  `,
})
export class LessonDialogComponent {
  /** Null for a lesson that goes on with its own copy of a plan. */
  readonly planId = input.required<string | null>();
  readonly lesson = input<SavedLesson | null>(null);
  readonly closed = output<SavedLesson | null>();
}
