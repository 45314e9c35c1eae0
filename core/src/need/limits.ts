import type { Need } from './need';

/** What a student's needs allow, together. */
export interface NeedLimits {
  /** Factor on the line out, above 0 to 1. */
  line: number;
  /** Factor on the minutes of one drill, above 0 to 1. */
  minutes: number;
  /** Deepest he wades, metres; 0 for one who stays on the bank, null where nothing is said. */
  wadeM: number | null;
  /** Farthest from which he takes a cue, metres; null where nothing is said. */
  cueM: number | null;
}

/** To the shin of an adult, metres. */
const SHIN_M = 0.3;

/**
 * What each need asks for where a drill says nothing of it. Rules of thumb: the instructor sees the person, and what a
 * doctor said goes first.
 */
export const NEED_LIMITS: Readonly<Record<Need, Partial<NeedLimits>>> = {
  shoulder: { line: 0.8, minutes: 0.7 },
  back: { minutes: 0.7 },
  'one-hand': { line: 0.8 },
  seated: { line: 0.7, wadeM: 0 },
  'child-height': { line: 0.7, minutes: 0.7, wadeM: SHIN_M, cueM: 3 },
  'sees-badly': { cueM: 2 },
  'hears-badly': { cueM: 3 },
  'cannot-swim': { wadeM: 0 },
  'afraid-of-deep-water': { wadeM: SHIN_M },
  'feels-the-cold': { minutes: 0.8 },
  'left-hand': {},
  'reads-little': {},
};

/** Needs that tire only while a line flies: a talk or a knot is as long for them as for others. */
export const WHILE_CASTING: ReadonlySet<Need> = new Set(['shoulder', 'one-hand', 'child-height']);

/** The limits of several needs together: of each the tightest. */
export function limitsOf(needs: readonly Need[]): NeedLimits {
  const all = needs.map((need) => NEED_LIMITS[need]);
  const least = (values: (number | null | undefined)[]): number | null => {
    const said = values.flatMap((value) => value ?? []);
    return said.length > 0 ? Math.min(...said) : null;
  };
  return {
    line: least(all.map(({ line }) => line)) ?? 1,
    minutes: least(all.map(({ minutes }) => minutes)) ?? 1,
    wadeM: least(all.map(({ wadeM }) => wadeM)),
    cueM: least(all.map(({ cueM }) => cueM)),
  };
}

/** Below this age or height a student is as a child where a drill asks for reach. Rules of thumb. */
const CHILD_AGE = 12;
const CHILD_HEIGHT_M = 1.45;

/**
 * All needs of a student: those on his list, and what his hand, age and height say.
 *
 * @param ageYears whole years, null when nobody has said it
 * @param heightM metres, null when nobody has said it
 */
export function needsOf(student: {
  needs: readonly Need[];
  hand: 'left' | 'right';
  ageYears: number | null;
  heightM: number | null;
}): Need[] {
  const { hand, ageYears, heightM } = student;
  const small = heightM !== null ? heightM < CHILD_HEIGHT_M : ageYears !== null && ageYears < CHILD_AGE;
  const said = new Set<Need>([
    ...student.needs,
    ...(hand === 'left' ? (['left-hand'] as const) : []),
    ...(small ? (['child-height'] as const) : []),
  ]);
  return [...said];
}
