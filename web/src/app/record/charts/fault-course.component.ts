import { Component, computed, input, inject } from '@angular/core';
import { type DrilledAttempt, faultCourse, type FaultRate } from '@doceo/core';
import { DateTime } from 'luxon';
import { TeachingStore } from '../../data/teaching/teaching-store';

const MAX = 3;
const WIDTH = 210;
const HEIGHT = 44;
const PAD = 8;

/** The most frequent faults lesson by lesson: of 100 attempts, each lesson with its interval. */
@Component({
  selector: 'doceo-fault-course',
  template: `
    @for (course of courses(); track course.id) {
      <figure>
        <figcaption>{{ course.name }}</figcaption>
        <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="course.words">
          <line x1="0" [attr.x2]="width" [attr.y1]="height - pad" [attr.y2]="height - pad" class="floor" />
          <polyline [attr.points]="course.line" />
          @for (point of course.points; track point.x) {
            <line [attr.x1]="point.x" [attr.x2]="point.x" [attr.y1]="point.low" [attr.y2]="point.high" />
            <circle [attr.cx]="point.x" [attr.cy]="point.y" r="3.5">
              <title>{{ point.words }}</title>
            </circle>
          }
        </svg>
        <span class="figure">{{ course.ends }}</span>
      </figure>
    }
  `,
  styles: `
    figure {
      display: grid;
      grid-template-columns: 158px minmax(0, 210px) 84px;
      gap: 10px;
      align-items: center;
      margin: 2px 0;
      font-size: 12.5px;
    }

    figcaption {
      text-align: right;
    }

    svg {
      width: 100%;
      height: auto;
    }

    polyline {
      fill: none;
      stroke: var(--river-bright);
      stroke-width: 2;
    }

    line {
      stroke: var(--river-bright);
      stroke-width: 1.4;
      opacity: 0.6;
    }

    line.floor {
      stroke: var(--line);
      opacity: 1;
    }

    circle {
      fill: var(--river);
    }

    @media (max-width: 700px) {
      figure {
        grid-template-columns: 96px minmax(0, 1fr) 70px;
      }
    }
  `,
})
export class FaultCourseComponent {
  private readonly teaching = inject(TeachingStore);
  readonly rates = input.required<readonly FaultRate[]>();
  readonly attempts = input.required<readonly DrilledAttempt[]>();

  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;
  protected readonly pad = PAD;
  protected readonly courses = computed(() =>
    this.rates()
      .slice(0, MAX)
      .map(({ faultId }) => ({ faultId, lessons: faultCourse(this.attempts(), faultId) }))
      .filter(({ lessons }) => lessons.length > 1)
      .map(({ faultId, lessons }) => {
        const top = Math.max(0.2, ...lessons.map(({ rate }) => 1.35 * rate));
        const y = (share: number): number => HEIGHT - PAD - Math.min(1, share / top) * (HEIGHT - 2 * PAD);
        const points = lessons.map(({ atMs, rate, low, high, n }, i) => ({
          x: PAD + (i * (WIDTH - 2 * PAD)) / (lessons.length - 1),
          y: y(rate),
          low: y(low),
          high: y(high),
          words: `${DateTime.fromMillis(atMs).toFormat('d LLL')}: ${of100(rate)} of 100, ${of100(low)} to ${of100(high)}, from ${n} attempts`,
        }));
        const name = this.teaching.curriculum().faults.get(faultId).short;
        return {
          id: faultId,
          name,
          points,
          line: points.map(({ x, y: at }) => `${x},${at}`).join(' '),
          ends: `${of100(lessons[0]?.rate ?? 0)} → ${of100(lessons.at(-1)?.rate ?? 0)}`,
          words: `${name}, of 100 attempts, lesson by lesson. ${points.map(({ words }) => words).join('. ')}`,
        };
      }),
  );
}

function of100(share: number): string {
  return (100 * share).toFixed(0);
}
