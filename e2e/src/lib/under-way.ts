import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import { ask } from './device';

/** Makes a lesson of these students of the demo that began ten minutes ago; its id. */
export async function lessonUnderWay(lead: Page, names: readonly string[]): Promise<string> {
  const id = randomUUID();
  const [known] = await ask<{ planId: string; waterId: string }[]>(lead, '/api/lessons');
  const students = await ask<{ id: string; student: { name: string } }[]>(lead, '/api/students');
  const studentIds = names.map((name) => students.find(({ student }) => student.name === name)?.id ?? '');
  await ask(lead, '/api/lessons', {
    id,
    lesson: {
      ...{ planId: known?.planId, waterId: known?.waterId, studentIds },
      startsAt: new Date(Date.now() - 600_000).toISOString(),
    },
  });
  return id;
}
