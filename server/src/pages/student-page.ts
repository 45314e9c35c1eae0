import { fittedOf, type SavedStudent, type StudentPage, withoutNames } from '@doceo/contract';
import {
  activeEvents,
  type BankEvent,
  type Curriculum,
  debrief,
  evidenceOf,
  howOnDryLand,
  mainSkillOf,
  pauseTable,
  seededRandom,
  skillStage,
  type SkillState,
  skillState,
  toldStrands,
  unrollTime,
  wentWell,
} from '@doceo/core';
import type { Db } from '../db/pool';
import { findEventsOfStudent } from '../events/events.sql';
import { findUser } from '../session/users.sql';
import { namesOf } from '../sharing/student-names';
import { findFitStatus } from '../skill-fit/skill-fit.sql';
import { curriculumFor } from '../teaching/curriculum';
import type { OpenLink } from './pages.sql';

/** Line in the air of whom nobody has said how much, metres. Typical of a beginner. */
const TYPICAL_LINE_M = 8;
/** Questions that a page takes along: three at a time, for some days. */
const QUESTIONS = 12;

/** What a student reads and does by himself: from his record alone, and naming nobody else of the instructor's students. */
export async function studentPage(
  db: Db,
  link: OpenLink,
  { student }: SavedStudent,
  nowMs: number,
): Promise<StudentPage> {
  const { studentId, lessonId, keeper } = link;
  const curriculum = await curriculumFor(db, keeper.id);
  const events = await findEventsOfStudent(db, studentId);
  const fitted = fittedOf(await findFitStatus(db));
  const state = skillState(curriculum.skills.all, evidenceOf(events, studentId), nowMs, fitted);
  const well = wentWell(curriculum, events, studentId, lessonId);
  const { workOn, sentence, home } = debrief(curriculum, events, studentId, lessonId);
  const page: StudentPage = {
    firstName: student.name.split(/\s/)[0] ?? '',
    hand: student.hand,
    instructor: keeper.name,
    units: (await findUser(db, keeper.id))?.units ?? 'metric',
    lessonOn: link.lessonOn,
    well: well && {
      ...well,
      before: well.before && {
        ...{ good: well.before.good, of: well.before.of },
        on: new Date(well.before.atMs).toISOString().slice(0, 10),
      },
    },
    streams: toldStrands(curriculum, state),
    one: {
      strand: workOn && curriculum.skills.get(workOn.skillId).strand,
      fault: workOn && { short: workOn.fault.short, sign: workOn.fault.sign, cure: workOn.fault.cure },
      sentence,
      drill: home && {
        ...{ id: home.id, skillId: mainSkillOf(home), name: home.name, cue: home.cue },
        ...{ minutes: home.minutes.likely, how: howOnDryLand(home), success: home.success },
      },
    },
    beat: beatOf(events, studentId, home?.lineOutM ?? 0),
    tells: {
      beat: curriculum.skills.has('casting.pause'),
      takes: curriculum.skills.has('hook-setting.see-take'),
    },
    questions: questionsFor(curriculum, state, link.id),
  };
  const others = (await namesOf(db, keeper.id)).filter((name) => name !== student.name);
  return { ...withoutNames(page, others), firstName: page.firstName, instructor: page.instructor };
}

/** The beat for the line that the student last cast to, else that of the drill, else a typical one. */
function beatOf(events: readonly BankEvent[], studentId: string, drillM: number): StudentPage['beat'] {
  const tapped = activeEvents(events).findLast(
    (event) => event.studentId === studentId && event.body.kind === 'tempo',
  )?.body;
  const said = tapped?.kind === 'tempo' ? tapped.lineM : drillM;
  const lineM = said > 0 ? said : TYPICAL_LINE_M;
  const { fromS, toS } = unrollTime(lineM);
  const [row] = pauseTable([lineM]);
  const pauseS = row?.pauseS ?? (fromS + toS) / 2;
  const strokeS = row?.beatsPerMin ? 60 / row.beatsPerMin - pauseS : pauseS / 2;
  return { lineM, pauseS, strokeS, fromS, toS, typical: said <= 0 };
}

/** Of what he does not have yet first, in an order of this link's own. */
function questionsFor(curriculum: Curriculum, state: SkillState, linkId: string): StudentPage['questions'] {
  const random = seededRandom(linkId);
  return curriculum.questions.all
    .map((question) => {
      const had = skillStage(state[question.skillId] ?? { attempts: 0, mastery: 0 }) === 'has-it';
      return { question, rank: (had ? 1 : 0) + random() };
    })
    .sort((a, b) => a.rank - b.rank)
    .slice(0, QUESTIONS)
    .map(({ question: { id, skillId, text, choices } }) => ({
      ...{ id, skillId, text, choices },
      skillName: curriculum.skills.get(skillId).name,
    }));
}
