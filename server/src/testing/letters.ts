import { setTimeout as pause } from 'node:timers/promises';
import type { StandInMail } from '@doceo/contract';
import supertest from 'supertest';
import type { TestApp } from './test-app';

/** Letters to somebody, latest first, as soon as there are so many. */
export async function lettersTo(test: TestApp, to: string, atLeast = 1): Promise<StandInMail[]> {
  for (let tries = 0; tries < 200; tries++) {
    const all = (await supertest(test.app).get('/api/mailbox').expect(200)).body as StandInMail[];
    const mine = all.filter((letter) => letter.to === to);
    if (mine.length >= atLeast) return mine;
    await pause(50);
  }
  throw new Error(`No ${atLeast} letters came to ${to}.`);
}

/** What stands behind the `#` of the link in a letter. */
export function tokenIn(letter: StandInMail | undefined): string {
  return /#([\w-]{22})\s/.exec(letter?.text ?? '')?.[1] ?? '';
}
