import type { Drill, GearFor, GearItem, Trained } from '../../../drill';
import { STRANDS } from '../../../skill';

/** Who has one of it, where that is not each student who does the drill. */
const FOR: Readonly<Record<string, GearFor>> = {
  rod: 'day',
  hat: 'day',
  glasses: 'day',
  staffs: 'day',
  belts: 'day',
  'knee pads': 'day',
  'first-aid kit': 'group',
  'fly box': 'group',
  'hand scale': 'group',
  'rule card': 'group',
  thermometer: 'group',
  watch: 'group',
  whistle: 'group',
  'white tray': 'group',
};

/** Gear by name, each for those who commonly have one. */
export function gear(...items: string[]): GearItem[] {
  return items.map((item) => ({ item, per: FOR[item] ?? 'student' }));
}

/** Shares of the attempts by rule of thumb: most for the main skill, the rest in equal parts for the others. */
export function trains(main: string, ...side: string[]): Trained[] {
  const share = side.length === 0 ? 1 : side.length === 1 ? 0.7 : 0.6;
  return [
    { skillId: main, share },
    ...side.map((skillId) => ({ skillId, share: Math.round(((1 - share) / side.length) * 100) / 100 })),
  ];
}

/** A drill in short: what is left out is as most drills have it. */
export interface Short extends Partial<
  Pick<Drill, 'dryLand' | 'group' | 'supervision' | 'adaptations' | 'lineOutM'>
> {
  id: string;
  name: string;
  /** The main skill first. */
  skills: [string, ...string[]];
  /** Least, likely and most. */
  minutes: [number, number, number];
  ground: Drill['ground'];
  gear: string[];
  cue: string;
  how: string[];
  /** So many good of so many, at what. */
  done: [number, number, string];
  watch: string[];
  perMin: number;
}

/** A drill from its short form; its strand is that of the main skill. */
export function made({ skills, minutes, gear: items, done, watch, perMin, ...rest }: Short): Drill {
  const strand = STRANDS.find((one) => skills[0].startsWith(`${one}.`)) ?? 'casting';
  return {
    dryLand: '',
    group: { min: 1, max: 4 },
    supervision: 'within-call',
    adaptations: [],
    lineOutM: 0,
    ...rest,
    strand,
    trains: trains(...skills),
    minutes: { min: minutes[0], likely: minutes[1], max: minutes[2] },
    gear: gear(...items),
    success: { good: done[0], of: done[1], at: done[2] },
    watchFor: watch,
    attemptsPerMin: perMin,
  };
}
