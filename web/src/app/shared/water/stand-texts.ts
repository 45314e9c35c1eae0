import { formatLength, formatRoundLength, type StandReason, type UnitSystem } from '@doceo/core';
import { NEED_NAMES } from '@doceo/texts';

/** A cast or a line of a beginner, to the half metre. */
export function castText(metres: number, units: UnitSystem): string {
  return formatRoundLength(Math.round(metres * 2) / 2, units);
}

/** Why somebody stands where he does, as a sentence; empty where there is nothing to say. */
export function whyHereText(because: readonly StandReason[], units: UnitSystem): string {
  const said = because.map((reason) => standReasonText(reason, units));
  return said.length === 0 ? '' : `Why here: ${said.join('; ')}.`;
}

/** One reason, in a few words. */
export function standReasonText(reason: StandReason, units: UnitSystem): string {
  switch (reason.why) {
    case 'bank':
      return `stays on the bank (${NEED_NAMES[reason.need].toLowerCase()})`;
    case 'shallow':
      return `no deeper than ${formatLength(reason.wadeM, units)}`;
    case 'reach':
      return `casts up to ${castText(reason.reachM, units)}`;
    case 'hand':
      return `the ${reason.hand} hand is clear of the trees`;
    case 'wind':
      return `the wind is off the ${reason.hand} hand`;
    case 'edge':
      return `shallow before the feet, ${formatLength(reason.depthM, units)} (${NEED_NAMES[reason.need].toLowerCase()})`;
  }
}
