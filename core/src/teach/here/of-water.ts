import { type Beat, isWater, type PieceKind } from '../../beat';
import { type StoneCount, stoneFood } from '../../fly-box';
import { COMFORT, type RuleCard, SPECIES, type Species, stopTemperature } from '../../water';
import { type HereQuestion, WARM_ACTS, type WarmAct, type WaterSeen } from './here-question';

/** The one that is asked for leads the next by this share, or it is not asked. */
const LEAD = 1.2;
const MAX_WRONG = 2;

/** What the card of the water says of hooks and lead, as far as somebody has read it. */
export function ruleQuestions({ barbless, leadAllowed, maxHooks }: RuleCard): HereQuestion[] {
  const skillId = 'water.rules-check';
  return [
    ...yesOrNo('barbless', barbless),
    ...yesOrNo('lead', leadAllowed),
    ...(maxHooks === null
      ? []
      : [
          {
            id: 'here.hooks',
            skillId,
            kind: 'hooks' as const,
            right: maxHooks,
            wrong: [maxHooks + 1, null],
          },
        ]),
  ];
}

function yesOrNo(kind: 'barbless' | 'lead', right: boolean | null): HereQuestion[] {
  if (right === null) return [];
  return [{ id: `here.${kind}`, skillId: 'water.rules-check', kind, right, wrong: [!right, null] }];
}

/**
 * What one does at a temperature that was read.
 *
 * @param waterC °C, as the thermometer said
 * @param species none when nobody has said what lives there: then of the most sensitive
 */
export function warmQuestion(waterC: number, species: readonly Species[]): HereQuestion[] {
  const stopC = stopTemperature(species);
  const warmC = Math.min(...(species.length > 0 ? species : SPECIES).map((one) => COMFORT[one].toC));
  const right: WarmAct = waterC >= stopC ? 'stop' : waterC > warmC ? 'short' : 'go-on';
  return [
    {
      id: 'here.warm',
      skillId: 'fish-care.temperature-stop',
      kind: 'warm',
      ...{ waterC, stopC, right },
      wrong: WARM_ACTS.filter((act) => act !== right),
    },
  ];
}

/** Which water of a drawn beat is the fastest, and which the deepest. */
export function beatQuestions(beat: Beat): HereQuestion[] {
  return (['fastest', 'deepest'] as const).flatMap((kind): HereQuestion[] => {
    const of = ({ speedMs, depthM }: WaterSeen): number => (kind === 'fastest' ? Math.abs(speedMs) : depthM);
    const [right, ...others] = mostOfEachKind(beat, of);
    const next = others[0];
    if (!right || !next || of(right) < LEAD * of(next)) return [];
    const wrong = [...new Set([next, others.at(-1) ?? next])].slice(0, MAX_WRONG);
    return [{ id: `here.${kind}`, skillId: 'water.read-units', kind, beat: beat.name, right, wrong }];
  });
}

/** Of each kind of water the piece that has most of something, the most first. */
function mostOfEachKind({ pieces }: Beat, of: (seen: WaterSeen) => number): WaterSeen[] {
  const best = new Map<PieceKind, WaterSeen>();
  for (const { kind, depthM, speedMs } of pieces) {
    if (!isWater(kind)) continue;
    const seen = { piece: kind, depthM: depthM ?? 0, speedMs: speedMs ?? 0 };
    const before = best.get(kind);
    if (!before || of(seen) > of(before)) best.set(kind, seen);
  }
  return [...best.values()].sort((a, b) => of(b) - of(a));
}

/** What of the creatures under the stones fills a fish most: seldom the one there are most of. */
export function foodQuestion(counts: readonly StoneCount[]): HereQuestion[] {
  const found = stoneFood(counts).flies.map(({ food, share }) => ({
    food,
    share,
    count: counts.reduce((sum, one) => sum + (one[food] ?? 0), 0),
  }));
  const [right, ...others] = found;
  if (!right || !others[0] || right.share < LEAD * others[0].share) return [];
  return [
    {
      id: 'here.food',
      skillId: 'water.match-food',
      kind: 'food',
      right,
      wrong: others.slice(0, MAX_WRONG),
    },
  ];
}
