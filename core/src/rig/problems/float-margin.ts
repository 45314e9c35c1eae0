import { BEAD_DIAMETERS_M } from '../tackle/beads';
import { FLOAT_MARGINAL, FLOAT_SINKS, floatMargin } from '../sink/float-margin';
import { HOOK_SIZES } from '../tackle/hooks';
import type { Fly, Rig } from '../rig';
import type { RigRule } from './rule';

/** A dropper that pulls its dry under, or an indicator that drowns. Fixes both ways: larger float, lighter load. */
export const floatTooSmall: RigRule = (rig) => {
  const float = floatMargin(rig);
  if (!float || float.margin >= FLOAT_MARGINAL) return [];
  const sinks = float.margin < FLOAT_SINKS;
  return [
    {
      id: 'float-too-small',
      rule: 'float-too-small',
      level: sinks ? 'must-fix' : 'check',
      facts: {
        float: float.float,
        sinks,
        margin: float.margin,
        wanted: FLOAT_MARGINAL,
        liftN: float.liftN,
        loadN: float.loadN,
      },
      fixes: [
        { does: 'larger-float' as const, change: larger(rig, float.floatId) },
        { does: 'lighter-nymph' as const, change: lighter(rig, float.floatId) },
      ].flatMap(({ does, change }) => (change ? [{ does, change }] : [])),
    },
  ];
};

/** The float made just large enough, or null when none is. */
function larger(rig: Rig, floatId: string): Rig | null {
  const grown = (change: (size: number) => Rig, sizes: readonly number[]): Rig | null =>
    sizes.map(change).find((candidate) => (floatMargin(candidate)?.margin ?? 0) >= FLOAT_MARGINAL) ?? null;
  const fly = rig.flies.find(({ id }) => id === floatId);
  if (fly) {
    const sizes = HOOK_SIZES.filter((size) => size <= fly.hookSize).sort((a, b) => b - a);
    const sized = (dressing: Fly['dressing']) => (hookSize: number) =>
      withFly(rig, { ...fly, hookSize, dressing });
    return grown(sized(fly.dressing), sizes) ?? grown(sized('foam'), sizes);
  }
  return grown(
    (diameterM) => ({
      ...rig,
      fittings: rig.fittings.map((fitting) =>
        fitting.id === floatId && fitting.kind === 'indicator' ? { ...fitting, diameterM } : fitting,
      ),
    }),
    [0.013, 0.016, 0.019, 0.025, 0.032, 0.04, 0.05],
  );
}

/** The heaviest bead below the float made just small enough, or null when even none does not help. */
function lighter(rig: Rig, floatId: string): Rig | null {
  const heaviest = rig.flies
    .filter(({ id, bead }) => id !== floatId && bead !== 'none')
    .sort((a, b) => b.beadDiameterM - a.beadDiameterM)[0];
  if (!heaviest) return null;
  const options: Pick<Fly, 'bead' | 'beadDiameterM'>[] = [
    ...BEAD_DIAMETERS_M.filter((diameterM) => diameterM < heaviest.beadDiameterM)
      .sort((a, b) => b - a)
      .map((beadDiameterM) => ({ bead: heaviest.bead, beadDiameterM })),
    { bead: 'none', beadDiameterM: 0 },
  ];
  return (
    options
      .map((bead) => withFly(rig, { ...heaviest, ...bead }))
      .find((candidate) => (floatMargin(candidate)?.margin ?? Number.POSITIVE_INFINITY) >= FLOAT_MARGINAL) ??
    null
  );
}

function withFly(rig: Rig, fly: Fly): Rig {
  return { ...rig, flies: rig.flies.map((other) => (other.id === fly.id ? fly : other)) };
}
