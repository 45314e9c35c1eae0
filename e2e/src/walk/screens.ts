import { GRASS_PROPOSAL, RIFFLE_COPY } from '@doceo/demo';
import type { Page } from 'puppeteer-core';
import { ask } from '../lib/device';

/** What a walk presses on a screen, and how the state that follows is called. */
export interface Press {
  name: string;
  selector: string;
  text: string | RegExp;
  /** What is there when it is done that takes its time. */
  then?: string;
}

export interface Screen {
  name: string;
  path: string;
  /** One after the other, each from where the one before has led. */
  presses?: Press[];
}

interface Saved {
  id: string;
}
interface SavedWater extends Saved {
  water: { name: string };
}

const press = (selector: string, text: string | RegExp, name = String(text)): Press => ({
  name,
  selector,
  text,
});

/** Screens that need nothing of one's own. */
const COMMON: Screen[] = [
  { name: 'today', path: '/today' },
  { name: 'rigs', path: '/rig' },
  { name: 'knots', path: '/rig/knots' },
  { name: 'fly box', path: '/rig/flies' },
  {
    name: 'cast',
    path: '/cast',
    presses: [press('.segments button', 'Pause'), press('.segments button', 'Casts')],
  },
  { name: 'pause card', path: '/cast/card' },
  {
    name: 'drift',
    path: '/drift',
    presses: [press('.segments button', 'Under water')],
  },
  { name: 'drift card', path: '/drift/card' },
  { name: 'strike', path: '/strike', presses: [press('.segments button', 'The set')] },
  { name: 'plans', path: '/plan' },
  {
    name: 'what we teach',
    path: '/plan/teaching',
    presses: [press('.entries button', 'Count the pause'), press('aside button', 'Close')],
  },
  { name: 'weeks', path: '/plan/weeks' },
  { name: 'kit on hand', path: '/plan/kit' },
  { name: 'courses', path: '/plan/courses' },
  { name: 'teach', path: '/teach' },
  { name: 'students', path: '/record' },
  { name: 'group', path: '/record/group' },
  { name: 'circle', path: '/circle' },
  {
    name: 'account',
    path: '/account',
    presses: [press('main button', 'Set it up'), press('main button', 'See what would go')],
  },
  { name: 'a link of no letter', path: `/lost#${'A'.repeat(22)}` },
  { name: 'a circle that does not ask', path: `/join#${'A'.repeat(22)}` },
  { name: 'a guardian’s link that leads nowhere', path: `/consent#${'A'.repeat(22)}` },
  { name: 'a code of no lesson', path: `/assist#${'A'.repeat(22)}` },
  { name: 'letters of the demo', path: '/mailbox' },
  { name: 'no such page', path: '/nowhere' },
];

/** Every screen of the demo, by what is in it now. */
export async function demoScreens(page: Page): Promise<Screen[]> {
  const [waters, rigs, plans, lessons, students, courses] = await Promise.all([
    ask<SavedWater[]>(page, '/api/waters'),
    ask<Saved[]>(page, '/api/rigs'),
    ask<Saved[]>(page, '/api/plans'),
    ask<Saved[]>(page, '/api/lessons'),
    ask<Saved[]>(page, '/api/students'),
    ask<Saved[]>(page, '/api/courses'),
  ]);
  const id = (list: Saved[], at = 0): string => (list[at] as Saved).id;
  const river = waters.find(({ water }) => /River/.test(water.name)) as Saved;
  const lake = waters.find(({ water }) => /Lake/.test(water.name)) as Saved;
  const beats = await ask<Saved[]>(page, `/api/waters/${river.id}/beats`);
  return [
    ...COMMON,
    { name: 'river', path: '/water', presses: [press('.segments button', /./, 'a beat')] },
    { name: 'draw a beat', path: `/water/${river.id}/beats/${id(beats)}` },
    { name: 'draw a new beat', path: `/water/${river.id}/beats/new` },
    { name: 'draw a lake', path: `/water/${lake.id}/lake` },
    { name: 'water card', path: `/water/${river.id}/card` },
    { name: 'lake card', path: `/water/${lake.id}/card` },
    { name: 'rig', path: `/rig/${id(rigs)}` },
    { name: 'rigs side by side', path: `/rig/${id(rigs)}/beside/${id(rigs, 1)}` },
    { name: 'rig card', path: `/rig/${id(rigs)}/card` },
    { name: 'plan', path: `/plan/${id(plans)}`, presses: [press('[data-block]', /./, 'a block')] },
    {
      name: 'a preview over a plan',
      path: `/plan/${RIFFLE_COPY}`,
      presses: [
        {
          ...press('doceo-proposal-asks button', 'For this group'),
          then: 'doceo-proposal-bar [aria-pressed]:enabled',
        },
        press('doceo-proposal-bar button', 'Parts'),
      ],
    },
    {
      name: 'days for a plan',
      path: `/plan/${id(plans)}/days`,
      presses: [press('doceo-day-band button.best', /./, 'a day')],
    },
    {
      name: 'course',
      path: `/plan/courses/${id(courses)}`,
      presses: [press('doceo-course-streams [role=button]', /./, 'a goal'), press('.segments button', 'Sam')],
    },
    { name: 'hand on', path: `/plan/${id(plans)}/out` },
    { name: 'behind a link', path: `/shown#${await linkTo(page, id(plans))}` },
    { name: 'versions', path: `/plan/${id(plans)}/versions` },
    { name: 'origin moved on', path: `/plan/${RIFFLE_COPY}/merge` },
    { name: 'proposal', path: `/proposal/${GRASS_PROPOSAL}` },
    { name: 'lesson card', path: `/lesson/${id(lessons, lessons.length - 2)}` },
    { name: 'rigs of a lesson', path: `/lesson/${id(lessons, lessons.length - 2)}/rigs` },
    { name: 'packing', path: `/lesson/${id(lessons, lessons.length - 2)}/kit` },
    { name: 'record', path: `/record/${id(students)}`, presses: [press('summary', 'Details')] },
    { name: 'student card', path: `/record/${id(students)}/card` },
  ];
}

/** The token of a new link to a plan. */
async function linkTo(page: Page, planId: string): Promise<string> {
  const id = crypto.randomUUID();
  return (await ask<{ token: string }>(page, `/api/plans/${planId}/links`, { id, days: 7 })).token;
}

/** Every screen of an account in which nothing is. */
export const emptyScreens: Screen[] = [...COMMON, { name: 'water', path: '/water' }];
