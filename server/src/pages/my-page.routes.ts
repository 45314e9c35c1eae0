import { ageOn, api, type Issue, type OpenedPage, type SavedStudent, unknownIn } from '@doceo/contract';
import { ADULT_AGE } from '@doceo/core';
import type { Router } from 'express';
import { HOLDS_PAGE } from '../access/access';
import type { Db, Pool } from '../db/pool';
import { hasManyEvents } from '../events/events.sql';
import { HttpError } from '../http/errors';
import { route } from '../http/route';
import { whyNotRecorded } from '../students/recorded';
import { findStudentsById, lockStudent } from '../students/students.sql';
import { curriculumFor } from '../teaching/curriculum';
import {
  countWaiting,
  findOpenLink,
  insertHomeEntries,
  noteGuardian,
  noteView,
  type OpenLink,
} from './pages.sql';
import { studentPage } from './student-page';

/** So much of one student may wait to be looked at. */
const MAX_WAITING = 5000;

/** A student's own page, without an account: read, opened by the guardian of a minor, and what was done sent back. */
export function myPageRoutes(router: Router, pool: Pool): void {
  route(router, pool, api.myPage.look, HOLDS_PAGE, async ({ body: { token }, passOnIf }) => {
    const { link, student } = await opened(pool, token);
    passOnIf(await hasManyEvents(pool, 'student_id', [link.studentId]));
    return shown(pool, link, student);
  });

  route(router, pool, api.myPage.open, HOLDS_PAGE, async ({ body: { token, name }, log, passOnIf }) => {
    const { link, student } = await opened(pool, token);
    passOnIf(await hasManyEvents(pool, 'student_id', [link.studentId]));
    if (isMinor(student)) {
      await noteGuardian(pool, link.id, name);
      log.info({ linkId: link.id }, 'a student’s page opened by a guardian');
    }
    return shown(pool, { ...link, openedBy: link.openedBy ?? name }, student);
  });

  route(router, pool, api.myPage.send, HOLDS_PAGE, async ({ body: { token, entries }, log }) => {
    const { link, student } = await opened(pool, token);
    if (isMinor(student) && link.openedBy === null)
      throw new HttpError('forbidden', [], 'The guardian opens this page first.');
    const curriculum = await curriculumFor(pool, link.keeper.id);
    const issues = entries.flatMap((entry, i): Issue[] =>
      unknownIn(curriculum, entry).map((issue) => ({ ...issue, path: `entries[${i}].${issue.path}` })),
    );
    if (issues.length > 0) throw new HttpError('invalid', issues);
    await pool.transaction(async (db) => {
      await lockStudent(db, link.studentId);
      if ((await countWaiting(db, link.studentId)) > MAX_WAITING)
        throw new HttpError('too-many', [], 'Very much waits already; it is looked at first.');
      // A clock that is ahead cannot put what was done into the days to come.
      const nowMs = Date.now();
      const done = entries.map((entry) => ({ ...entry, atMs: Math.min(entry.atMs, nowMs) }));
      await insertHomeEntries(db, link, done);
    });
    log.info({ linkId: link.id, entries: entries.length }, 'came from a student’s page');
    return { ok: true as const };
  });
}

/** @throws HttpError 'not-found' when nothing may be recorded of the student: then there is no page either */
async function opened(db: Db, token: string): Promise<{ link: OpenLink; student: SavedStudent }> {
  const link = await findOpenLink(db, token);
  const [student] = link ? await findStudentsById(db, link.keeper.id, [link.studentId]) : [];
  if (!link || !student) throw new HttpError('not-found');
  if (whyNotRecorded(student, new Date().toISOString()) !== null)
    throw new HttpError('not-found', [], 'No record is kept, so there is no page. Ask your instructor.');
  return { link, student };
}

async function shown(db: Db, link: OpenLink, student: SavedStudent): Promise<OpenedPage> {
  if (isMinor(student) && link.openedBy === null)
    return {
      kind: 'guardian',
      firstName: student.student.name.split(/\s/)[0] ?? '',
      instructor: link.keeper.name,
    };
  await noteView(db, link.id);
  return { kind: 'page', page: await studentPage(db, link, student, Date.now()) };
}

function isMinor({ student }: SavedStudent): boolean {
  const age = ageOn(student.bornOn, new Date().toISOString());
  return age === null ? !student.saidAdult : age < ADULT_AGE;
}
