import type { LineageStep } from '@doceo/demo';
import { type Db, write } from '../db/pool';
import { findBase, findPlan, insertPlan } from '../plans/plans.sql';
import { insertComment } from '../sharing/comments.sql';
import { insertProposal } from '../sharing/proposals.sql';
import { keepBase, keepVersion } from '../sharing/versions.sql';

/** Does a step of the demo's shared plans as the routes do it, at its time. */
export async function insertLineageStep(db: Db, step: LineageStep): Promise<void> {
  const { at, by, planId } = step;
  switch (step.do) {
    case 'share': {
      const plan = { id: planId, ...step.state, version: 1 };
      await keepVersion(db, { plan, why: 'shared', note: step.note, author: by, isOpen: true, at });
      return;
    }
    case 'copy': {
      const origin = await findPlan(db, by.id, planId);
      if (!origin) return;
      const taken = await keepVersion(db, {
        ...{ plan: { id: planId, ...step.state, version: 1 }, why: 'copied', author: by, isOpen: true, at },
      });
      await insertPlan(db, by.id, { id: step.id, ...step.to, origin });
      await keepBase(db, step.id, taken);
      const first = { id: step.id, ...step.state, version: 1 };
      await keepVersion(db, {
        plan: first,
        why: 'copied',
        author: by,
        isOpen: false,
        mergedId: taken.id,
        at,
      });
      return;
    }
    case 'propose': {
      const copy = await findPlan(db, by.id, planId);
      if (!copy?.origin) return;
      const { hash } = await keepVersion(db, { plan: copy, why: 'proposed', author: by, isOpen: true, at });
      await insertProposal(db, {
        ...{ id: step.id, plan_id: copy.origin.planId, from_plan_id: planId, hash, author_id: by.id, at },
        ...{ base_hash: await findBase(db, planId), note: step.note },
      });
      return;
    }
    case 'ask':
      await insertComment(db, by.id, planId, {
        ...{ id: step.id, blockId: step.blockId, answers: null, text: step.text, at },
      });
  }
}

/** Lessons that were taught belong to the version of their plan that there was by then. */
export async function noteTaught(db: Db): Promise<void> {
  await write(
    db,
    `UPDATE lessons l SET l.taught_seq =
       (SELECT MAX(v.seq) FROM plan_versions v WHERE v.plan_id = l.plan_id AND v.made_at <= l.starts_at)
     WHERE EXISTS (SELECT 1 FROM events e WHERE e.lesson_id = l.id)`,
    [],
  );
}
