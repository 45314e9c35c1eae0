import {
  Component,
  computed,
  effect,
  inject,
  input,
  type OnDestroy,
  output,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type DriftSetup, formatLength, type Presentation, type Ranked, skillsOf } from '@doceo/core';
import { sameJson } from '../../data/same-json';
import { OriginComponent } from '../../parts/origin.component';
import { DayStore } from '../../data/lesson/day-store';
import { firstName } from '../../data/lesson/lesson-texts';
import { SessionStore } from '../../data/session';
import { BenchRunner } from '../../workers/bench-runner';
import { presentationText } from '../../shared/drift/drift-texts';
import { RankQuizComponent } from './rank-quiz.component';
import { type RankedWay, RankStore, sceneOf } from './rank-store';
import { ChoiceFieldComponent, NamedPipe } from '../../parts/fields/choice-field.component';
import { TeachingStore } from '../../data/teaching/teaching-store';

const SHOWN = 6;
/** So long after the last change the ranking begins, milliseconds. */
const CALM_MS = 400;
/** A student does what he is this likely to master. */
const LIKELY = 0.5;

interface Row {
  text: string;
  cleanM: number;
  metres: string;
  spread: string;
  barPc: number;
  fromPc: number;
  toPc: number;
  way: Presentation | null;
}

/** What an angler may do instead, by metres without drag, the best first; and the best that a student can do. */
@Component({
  selector: 'doceo-rank-panel',
  imports: [ChoiceFieldComponent, FormsModule, NamedPipe, OriginComponent, RankQuizComponent],
  providers: [RankStore],
  template: `
    <h2>What would drift longer?</h2>
    <p class="soft small told" role="status">
      @if (store.tried() === 0) {
        Nothing to try from here: the lie is out of reach.
      } @else {
        {{ store.tried() }} ways, {{ store.done() }} tried. Drift without drag, the median of nine runs; the
        thin mark is their spread.
      }
      @if (store.running()) {
        <button type="button" class="btn small" (click)="store.stop()">Stop</button>
      } @else if (store.done() < store.tried()) {
        <button type="button" class="btn small" (click)="store.start(setup())">Go on</button>
      }
    </p>
    <doceo-origin of="computed" [from]="lanesFrom()" />
    @if (asking()) {
      <doceo-rank-quiz
        [setup]="setup()"
        [ways]="store.ways()"
        (chosen)="chosen.emit($event)"
        (done)="asking.set(false)"
      />
    } @else {
      @if (canAsk()) {
        <button type="button" class="btn small ask" (click)="asking.set(true)">
          Let a student say first
        </button>
      }
      <ol>
        @for (row of rows(); track row.way?.id) {
          <li [class.drawn]="row.way === null">
            <button type="button" [disabled]="row.way === null" (click)="row.way && chosen.emit(row.way)">
              <span>{{ row.text }}</span> <b class="figure">{{ row.metres }}</b>
              <i class="bar"
                ><i class="fill" [style.width.%]="row.barPc"></i
                ><i
                  class="spread-mark"
                  [style.left.%]="row.fromPc"
                  [style.width.%]="row.toPc - row.fromPc"
                ></i
              ></i>
            </button>
          </li>
        }
      </ol>
    }
    @if (people().length > 0 && !asking()) {
      <h2>For a student</h2>
      <doceo-choice-field
        label="Student"
        [quiet]="true"
        [options]="people() | named"
        [value]="student()?.id"
        (chosen)="studentId.set($event)"
      />
      @if (best(); as one) {
        <p class="small best">
          {{ one.told }}
          <button type="button" class="btn small" (click)="chosen.emit(one.way)">Show it</button>
        </p>
      }
    }
  `,
  styles: `
    ol {
      list-style: none;
      margin: 8px 0 4px;
      padding: 0;
    }
    /* Room for what is being worked out: what lies below stays where it is. */
    .told {
      min-height: 84px;
    }
    ol {
      min-height: 340px;
    }
    li {
      border-bottom: 1px solid var(--line);
    }
    li.drawn {
      background: var(--sighter-pale);
    }
    li button {
      all: unset;
      box-sizing: border-box;
      cursor: pointer;
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 2px 10px;
      width: 100%;
      padding: 5px 6px 7px;
      font-size: 13px;
    }
    li button:hover:enabled {
      background: var(--track);
    }
    li button:focus-visible {
      outline: 3px solid var(--sighter);
    }
    li button:disabled {
      cursor: default;
    }
    .bar {
      grid-column: 1 / -1;
      position: relative;
      height: 8px;
      background: var(--track);
    }
    .fill {
      position: absolute;
      inset: 0 auto 0 0;
      background: var(--water);
    }
    .drawn .fill {
      background: var(--sighter);
    }
    .spread-mark {
      position: absolute;
      top: 3px;
      height: 2px;
      background: var(--ink);
    }
    p .btn {
      margin-left: 4px;
    }
    .best {
      margin-top: 6px;
    }
  `,
})
export class RankPanelComponent implements OnDestroy {
  private readonly teaching = inject(TeachingStore);
  protected readonly store = inject(RankStore);
  private readonly runner = inject(BenchRunner);
  private readonly session = inject(SessionStore);
  private readonly day = inject(DayStore);
  readonly setup = input.required<DriftSetup>();
  /** Where the lanes are from, in words. */
  readonly lanesFrom = input.required<string>();
  readonly chosen = output<Presentation>();

