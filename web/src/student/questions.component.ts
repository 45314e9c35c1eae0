import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  type OnInit,
  output,
  signal,
} from '@angular/core';
import type { StudentPage } from '@doceo/contract';
import { MyPage } from './my-page';

type Question = StudentPage['questions'][number];

/** Questions at a time. */
const AT_ONCE = 3;

/** Three questions, one after the other, each with why the answer is right or wrong. */
@Component({
  selector: 'doceo-questions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="over" role="dialog" aria-modal="true" aria-labelledby="asked">
      @if (question(); as now) {
        <p class="small">{{ number() + 1 }} of {{ asked().length }}, {{ now.skillName }}</p>
        <h2 id="asked">{{ now.text }}</h2>
        @for (choice of now.choices; track $index) {
          <button
            type="button"
            class="press choice"
            [class.right]="chosen() !== null && choice.right"
            [class.wrong-one]="chosen() === $index && !choice.right"
            [attr.aria-disabled]="chosen() !== null"
            (click)="choose(now, $index)"
          >
            {{ choice.text }}
          </button>
        }
        @if (chosen() !== null) {
          <p role="status">{{ reason() }}</p>
          <button type="button" class="press dark" (click)="next()">
            {{ number() + 1 < asked().length ? 'Next' : 'Done' }}
          </button>
        }
      } @else {
        <h2 id="asked">You have answered all there are</h2>
        <p>More come with your next lesson.</p>
      }
      <button type="button" class="press" (click)="closed.emit()">Back to the page</button>
    </div>
  `,
  styleUrl: './over.css',
  styles: `
    .choice {
      text-align: left;
      background: #fff;
    }

    .right {
      border-color: var(--water);
      background: #e3f0ea;
    }

    .wrong-one {
      border-color: var(--safety);
      background: #f9e6e1;
    }
  `,
  host: { '(document:keydown.escape)': 'closed.emit()' },
})
export class QuestionsComponent implements OnInit {
  private readonly my = inject(MyPage);
  readonly questions = input.required<readonly Question[]>();
  readonly closed = output<void>();
  /** Those that nobody answered yet, as they were when this was opened. */
  protected readonly asked = signal<readonly Question[]>([]);
  protected readonly number = signal(0);
  protected readonly question = computed(() => this.asked()[this.number()] ?? null);
  protected readonly chosen = signal<number | null>(null);
  protected readonly reason = computed(() => {
    const choice = this.question()?.choices[this.chosen() ?? -1];
    return choice ? `${choice.right ? 'Right.' : 'Not quite.'} ${choice.reason}` : '';
  });

  ngOnInit(): void {
    const answered = this.my.answered();
    this.asked.set(
      this.questions()
        .filter(({ id }) => !answered.has(id))
        .slice(0, AT_ONCE),
    );
  }

  protected choose(question: Question, index: number): void {
    if (this.chosen() !== null) return;
    this.chosen.set(index);
    this.my.answer(question.id, {
      skillId: question.skillId,
      good: question.choices[index]?.right ?? false,
      evidence: 'answer',
      asked: { questionId: question.id, choice: index, choices: question.choices.length },
    });
  }

  protected next(): void {
    if (this.number() + 1 >= this.asked().length) return this.closed.emit();
    this.chosen.set(null);
    this.number.update((n) => n + 1);
  }
}
