import type { SavedLesson, SavedWater } from '@doceo/contract';
import { counted } from '@doceo/texts';
import type { ICalAlarmType } from 'ical-generator';
import { DateTime } from 'luxon';

/** When the evening before reminds, hour of the clock at the water. */
const EVENING_HOUR = 19;

/** What a calendar is told of a lesson: no student, only how many. */
export interface CalendarLesson {
  lesson: SavedLesson;
  water: SavedWater['water'] | null;
  aim: string;
  light: string;
  from: string;
}

/**
 * A lesson for any calendar (RFC 5545): when, where, how many students, the light, and a reminder the evening before. The
 * writer of such files loads when the first one is asked for.
 *
 * @param nowMs when it is written
 */
export async function lessonCalendar(
  { lesson, water, aim, light, from }: CalendarLesson,
  nowMs: number,
): Promise<string> {
  const { default: ical } = await import('ical-generator');
  const startMs = Date.parse(lesson.startsAt);
  const evening = DateTime.fromMillis(startMs, { zone: water?.timeZone ?? 'UTC' })
    .minus({ days: 1 })
    .set({ hour: EVENING_HOUR, minute: 0, second: 0, millisecond: 0 });
  const { latitude: lat, longitude: lon } = water ?? { latitude: null, longitude: null };
  const calendar = ical({ prodId: { company: 'Doceo', product: 'Lessons', language: 'EN' } });
  const event = calendar.createEvent({
    id: `${lesson.id}@doceo`,
    stamp: new Date(nowMs),
    start: new Date(startMs),
    end: new Date(startMs + lesson.lengthMin * 60_000),
    summary: `${lesson.planTitle}, ${counted(lesson.studentIds.length, 'student')}`,
    location: {
      title: lesson.waterName,
      ...(lat !== null && lon !== null ? { geo: { lat, lon } } : {}),
    },
    description: [
      aim,
      counted(lesson.studentIds.length, 'student'),
      light,
      'Weather, water and rules: look again on the day, and judge on the spot.',
      from,
    ]
      .filter(Boolean)
      .join('\n'),
  });
  event.createAlarm({
    type: 'display' as ICalAlarmType.display,
    trigger: evening.toJSDate(),
    description: `Tomorrow: ${lesson.planTitle}. Pack, and read the rules of the water.`,
  });
  // Every line of such a file ends, the last one too.
  return `${calendar.toString().trimEnd()}\r\n`;
}
