import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { jsonSchema } from '../http/openapi';
import { readStudentFile, MAX_STUDENT_FILE, type StudentFile, studentFileSchema } from './student-file';

const FORMATS = 'docs/formats';
const text = readFileSync(join(FORMATS, 'student.example.json'), 'utf8');
const example = JSON.parse(text) as StudentFile;
const other = '00000000-0000-4000-8000-000000000077';
const faults = (change: Partial<StudentFile>): string[] =>
  (readStudentFile(JSON.stringify({ ...example, ...change })).issues ?? []).map(
    ({ path, message }) => `${path} ${message}`,
  );
const event = (change: object): StudentFile['events'] =>
  example.events.map((one, i) => (i === 1 ? { ...one, ...change } : one));

describe('a student’s file', () => {
  it('is read as it was written', () =>
    expect(readStudentFile(text)).toEqual({ file: example, issues: null }));

  it.each<[string, Partial<StudentFile>, string]>([
    [
      'an event of somebody else',
      { events: event({ studentId: other }) },
      'events[1].studentId is of another student',
    ],
    [
      'an event of an unknown lesson',
      { events: event({ lessonId: other }) },
      'events[1].lessonId is of no lesson in this file',
    ],
    [
      'an id that is there twice',
      { events: event({ id: example.events[0]?.id }) },
      'events[1].id is in the file twice',
    ],
    [
      'a reading of somebody else',
      { readings: example.readings.map((reading) => ({ ...reading, studentId: other })) },
      'readings[0].studentId is of another student',
    ],
  ])('names the path of %s', (_, change, fault) => expect(faults(change)).toEqual([fault]));

  it.each<[string, Partial<Record<keyof StudentFile, unknown>>, RegExp]>([
    ['another format', { format: 'doceo-rig' }, /^format /],
    ['a version of the future', { version: 2 }, /^version /],
    [
      'a skill nobody knows',
      { events: event({ body: { kind: 'attempt', skillId: 'flying' } }) },
      /^events\[1\]\.body/,
    ],
    [
      'a birthday that is no day',
      { student: { ...example.student, bornOn: '1985-02-30' } },
      /^student\.bornOn /,
    ],
    ['a name of nothing', { student: { ...example.student, name: '' } }, /^student\.name /],
  ])('refuses %s, and says where', (_, change, path) =>
    expect(faults(change as Partial<StudentFile>).every((fault) => path.test(fault))).toBe(true),
  );

  it('is refused when it is no JSON, or far too long', () => {
    expect(readStudentFile('{').issues).toEqual([
      { path: 'file', code: 'unreadable', message: 'is no readable JSON' },
    ]);
    expect(readStudentFile(' '.repeat(MAX_STUDENT_FILE + 1)).issues?.[0]?.code).toBe('too-large');
  });

  it('has a schema in the documents that is the contract’s', () =>
    expect(JSON.parse(readFileSync(join(FORMATS, 'student.schema.json'), 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(jsonSchema(studentFileSchema, 'input'))),
    ));
});
