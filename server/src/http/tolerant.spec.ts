import {
  allEndpoints,
  eventSchema,
  savedLessonSchema,
  savedPlanSchema,
  savedRigSchema,
} from '@doceo/contract';
import { buildRig } from '@doceo/core';
import { demoScenario } from '@doceo/demo';
import * as z from 'zod';
import { tolerant } from './tolerant';

const ID = '00000000-0000-4000-8000-000000000001';
const event = demoScenario(new Date()).lessons.events[0]!;

describe('reading', () => {
  it('takes what writing takes, unchanged', () => {
    const saved = {
      id: ID,
      name: 'x',
      rig: buildRig('dry-dropper'),
      studentId: null,
      version: 1,
      updatedAt: '2026-01-01T00:00:00Z',
    };
    expect(tolerant(savedRigSchema).parse(saved)).toEqual(savedRigSchema.parse(saved));
    expect(tolerant(eventSchema).parse(event)).toEqual(event);
  });

  it('takes what was stored under other limits, lists and formats', () => {
    const lesson = {
      id: 'OLD-1',
      planId: null,
      waterId: 'w',
      startsAt: 'long ago',
      studentIds: Array.from({ length: 30 }, () => ID),
      planTitle: 'x'.repeat(500),
      lengthMin: -3,
      waterName: '',
      mine: true,
      instructors: [],
    };
    expect(savedLessonSchema.safeParse(lesson).success).toBe(false);
    expect(tolerant(savedLessonSchema).parse(lesson)).toEqual(lesson);
    const gone = {
      ...event,
      body: { kind: 'attempt', skillId: 'Gone!', drillId: '?', good: true, faultId: 'x' },
    };
    expect(tolerant(eventSchema).parse(gone)).toEqual(gone);
    const unknown = { ...event, body: { kind: 'song', verse: 3 } };
    expect(tolerant(eventSchema).parse(unknown)).toEqual(unknown);
  });

  it('leaves out what the schema does not name, and asks for what it does', () => {
    const told = tolerant(
      z.strictObject({ name: z.string().max(3), list: z.array(z.strictObject({ a: z.int() })) }),
    );
    expect(told.parse({ name: 'long name', password: 'x', list: [{ a: 1.5, secret: 1 }] })).toEqual({
      name: 'long name',
      list: [{ a: 1.5 }],
    });
    expect(told.safeParse({ name: 7, list: [] }).success).toBe(false);
    expect(told.safeParse({ list: [] }).success).toBe(false);
  });

  it('fills in what older documents do not have yet', () => {
    const schema = tolerant(z.strictObject({ by: z.boolean().default(false), when: z.string().optional() }));
    expect(schema.parse({})).toEqual({ by: false });
  });

  it('is known for every reply of the contract', () => {
    for (const { reply } of allEndpoints()) expect(() => tolerant(reply)).not.toThrow();
    expect(tolerant(savedPlanSchema)).toBe(tolerant(savedPlanSchema));
  });
});