  /** A student is to say first: what the ways give is hidden from him. */
  readonly asking = signal(false);
  protected readonly canAsk = computed(() => !this.store.running() && this.store.ways().length > 2);
  protected readonly studentId = signal<string | null>(null);
  private readonly drawn = signal<Ranked | null>(null);
  private waiting: ReturnType<typeof setTimeout> | null = null;
  private readonly scene = computed(() => sceneOf(this.setup()), { equal: sameJson });

  protected readonly people = computed(() => this.day.planLesson()?.students ?? []);
  protected readonly student = computed(
    () => this.people().find(({ id }) => id === this.studentId()) ?? this.people()[0] ?? null,
  );
  protected readonly rows = computed<Row[]>(() => {
    const units = this.session.units();
    const drawn = this.drawn();
    const shown = this.store.ways().slice(0, SHOWN);
    const most = Math.max(0.1, drawn?.toM ?? 0, ...shown.map(({ ranked }) => ranked.toM));
    const row = (text: string, ranked: Ranked, way: Presentation | null): Row => ({
      ...{ text, way, cleanM: ranked.cleanM },
      metres: formatLength(ranked.cleanM, units),
      spread: `${formatLength(ranked.fromM, units)} to ${formatLength(ranked.toM, units)}`,
      barPc: (ranked.cleanM / most) * 100,
      fromPc: (ranked.fromM / most) * 100,
      toPc: (ranked.toM / most) * 100,
    });
    const rows = shown.map(({ way, ranked }) => row(presentationText(way, this.setup(), units), ranked, way));
    if (drawn) rows.push(row('As drawn', drawn, null));
    return rows.sort((a, b) => b.cleanM - a.cleanM);
  });
  protected readonly best = computed(() => {
    const student = this.student();
    const ways = this.store.ways();
    if (!student || ways.length === 0) return null;
    const likely = ({ way }: RankedWay): { share: number; skill: string } =>
      skillsOf(way)
        .map((skill) => ({ skill, share: student.skills[skill]?.mastery ?? 0 }))
        .reduce((least, one) => (one.share < least.share ? one : least));
    const can = ways.find((one) => likely(one).share >= LIKELY);
    const one = can ?? ways.reduce((a, b) => (likely(b).share > likely(a).share ? b : a));
    const units = this.session.units();
    const { skill } = likely(one);
    const name = firstName(student.name);
    const first = ways[0] as RankedWay;
    const beyond = likely(first);
    const word = (id: string): string =>
      (student.skills[id]?.attempts ?? 0) === 0 ? 'not seen' : 'not there';
    const text = `${presentationText(one.way, this.setup(), units)}: ${formatLength(one.ranked.cleanM, units)}`;
    const why =
      first === one
        ? ''
        : ` The best of all needs ${this.teaching.curriculum().skills.get(beyond.skill).name.toLowerCase()}, ${word(beyond.skill)} yet.`;
    return {
      way: one.way,
      told: can
        ? `${name} can do: ${text}.${why}`
        : `${name} has none of these yet; nearest is ${text} (${this.teaching.curriculum().skills.get(skill).name.toLowerCase()}).`,
    };
  });

  constructor() {
    effect(() => {
      this.scene();
      const setup = untracked(() => this.setup());
      if (this.waiting) clearTimeout(this.waiting);
      this.waiting = setTimeout(() => this.store.start(setup), CALM_MS);
    });
    effect((done) => {
      const setup = this.setup();
      const { standM, handling, acts } = setup;
      const mend = acts.find(({ kind }) => kind === 'mend') ?? null;
      const run = this.runner
        .runOfMany('rank', setup, { id: 'drawn', standM, handling, mend: mend && { ...mend } })
        .subscribe({ next: (ranked) => this.drawn.set(ranked), error: () => this.drawn.set(null) });
      done(() => run.unsubscribe());
    });
  }

  ngOnDestroy(): void {
    if (this.waiting) clearTimeout(this.waiting);
    this.store.stop();
  }
}
