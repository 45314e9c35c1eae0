import { type Db, rows, write } from '../db/pool';
import { findLessonPlan } from '../lessons/lessons.sql';
import { namesNobody } from './student-names';
import { keepVersion } from './versions.sql';

interface BegunRow {
  id: string;
  plan_id: string;
  plan_version: number | null;
  shared: number;
  owner_id: string;
  owner_name: string;
}

/** Lessons of which something is recorded for the first time were taught: their plan as it was is a version of it, by whose lesson it is, whoever logs first. */
export async function keepTaught(db: Db, lessonIds: readonly string[]): Promise<void> {
  if (lessonIds.length === 0) return;
  const begun = await rows<BegunRow>(
    db,
    `SELECT l.id, l.plan_id, l.plan_version, p.circle_id IS NOT NULL AS shared, l.owner_id, u.name AS owner_name
     FROM lessons l JOIN plans p ON p.id = l.plan_id JOIN users u ON u.id = l.owner_id
     WHERE l.id IN (?) AND l.taught_seq IS NULL`,
    [lessonIds],
  );
  for (const lesson of begun) {
    const plan = await findLessonPlan(db, lesson.id);
    if (!plan) continue;
    const isOpen = Boolean(lesson.shared) && (await namesNobody(db, lesson.owner_id, plan));
    const { seq } = await keepVersion(db, {
      plan: { id: lesson.plan_id, title: plan.title, body: plan.body, version: lesson.plan_version ?? 1 },
      ...{ why: 'taught', author: { id: lesson.owner_id, name: lesson.owner_name }, isOpen },
    });
    await write(db, 'UPDATE lessons SET taught_seq = ? WHERE id = ?', [seq, lesson.id]);
  }
}
