import {
  type AdaptedDrill,
  type Adaptation,
  formatRoundLength,
  type Need,
  NEED_LIMITS,
  textInUnits,
  type UnitSystem,
} from '@doceo/core';
import { capital } from './words';

/** A need as it stands on a list. */
export const NEED_NAMES: Record<Need, string> = {
  shoulder: 'Shoulder',
  back: 'Back',
  'one-hand': 'One hand',
  seated: 'Seated',
  'child-height': 'Child’s height',
  'sees-badly': 'Sees badly',
  'hears-badly': 'Hears badly',
  'cannot-swim': 'Cannot swim',
  'afraid-of-deep-water': 'Afraid of deep water',
  'feels-the-cold': 'Feels the cold',
  'left-hand': 'Left hand',
  'reads-little': 'Reads little',
};

/** What a drill does for a need, in a line: figures first, then words. */
export function adaptationText(rule: Adaptation): string {
  const percent = (factor: number): string => `${Math.round(factor * 100)} %`;
  const figures = [
    ...(rule.line === undefined ? [] : [`${percent(rule.line)} of the line`]),
    ...(rule.minutes === undefined ? [] : [`${percent(rule.minutes)} of the time`]),
    ...(rule.stand ? [rule.stand] : []),
  ].join(', ');
  return [figures && `${capital(figures)}.`, rule.words].filter(Boolean).join(' ');
}

/** What a need asks for where a drill has no rule of its own; null where it asks for nothing that can be reckoned. */
export function needLimitsText(need: Need, units: UnitSystem): string | null {
  const { line, minutes, wadeM, cueM } = NEED_LIMITS[need];
  const says = [
    ...(line === undefined ? [] : [`${Math.round(line * 100)} % of the line`]),
    ...(minutes === undefined ? [] : [`${Math.round(minutes * 100)} % of the time at a stretch`]),
    ...(wadeM === undefined || wadeM === null
      ? []
      : [wadeM === 0 ? 'stays on the bank' : `wades to ${formatRoundLength(wadeM, units)} at most`]),
    ...(cueM === undefined || cueM === null ? [] : [`cues from within ${formatRoundLength(cueM, units)}`]),
  ];
  return says.length === 0
    ? null
    : `${NEED_NAMES[need]}: ${says.join(', ')}. A rule of thumb; a drill may say otherwise.`;
}

/** How one student does a drill, in a line for the log and the card; empty when as everybody does. */
export function adaptedText(
  { drill, instead, lineOutM, minutes, stands, words }: AdaptedDrill,
  units: UnitSystem,
): string {
  const figures = [
    ...(instead ? [`“${drill.name}” instead`] : []),
    ...(lineOutM < drill.lineOutM ? [`${formatRoundLength(lineOutM, units)} of line`] : []),
    ...(minutes < drill.minutes.likely ? [`${minutes} min at a stretch`] : []),
    ...stands,
  ].join(', ');
  return textInUnits([figures && `${capital(figures)}.`, ...words].filter(Boolean).join(' '), units);
}
