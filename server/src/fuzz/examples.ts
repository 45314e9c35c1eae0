import { randomUUID } from 'node:crypto';
import { DEFAULT_SCHOOLS } from '@doceo/core';
import { demoScenario, OTHER } from '@doceo/demo';

/** Bodies that routes take, made from the demo scenario, by method and path. */
export function fuzzExamples(now: Date): Record<string, readonly unknown[]> {
  const scenario = demoScenario(now);
  const [plan] = scenario.plans;
  const [rig] = scenario.rigs.list;
  const [water] = scenario.waters.list;
  const lesson = scenario.lessons.lessons.at(-1);
  const id = (): string => randomUUID();
  const students = scenario.students.list.map(({ student }) => student);
  return {
    'post /api/plans': [{ id: id(), title: 'A plan', body: plan?.plan.body }],
    'put /api/plans/:id': [{ title: 'A plan', body: plan?.plan.body, baseVersion: 1 }],
    'post /api/rigs': [{ id: id(), name: 'A rig', rig: rig?.rig, studentId: null }],
    'put /api/rigs/:id': [{ name: 'A rig', rig: rig?.rig, studentId: null, baseVersion: 1 }],
    'post /api/waters': [{ id: id(), water: water?.water }],
    'put /api/waters/:id/calendar': [{ calendar: water?.water.calendar ?? null }],
    'put /api/waters/:id/lake': scenario.lakes.map(({ lake }) => ({ lake, baseVersion: 1 })),
    'put /api/waters/:id/beats/:beatId': scenario.beats.map(({ beat }) => ({ beat, baseVersion: 1 })),
    'put /api/waters/:id/readings': [
      { readings: [{ id: id(), atMs: 1_700_000_000_000, what: 'waterC', value: 12, depthM: null }] },
    ],
    'post /api/students': students.map((student) => ({ id: id(), student })),
    'put /api/students/:id': students,
    'post /api/students/import': [
      {
        format: 'doceo-student',
        version: 1,
        writtenAt: '2026-06-10T09:30:00Z',
        student: { id: id(), ...students[0] },
        lessons: [],
        events: [],
        readings: [],
      },
    ],
    'post /api/lessons': [{ id: id(), lesson: lesson?.lesson }],
    'put /api/lessons/:id': [lesson?.lesson],
    'post /api/events': [{ events: scenario.lessons.events.slice(0, 12), sentAtMs: now.getTime() }],
    'post /api/readings': scenario.readings.list.slice(0, 3),
    'put /api/fly-box': [{ box: scenario.flyBox.box, baseVersion: 1 }],
    'put /api/session/settings': [{ units: 'metric', bankHand: 'left', schools: DEFAULT_SCHOOLS }],
    'post /api/circles/:id/invitations': [{ email: OTHER.email, role: 'reader' }],
  };
}
