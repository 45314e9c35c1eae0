import type { DemoAccount, Student } from '@doceo/contract';
import { deterministicId, type Need } from '@doceo/core';
import type { DateTime } from 'luxon';

export const DEMO_PASSWORD = 'corvane-demo';

export interface DemoUser {
  id: string;
  name: string;
  email: string;
}

const user = (name: string, email: string): DemoUser => ({
  id: deterministicId(`user:${email}`),
  name,
  email,
});

export const LEAD = user('Maren Voss', 'lead@ternalder.example');
export const FELLOW = user('Tobias Lind', 'fellow@ternalder.example');
export const OTHER = user('Aiko Brandt', 'other@saltmarsh.example');

/** The accounts shown on the sign-in page in demo mode. */
export const DEMO_ACCOUNTS: DemoAccount[] = [
  {
    email: LEAD.email,
    password: DEMO_PASSWORD,
    who: 'Maren Voss, lead instructor of Tern & Alder River School',
  },
  { email: FELLOW.email, password: DEMO_PASSWORD, who: 'Tobias Lind, same school' },
  { email: OTHER.email, password: DEMO_PASSWORD, who: 'Aiko Brandt, Saltmarsh Casting Club' },
];

export const SCHOOL = { id: deterministicId('circle:ternalder'), name: 'Tern & Alder River School' };
export const EVENING_CLASS = { id: deterministicId('circle:evening'), name: 'Jetty Evening Class' };
export const CLUB = { id: deterministicId('circle:saltmarsh'), name: 'Saltmarsh Casting Club' };

export interface DemoStudent {
  id: string;
  key: string;
  student: Student;
  /** Chance that a skill or strand is mastered before the first lesson. */
  head: Record<string, number>;
  habits: Record<string, number>;
}

/** The six students; birthdays move with today, so that ages stay. */
export function demoStudents(today: DateTime): DemoStudent[] {
  const make = (
    name: string,
    age: number,
    note: string,
    rest: {
      hand?: 'left';
      heightM?: number;
      guardian?: boolean;
      needs?: Need[];
      head?: Record<string, number>;
      habits?: Record<string, number>;
    } = {},
  ): DemoStudent => ({
    id: deterministicId(`student:${name}`),
    key: name,
    student: {
      name,
      saidAdult: false,
      bornOn: today.minus({ years: age, days: 120 }).toISODate(),
      hand: rest.hand ?? 'right',
      heightM: rest.heightM ?? null,
      needs: rest.needs ?? [],
      note,
      guardianName: rest.guardian ? 'mother' : '',
      guardianContact: rest.guardian ? 'phone on the paper form' : '',
      guardianConsentOn: rest.guardian ? today.minus({ days: 90 }).toISODate() : null,
    },
    head: rest.head ?? {},
    habits: rest.habits ?? {},
  });
  return [
    make('Petra Holm', 58, 'first season', {
      needs: ['shoulder'],
      head: { casting: 0.15, water: 0.5, 'fish-care': 0.7 },
      habits: { 'cast.low-back': 4 },
    }),
    make('Jonas Wren', 14, 'guardian on file', {
      needs: ['cannot-swim'],
      heightM: 1.58,
      guardian: true,
      head: { casting: 0.4, rigging: 0.3 },
      habits: { 'rig.fly-first': 4 },
    }),
    make('Sam Okande', 41, 'hurries the pause', {
      head: {
        'casting.grip-stance': 0.9,
        'casting.straight-path': 0.8,
        'casting.stop': 0.7,
        'casting.pause': 0,
        casting: 0.1,
        rigging: 0.6,
      },
      habits: { 'cast.crack': 8, 'set.early': 3 },
    }),
    make('Noor Hadley', 27, '', {
      hand: 'left',
      head: { casting: 0.5, 'hook-setting': 0.4 },
      habits: { 'cast.tailing': 3 },
    }),
    make('Lidia Moreau', 33, 'casts well on grass, poor hook setter', {
      head: { casting: 0.95, 'hook-setting': 0.02, rigging: 0.6 },
      habits: { 'set.late': 6 },
    }),
    make('Emil Starck', 66, 'came from bait fishing', {
      needs: ['feels-the-cold'],
      heightM: 1.82,
      head: { casting: 0.1, 'hook-setting': 0.6, water: 0.9, 'fish-care': 0.3 },
      habits: { 'cast.wide-loop': 5, 'set.trout-lift': 4 },
    }),
  ];
}
