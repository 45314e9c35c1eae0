import { Component, computed, input, output } from '@angular/core';
import type { Strand } from '@doceo/core';
import { narrowWindow } from '../../parts/narrow';
import { halfWidth, type StreamPoint, streamShape, withRoom } from './stream-shape';

/** A goal as it is drawn. */
export interface GoalStream {
  skillId: string;
  name: string;
  strand: Strand;
  points: readonly StreamPoint[];
  /** How its end is told: short, and read aloud. */
  end: string;
  told: string;
  /** Where it would end without what is proposed, 0…1; null where nothing is. */
  before: number | null;
}

export interface LessonMark {
  id: string;
  atMs: number;
  day: string;
  over: boolean;
}

const ROW = 84;
const TOP = 40;
const MOST = 26;
/** Room for the word at the end of a stream, pixels. */
const END = 84;
const LABEL_APART = 70;
/** A gate at the end: as wide as a stream that is enough. */
const GATE = 0.8;

/**
 * The height of so many streams.
 *
 * @returns CSS pixels
 */
export const streamsHeight = (streams: number): number => TOP + streams * ROW;

/** The goals of a course as streams from its first day to the last: each as wide as what is mastered, lessons across. */
@Component({
  selector: 'doceo-course-streams',
  template: `
    <svg
      [attr.viewBox]="'0 0 ' + width() + ' ' + height()"
      role="group"
      aria-label="The goals over the course"
    >
      <rect class="gone" x="0" [attr.y]="top" [attr.width]="nowX()" [attr.height]="height() - top" />
      @for (mark of lessons(); track mark.id) {
        <line
          class="lesson"
          [class.over]="mark.over"
          [attr.x1]="mark.x"
          [attr.x2]="mark.x"
          [attr.y1]="top - 8"
          [attr.y2]="height()"
        />
        @if (mark.named) {
          <text class="day" [attr.x]="mark.textX" y="24" text-anchor="middle">
            {{ mark.day }}
          </text>
        }
      }
      <line class="now" [attr.x1]="nowX()" [attr.x2]="nowX()" [attr.y1]="top - 8" [attr.y2]="height()" />
      @for (row of rows(); track row.skillId) {
        <g
          class="goal"
          [class.still]="still()"
          [class]="'strand-' + row.strand"
          [class.chosen]="row.skillId === chosenId()"
          [attr.role]="still() ? 'img' : 'button'"
          [attr.tabindex]="still() ? null : 0"
          [attr.aria-pressed]="still() ? null : row.skillId === chosenId()"
          [attr.aria-label]="row.told"
          (click)="chosen.emit(row.skillId)"
          (keydown.enter)="chosen.emit(row.skillId)"
          (keydown.space)="chosen.emit(row.skillId); $event.preventDefault()"
        >
          <rect class="ground" x="0" [attr.y]="row.top" [attr.width]="width()" [attr.height]="rowHeight" />
          <path class="band" [attr.d]="row.shape.band" />
          <path class="core" [attr.d]="row.shape.core" />
          <path class="banks" [attr.d]="row.shape.banks" />
          <path class="gate" [attr.d]="row.gate" />
          @if (row.beforeTick) {
            <path class="before" [attr.d]="row.beforeTick" />
          }
          <text class="name" x="6" [attr.y]="row.top + 17">{{ row.name }}</text>
          <text class="end" [attr.x]="width() - 6" [attr.y]="row.y + 6" text-anchor="end">{{ row.end }}</text>
        </g>
      }
    </svg>
  `,
  styleUrl: './course-streams.component.css',
})
export class CourseStreamsComponent {
  readonly streams = input.required<readonly GoalStream[]>();
  readonly marks = input.required<readonly LessonMark[]>();
  readonly fromMs = input.required<number>();
  readonly nowMs = input.required<number>();
  readonly untilMs = input.required<number>();
  readonly chosenId = input<string | null>(null);
  /** Whether it is only looked at: no goal can be chosen. */
  readonly still = input(false);
  readonly chosen = output<string>();
  private readonly narrow = narrowWindow();

  protected readonly top = TOP;
  protected readonly rowHeight = ROW;
  protected readonly width = computed(() => (this.narrow() ? 372 : 800));
  protected readonly height = computed(() => streamsHeight(this.streams().length));
  private readonly x = computed(() => {
    const [from, until, width] = [this.fromMs(), this.untilMs(), this.width() - END];
    return (atMs: number) => Math.max(0, Math.min(1, (atMs - from) / Math.max(1, until - from))) * width;
  });
  protected readonly nowX = computed(() => this.x()(this.nowMs()));
  protected readonly lessons = computed(() => {
    const placed = this.marks().map((mark) => ({ ...mark, x: this.x()(mark.atMs) }));
    // A word at the edge stands beside its line, not over it.
    const middles = placed.map(({ x }) => Math.max(LABEL_APART / 2, x));
    const named = withRoom(middles, LABEL_APART);
    return placed.map((mark, i) => ({ ...mark, named: named[i], textX: middles[i] }));
  });
  protected readonly rows = computed(() =>
    this.streams().map((stream, i) => {
      const top = TOP + i * ROW;
      // The name has its line above.
      const y = top + 22 + MOST + 3;
      const end = this.width() - END;
      return {
        ...{ ...stream, top, y },
        shape: streamShape(stream.points, this.x(), y, MOST),
        gate: tick(end + 5, y, halfWidth(GATE, MOST), 5),
        beforeTick: stream.before === null ? null : tick(end - 1, y, halfWidth(stream.before, MOST), 9),
      };
    }),
  );
}

/** Two short marks, so far over and under a line. */
function tick(x: number, y: number, half: number, long: number): string {
  return `M${x - long} ${y - half}h${long * 2}M${x - long} ${y + half}h${long * 2}`;
}
