import type { Course, Student } from '@doceo/contract';
import { type Curriculum, ENOUGH, type SkillAttempt, type SkillState } from '@doceo/core';
import { DateTime } from 'luxon';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { LessonOfCourse } from './course-view';

/** One goal with what stands behind it. */
export interface AchievedGoal {
  name: string;
  sentence: string;
  /** Whether it is there by the record. */
  reached: boolean;
  evidence: string;
}

/** What one student achieved in a course. */
export interface Achievement {
  student: string;
  course: string;
  span: string;
  lessons: string;
  goals: AchievedGoal[];
  from: string;
}

/** Fewer tries say nothing yet. */
const LEAST_TRIES = 5;

/** What the record says of the goals of a course: nothing is reached that nobody saw. */
export function achievementOf({
  course,
  student,
  attempts,
  state,
  lessons,
  curriculum,
  from,
  nowMs,
  zone,
}: {
  course: Course;
  student: Student;
  attempts: readonly SkillAttempt[];
  state: SkillState;
  lessons: readonly LessonOfCourse[];
  curriculum: Curriculum;
  from: string;
  nowMs: number;
  zone: string;
}): Achievement {
  const day = (date: string): string => DateTime.fromISO(date).toFormat('d LLL yyyy');
  const until = DateTime.fromMillis(nowMs, { zone }).toISODate() ?? course.untilOn;
  const last = until < course.untilOn ? until : course.untilOn;
  const inCourse = attempts.filter(({ atMs }) => {
    const on = DateTime.fromMillis(atMs, { zone }).toISODate() ?? '';
    return on >= course.fromOn && on <= course.untilOn;
  });
  return {
    student: student.name,
    course: course.name,
    span: `${day(course.fromOn)} to ${day(last)}`,
    lessons: lessons.map(({ day: on, saved }) => `${on}, ${saved.waterName}`).join('; ') || 'none yet',
    goals: course.goals.flatMap((id) => {
      const skill = curriculum.skills.find(id);
      if (!skill) return [];
      const all = attempts.filter(({ skillId }) => skillId === id);
      const own = inCourse.filter(({ skillId }) => skillId === id);
      const days = new Set(own.map(({ atMs }) => DateTime.fromMillis(atMs, { zone }).toFormat('d LLL')));
      const good = own.filter((one) => one.good).length;
      return [
        {
          ...{ name: skill.name, sentence: skill.good },
          reached: all.length >= LEAST_TRIES && (state[id]?.mastery ?? 0) >= ENOUGH,
          evidence:
            own.length === 0
              ? 'Nothing on the record of this course.'
              : `${good} good of ${own.length} seen, on ${[...days].join(', ')}.`,
        },
      ];
    }),
    from,
  };
}

const INK = '#15261f';
const SOFT = '#4c5b53';
const GOOD = '#23745a';
const LINE = '#d9d2bf';

/** A sheet to give along: each goal, whether it is there, and what was seen of it. It claims no licence, and says so. */
export function achievedDocument({
  student,
  course,
  span,
  lessons,
  goals,
  from,
}: Achievement): TDocumentDefinitions {
  const lines = (list: readonly AchievedGoal[], color: string): Content[] =>
    list.map((goal) => ({
      unbreakable: true,
      margin: [0, 5, 0, 5],
      columns: [
        { width: 14, canvas: [{ type: 'rect', x: 0, y: 4, w: 6, h: 30, color }] },
        {
          stack: [
            { text: goal.name, bold: true, fontSize: 14 },
            { text: goal.sentence },
            { text: goal.evidence, color: SOFT, fontSize: 11 },
          ],
        },
      ],
    }));
  const reached = goals.filter((goal) => goal.reached);
  const others = goals.filter((goal) => !goal.reached);
  const heading = (text: string): Content => ({ text, bold: true, color: SOFT, margin: [0, 16, 0, 4] });
  return {
    pageSize: 'A4',
    pageMargins: [56, 56, 56, 64],
    info: { title: `${student}: ${course}`, author: from },
    defaultStyle: { fontSize: 12, lineHeight: 1.15, color: INK },
    content: [
      { text: student, fontSize: 28, bold: true },
      { text: course, fontSize: 16 },
      { text: span, color: SOFT },
      { text: `Lessons: ${lessons}.`, color: SOFT, fontSize: 11, margin: [0, 4, 0, 0] },
      heading('Can do, by the record'),
      ...(reached.length > 0
        ? lines(reached, GOOD)
        : [{ text: 'Nothing is sure enough yet to be named here.' }]),
      ...(others.length > 0 ? [heading('On the way'), ...lines(others, LINE)] : []),
      {
        unbreakable: true,
        margin: [0, 44, 0, 0],
        stack: [
          { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 240, y2: 0, lineWidth: 0.8, lineColor: INK }] },
          { text: `${from}, instructor`, margin: [0, 4, 0, 0] },
        ],
      },
      {
        text: 'A record of what was seen in lessons. It is no licence, permit or qualification, and says nothing of safety at other waters.',
        color: SOFT,
        fontSize: 10,
        margin: [0, 18, 0, 0],
      },
    ],
  };
}
