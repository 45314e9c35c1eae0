import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MyPage } from './my-page';
import { OneThingComponent } from './one-thing.component';
import { QuestionsComponent } from './questions.component';
import { StreamLineComponent } from './stream-line.component';
import { TakesComponent } from './takes.component';
import { WellPictureComponent } from './well-picture.component';
import { beforeText, firstName, wellText } from './words';

/** The whole page: a letter from the instructor, and what to do with it. */
@Component({
  selector: 'doceo-student',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OneThingComponent, QuestionsComponent, StreamLineComponent, TakesComponent, WellPictureComponent],
  templateUrl: './student.component.html',
  styleUrl: './student.component.css',
  host: { '(window:online)': 'my.load()' },
})
export class StudentComponent {
  protected readonly my = inject(MyPage);
  protected readonly instructor = computed(() => firstName(this.my.page()?.instructor ?? ''));
  protected readonly well = computed(() => {
    const page = this.my.page();
    const { well } = page ?? {};
    return page && well
      ? { text: wellText(well), before: beforeText(well, page.lessonOn), tries: well.tries }
      : null;
  });
  /** What is open over the page. */
  protected readonly open = signal<'takes' | 'questions' | null>(null);
  protected readonly name = signal('');
  protected readonly nameless = signal(false);
  protected readonly leaving = signal(false);

  constructor() {
    this.my.load();
  }

  protected enter(event: Event): void {
    event.preventDefault();
    this.nameless.set(this.name().trim() === '');
    if (!this.nameless()) this.my.open(this.name());
  }
}
