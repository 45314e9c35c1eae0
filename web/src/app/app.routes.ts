import type { Routes } from '@angular/router';
import { TodayPage } from './today/today.page';

/** Screens load when they are asked for; Today, which everybody sees first, comes with the frame. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'today' },
  {
    path: 'today',
    title: 'Today · Doceo',
    component: TodayPage,
  },
  {
    path: 'water',
    title: 'Water · Doceo',
    loadComponent: () => import('./water/water.page').then((m) => m.WaterPage),
  },
  {
    path: 'water/:id/beats/:beatId',
    title: 'Beat · Doceo',
    loadComponent: () => import('./water/edit/beat-edit.page').then((m) => m.BeatEditPage),
  },
  {
    path: 'water/:id/lake',
    title: 'Lake · Doceo',
    loadComponent: () => import('./water/edit/lake-edit.page').then((m) => m.LakeEditPage),
  },
  {
    path: 'water/:id/card',
    title: 'Rules and stretches · Doceo',
    loadComponent: () => import('./water/card/water-card.page').then((m) => m.WaterCardPage),
  },
  {
    path: 'rig',
    title: 'Rig bench · Doceo',
    loadComponent: () => import('./rig/list/rig-list.page').then((m) => m.RigListPage),
  },
  {
    path: 'rig/knots',
    title: 'Knots · Doceo',
    loadComponent: () => import('./rig/knots/knots.page').then((m) => m.KnotsPage),
  },
  {
    path: 'rig/flies',
    title: 'Fly box · Doceo',
    loadComponent: () => import('./rig/fly-box/fly-box.page').then((m) => m.FlyBoxPage),
  },
  {
    path: 'rig/in/:planId/:blockId',
    title: 'Rig of a plan · Doceo',
    loadComponent: () => import('./rig/in-plan/plan-rig.page').then((m) => m.PlanRigPage),
  },
  {
    path: 'rig/:id',
    title: 'Rig bench · Doceo',
    loadComponent: () => import('./rig/bench/rig.page').then((m) => m.RigPage),
  },
  {
    path: 'rig/:id/beside/:other',
    title: 'Rigs side by side · Doceo',
    loadComponent: () => import('./rig/compare/rig-compare.page').then((m) => m.RigComparePage),
  },
  {
    path: 'rig/:id/card',
    title: 'Rig card · Doceo',
    loadComponent: () => import('./rig/card/rig-card.page').then((m) => m.RigCardPage),
  },
  {
    path: 'cast',
    title: 'Cast bench · Doceo',
    loadComponent: () => import('./cast/cast.page').then((m) => m.CastPage),
  },
  {
    path: 'cast/card',
    title: 'Pause card · Doceo',
    loadComponent: () => import('./cast/card/cast-card.page').then((m) => m.CastCardPage),
  },
  {
    path: 'drift',
    title: 'Drift bench · Doceo',
    loadComponent: () => import('./drift/drift.page').then((m) => m.DriftPage),
  },
  {
    path: 'drift/card',
    title: 'Drift card · Doceo',
    loadComponent: () => import('./drift/card/drift-card.page').then((m) => m.DriftCardPage),
  },
  {
    path: 'strike',
    title: 'Strike bench · Doceo',
    loadComponent: () => import('./strike/strike.page').then((m) => m.StrikePage),
  },
  {
    path: 'plan',
    title: 'Plans · Doceo',
    loadComponent: () => import('./plan/list/plan-list.page').then((m) => m.PlanListPage),
  },
  {
    path: 'plan/teaching',
    title: 'What we teach · Doceo',
    loadComponent: () => import('./teaching/teaching.page').then((m) => m.TeachingPage),
  },
  {
    path: 'plan/weeks',
    title: 'The weeks · Doceo',
    loadComponent: () => import('./plan/weeks/weeks.page').then((m) => m.WeeksPage),
  },
  {
    path: 'plan/kit',
    title: 'Kit on hand · Doceo',
    loadComponent: () => import('./plan/kit/kit.page').then((m) => m.KitPage),
  },
  {
    path: 'plan/courses',
    title: 'Courses · Doceo',
    loadComponent: () => import('./plan/course/course-list.page').then((m) => m.CourseListPage),
  },
  {
    path: 'plan/courses/:id',
    title: 'Course · Doceo',
    loadComponent: () => import('./plan/course/course.page').then((m) => m.CoursePage),
  },
  {
    path: 'plan/:id/days',
    title: 'Which day and water · Doceo',
    loadComponent: () => import('./plan/days/days.page').then((m) => m.DaysPage),
  },
  {
    path: 'plan/:id/versions',
    title: 'Versions · Doceo',
    loadComponent: () => import('./plan/versions/versions.page').then((m) => m.VersionsPage),
  },
  {
    path: 'plan/:id/out',
    title: 'Hand on · Doceo',
    loadComponent: () => import('./plan/out/out.page').then((m) => m.OutPage),
  },
  {
    path: 'shown',
    title: 'A plan · Doceo',
    loadComponent: () => import('./plan/shown/shown.page').then((m) => m.ShownPage),
  },
  {
    path: 'plan/:id/merge',
    title: 'What comes of it · Doceo',
    loadComponent: () => import('./plan/merge/merge.page').then((m) => m.MergePage),
  },
  {
    path: 'proposal/:proposalId',
    title: 'A proposal · Doceo',
    loadComponent: () => import('./plan/merge/merge.page').then((m) => m.MergePage),
  },
  {
    path: 'plan/:id',
    title: 'Plan · Doceo',
    loadComponent: () => import('./plan/plan.page').then((m) => m.PlanPage),
  },
  {
    path: 'lesson/:id',
    title: 'Lesson card · Doceo',
    loadComponent: () => import('./lesson/card/lesson-card.page').then((m) => m.LessonCardPage),
  },
  {
    path: 'lesson/:id/kit',
    title: 'Packing list · Doceo',
    loadComponent: () => import('./lesson/kit/lesson-kit.page').then((m) => m.LessonKitPage),
  },
  {
    path: 'lesson/:id/rigs',
    title: 'Rigs of the lesson · Doceo',
    loadComponent: () => import('./rig/in-lesson/lesson-rigs.page').then((m) => m.LessonRigsPage),
  },
  // What was saved or written down before it had this name.
  { path: 'bank', redirectTo: 'teach' },
  {
    path: 'teach',
    title: 'Teach · Doceo',
    loadComponent: () => import('./bank/bank.page').then((m) => m.BankPage),
  },
  {
    path: 'record',
    title: 'Record · Doceo',
    loadComponent: () => import('./record/list/student-list.page').then((m) => m.StudentListPage),
  },
  {
    path: 'record/group',
    title: 'The group · Doceo',
    loadComponent: () => import('./record/group/group.page').then((m) => m.GroupPage),
  },
  {
    path: 'record/:id',
    title: 'Record · Doceo',
    loadComponent: () => import('./record/student/record.page').then((m) => m.RecordPage),
  },
  {
    path: 'record/:id/card',
    title: 'Card for a student · Doceo',
    loadComponent: () => import('./record/debrief/debrief.page').then((m) => m.DebriefPage),
  },
  {
    path: 'circle',
    title: 'Circle · Doceo',
    loadComponent: () => import('./circle/circle.page').then((m) => m.CirclePage),
  },
  {
    path: 'join',
    title: 'A circle asks · Doceo',
    loadComponent: () => import('./circle/joining/join.page').then((m) => m.JoinPage),
  },
  {
    path: 'assist',
    title: 'Help in a lesson · Doceo',
    loadComponent: () => import('./lesson/assist/assist.page').then((m) => m.AssistPage),
  },
  {
    path: 'consent',
    title: 'A guardian’s word · Doceo',
    loadComponent: () => import('./guardian/consent.page').then((m) => m.ConsentPage),
  },
  {
    path: 'account',
    title: 'Account · Doceo',
    loadComponent: () => import('./account/account.page').then((m) => m.AccountPage),
  },
  {
    path: 'lost',
    title: 'A new password · Doceo',
    loadComponent: () => import('./account/lost.page').then((m) => m.LostPage),
  },
  {
    path: 'welcome',
    title: 'Your account · Doceo',
    loadComponent: () => import('./account/welcome.page').then((m) => m.WelcomePage),
  },
  {
    path: 'mailbox',
    title: 'Letters of the demo · Doceo',
    loadComponent: () => import('./account/mailbox.page').then((m) => m.MailboxPage),
  },
  {
    path: '**',
    title: 'Not found · Doceo',
    loadComponent: () => import('./shell/not-found.page').then((m) => m.NotFoundPage),
  },
];
