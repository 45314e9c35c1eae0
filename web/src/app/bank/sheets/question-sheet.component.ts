import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { Choice, Question } from '@doceo/core';
import { QuestionsHere } from '../questions-here';
import { SHEET } from './sheet';

/** Questions offered at once: of what is on hand, and of what is taught. */
const MAX_HERE = 4;
const MAX_SHOWN = 8;

/** Asks a student something: read it out, tap what he says. The answer goes on the record, the reason is read out. */
@Component({
  selector: 'doceo-question-sheet',
  changeDetection: ChangeDetectionStrategy.OnPush,
  providers: [QuestionsHere],
  styleUrls: ['../../parts/thumb-buttons.css', './sheet.css'],
  template: `
    @if (asked(); as question) {
      <p class="asked">{{ question.text }}</p>
      @if (given(); as choice) {
        <p role="status">
          <b>{{ choice.right ? 'Right.' : 'Not quite.' }}</b> {{ choice.reason }}
        </p>
        @if (!choice.right) {
          <p>
            <b>{{ right(question).text }}</b> {{ right(question).reason }}
          </p>
        }
        <div class="choices">
          <button type="button" class="yes" (click)="keep(question)">Keep it</button>
          <button type="button" (click)="given.set(null)">He said something else</button>
        </div>
      } @else {
        <div class="choices one">
          @for (choice of question.choices; track choice.text) {
            <button type="button" (click)="given.set(choice)">{{ choice.text }}</button>
          }
        </div>
        <button type="button" (click)="asked.set(null)">Another question</button>
      }
    } @else {
      <input
        type="search"
        aria-label="Find a question"
        placeholder="find a question"
        (input)="words.set($any($event.target).value)"
      />
      @for (part of parts(); track part.title) {
        <h3>{{ part.title }}</h3>
        <div class="choices one">
          @for (question of part.questions; track question.id) {
            <button type="button" (click)="asked.set(question)">
              {{ question.text }}
              <small>{{ skillName(question) }}</small>
            </button>
          }
        </div>
      } @empty {
        <p>No question has these words.</p>
      }
    }
  `,
})
export class QuestionSheetComponent {
  private readonly sheet = inject(SHEET);
  protected readonly words = signal('');
  protected readonly asked = signal<Question | null>(null);
  protected readonly given = signal<Choice | null>(null);
  private readonly here = inject(QuestionsHere);
  /** Of each part those of the drill of the moment first, then of what it rests on. */
  protected readonly parts = computed(() => {
    const { questions } = this.sheet.curriculum();
    return [
      { title: 'Of this water and rig', questions: this.found(this.here.questions()).slice(0, MAX_HERE) },
      { title: 'Of what is taught', questions: this.found(questions.all).slice(0, MAX_SHOWN) },
    ].filter(({ questions }) => questions.length > 0);
  });

  private found(all: readonly Question[]): Question[] {
    const { skills } = this.sheet.curriculum();
    const about = (this.sheet.drill()?.trains ?? []).map(({ skillId }) => skillId);
    const rests = about.flatMap((id) => skills.ancestors(id).map((one) => one.id));
    const rank = ({ skillId }: Question): number =>
      about.includes(skillId) ? 0 : rests.includes(skillId) ? 1 : 2;
    const words = this.words().trim().toLowerCase();
    return all
      .filter((one) => `${one.text} ${skills.get(one.skillId).name}`.toLowerCase().includes(words))
      .sort((a, b) => rank(a) - rank(b));
  }

  protected skillName({ skillId }: Question): string {
    return this.sheet.curriculum().skills.get(skillId).name;
  }

  protected right({ choices }: Question): Choice {
    return choices.find(({ right }) => right) as Choice;
  }

  protected keep(question: Question): void {
    const choice = this.given();
    if (!choice) return;
    this.sheet.keep({
      kind: 'attempt',
      skillId: question.skillId,
      drillId: null,
      good: choice.right,
      faultId: null,
      evidence: 'answer',
      asked: {
        questionId: question.id,
        choice: question.choices.indexOf(choice),
        choices: question.choices.length,
      },
    });
  }
}
