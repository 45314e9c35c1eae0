import type { Act } from './line-actions';
import { type Current, speedAt } from './current-bands';
import type { SurfaceDrift } from './surface-options';

/** The water and the lie: the fly is to land there, whoever stands where. */
export interface DriftScene extends Current {
  /** Distance of the lie from the near edge, metres. */
  lieM: number;
  /** How far out the angler stands. */
  outM: number;
  rodM: number;
  slackShare: number;
  durationS: number;
  /** Standing, or in a boat that goes with its own water. */
  from: 'bank' | 'boat';
}

export const HANDLINGS = ['still', 'follow', 'reach-up', 'reach-down', 'high-stick'] as const;
/** What the rod does: held, following the drift, laid up or down before the line lands, or lifted over the water. */
export type Handling = (typeof HANDLINGS)[number];

/** A way to put the fly over the lie. */
export interface Presentation {
  id: string;
  /** The angler along the stream from the lie, metres; above zero is below it, casting up. */
  standM: number;
  handling: Handling;
  mend: Pick<Act, 'way' | 'atS' | 'sizeM'> | null;
}

/** How far beyond the angler the tip is held level, as a share of the rod. */
const TIP_SHARE = 0.75;
/** How far a rod is laid over for a reach, as a share of its length. */
const REACH_SHARE = 0.8;
/** A tip can go along with the drift for this many rods. */
const FOLLOWS_RODS = 1.6;
/** Where a mend begins and ends, shares of the line. */
export const MEND_FROM = 0.1;
export const MEND_TO = 0.8;
/** Longer casts are not for beginners, metres; a lifted line no longer than this many rods. */
export const LONGEST_CAST_M = 15;
const LIFTED_RODS = 2.2;
/** A cast shorter than this is none, metres. */
const SHORTEST_CAST_M = 1.5;
/** Of a lifted cast so much is off the water. */
const LIFTED_SHARE = 0.8;
/** Leader on the water, as a share of the cast, and no longer than this. */
const LEADER_SHARE = 0.35;
const LEADER_M = 2.7;

/** The drift of a presentation, whether it can be done or not. */
export function driftOf(
  scene: DriftScene,
  { standM, handling, mend }: Omit<Presentation, 'id'>,
): Partial<SurfaceDrift> & Pick<SurfaceDrift, 'castM' | 'castDeg' | 'tip'> {
  const { lieM, rodM, outM } = scene;
  const tipOut = Math.max(0, Math.min(outM + TIP_SHARE * rodM, lieM - 0.3));
  const reach = { 'reach-up': -1, 'reach-down': 1 }[handling as string] ?? 0;
  const startM = standM + reach * REACH_SHARE * rodM;
  const castM = Math.hypot(startM, lieM - tipOut);
  const flyMs = speedAt(scene, lieM);
  const follows = handling !== 'still' && Math.abs(flyMs) > 0.01;
  const speedMs = scene.from === 'boat' ? speedAt(scene, outM) : follows ? flyMs : 0;
  const untilS =
    scene.from === 'boat' ? scene.durationS : follows ? Math.abs((FOLLOWS_RODS * rodM) / flyMs) : 0;
  return {
    lanes: scene.lanes,
    blendM: scene.blendM,
    castM,
    castDeg: (Math.atan2(lieM - tipOut, -startM) * 180) / Math.PI,
    slackShare: scene.slackShare,
    leaderM: Math.min(LEADER_M, LEADER_SHARE * castM),
    liftedM: handling === 'high-stick' ? castM * LIFTED_SHARE : 0,
    tip: { startM, speedMs, untilS, outM: tipOut },
    acts: mend ? [{ kind: 'mend', from: MEND_FROM, to: MEND_TO, ...mend }] : [],
    durationS: scene.durationS,
  };
}

/** Whether a beginner can do it: not too far, not too near, and no more line lifted than a rod can. */
export function inReach(scene: DriftScene, presentation: Omit<Presentation, 'id'>): boolean {
  const { castM } = driftOf(scene, presentation);
  const most = presentation.handling === 'high-stick' ? LIFTED_RODS * scene.rodM : LONGEST_CAST_M;
  return castM <= most && castM >= SHORTEST_CAST_M;
}

/** Where to stand, as shares of the distance to the lie, below it first. */
const STANDS = [0.8, 0.35, 0, -0.35, -0.7];
const MENDS = (['up', 'down'] as const).flatMap((way) =>
  [
    [0.4, 0.8],
    [0.4, 1.6],
    [1.2, 1.2],
  ].map(([atS, sizeM]) => ({ way, atS: atS as number, sizeM: sizeM as number })),
);

/** What an angler may do, those first that a beginner does first: sixty where the lie is in reach of all. */
export function presentations(scene: DriftScene): Presentation[] {
  const away = scene.lieM - scene.outM;
  const ways: Pick<Presentation, 'handling' | 'mend'>[] = [
    { handling: 'still', mend: null },
    { handling: 'follow', mend: null },
    { handling: 'reach-up', mend: null },
    { handling: 'reach-down', mend: null },
    { handling: 'high-stick', mend: null },
    ...MENDS.map((mend) => ({ handling: 'still' as const, mend })),
    { handling: 'reach-up', mend: MENDS[2] as (typeof MENDS)[number] },
  ];
  const all = ways.flatMap(({ handling, mend }) =>
    STANDS.map((share): Presentation => {
      const standM = Math.round(share * away * 2) / 2;
      const told = mend ? `${mend.way}-${mend.atS}-${mend.sizeM}` : 'none';
      return { id: `${standM}/${handling}/${told}`, standM, handling, mend };
    }),
  );
  return all.filter((one) => inReach(scene, one));
}

/** Skills of the record that a presentation asks for. */
export function skillsOf({ handling, mend }: Presentation): string[] {
  const rod =
    handling === 'reach-up' || handling === 'reach-down' ? ['water.reach-mend', 'casting.reach'] : [];
  return [
    'casting.overhead',
    ...rod,
    ...(handling === 'high-stick' ? ['hook-setting.slack-management'] : []),
    ...(mend ? [mend.way === 'up' ? 'water.mend-up' : 'water.mend-down'] : []),
  ];
}
