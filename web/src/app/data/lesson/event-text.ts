import {
  type BankEventBody,
  type CastAngle,
  type CastFrom,
  type ChangeKind,
  type Curriculum,
  type EvidenceKind,
  formatLength,
  formatRoundLength,
  formatTemperature,
  type MissCause,
  type Retrieve,
  type ReplanReason,
  type SafetyKind,
  type UnitSystem,
} from '@doceo/core';

export const MISS_WORDS: Record<MissCause, string> = {
  late: 'too late',
  early: 'too early',
  slack: 'slack line',
  'wrong-way': 'set the wrong way',
  'not-seen': 'not seen',
  unknown: 'not known why',
};
export const CHANGE_WORDS: Record<ChangeKind, string> = {
  weight: 'bead or fly',
  indicator: 'indicator',
  shot: 'shot',
  depth: 'depth',
  drift: 'drift or retrieve',
  pattern: 'fly',
  rig: 'rig',
};
/** Which way a cast went. */
export const ANGLE_WORDS: Record<CastAngle, string> = {
  up: 'upstream',
  across: 'across',
  down: 'downstream',
};

export const RETRIEVE_WORDS: Record<Retrieve, string> = {
  'hand-twist': 'hand twist',
  strip: 'strip',
  slow: 'ultra slow',
  static: 'static',
  hang: 'the hang',
};
const REPLAN_WORDS: Record<ReplanReason, string> = {
  late: 'we were late',
  thunder: 'thunder',
  wind: 'wind',
  rising: 'the river rose',
  absent: 'somebody was missing',
};

export const SAFETY_WORDS: Record<SafetyKind, string> = {
  slip: 'slip in the water',
  hook: 'hook in somebody',
  storm: 'thunder, out of the water',
  cold: 'cold',
  heat: 'heat',
  'near-miss': 'near miss',
};

/** An event in a few words, for the line beside Undo and the list of the last ones. */
export function eventText(body: BankEventBody, system: UnitSystem, curriculum: Curriculum): string {
  switch (body.kind) {
    case 'attempt':
      return attemptText(body, curriculum);
    case 'fish':
      return [
        body.species,
        ...(body.lengthCm ? [formatLength(body.lengthCm / 100, system)] : []),
        body.outcome === 'to-hand' ? 'to hand' : 'lost',
        ...(body.fly ? [`on the ${body.fly}`] : []),
        ...fromText(body),
        ...(body.outOfWaterS === undefined
          ? []
          : [body.outOfWaterS === 0 ? 'kept in the water' : `${body.outOfWaterS} s in the air`]),
      ].join(', ');
    case 'tangle':
      return body.seconds === null ? 'tangle' : `tangle, ${body.seconds} s`;
    case 'sentence':
      return body.text ? `on the card: “${body.text}”` : 'sentence taken off the card';
    case 'note':
      return `“${body.text}”`;
    case 'miss':
      return `take missed, ${MISS_WORDS[body.cause]}`;
    case 'change':
      return `${CHANGE_WORDS[body.what]} changed${body.to ? `: ${body.to}` : ''}`;
    case 'tried':
      return `${formatRoundLength(body.depthM, system)}, ${RETRIEVE_WORDS[body.retrieve]}, ${body.pattern}${body.moved ? ': moved a fish' : ''}`;
    case 'lane':
      return [`lane ${body.lane} of ${body.of} fished`, ...fromText(body)].join(', ');
    case 'temperature':
      return `water ${formatTemperature(body.celsius, system)}${body.depthM === null ? '' : ` at ${formatRoundLength(body.depthM, system)}`}`;
    case 'stones':
      return `under stones: ${Object.entries(body.counts)
        .filter(([, count]) => count > 0)
        .map(([kind, count]) => `${count} ${kind}`)
        .join(', ')}`;
    case 'safety':
      return `safety: ${SAFETY_WORDS[body.what]}${body.text ? `, ${body.text}` : ''}`;
    case 'tempo':
      return `beat of ${body.tapsMs.length} taps at ${formatRoundLength(body.lineM, system)}`;
    case 'replan':
      return `the plan goes on otherwise: ${REPLAN_WORDS[body.why]}`;
    case 'undo':
      return 'taken back';
  }
}

function fromText({ stand, angle }: CastFrom): string[] {
  return [...(stand ? [`from stand ${stand}`] : []), ...(angle ? [ANGLE_WORDS[angle]] : [])];
}

/** Which skill it was is told wherever it is not the drill's own. */
function attemptText(
  { good, faultId, evidence = 'drill', home, skillId }: Extract<BankEventBody, { kind: 'attempt' }>,
  { faults, skills }: Curriculum,
): string {
  const how = faultId ? faults.get(faultId).short.toLowerCase() : good ? 'good' : 'not good';
  if (evidence === 'drill' && !home) return how;
  const skill = skills.get(skillId).name.toLowerCase();
  const answered = `${skill}, answered ${good ? 'right' : 'wrong'}`;
  return [evidence === 'answer' ? answered : `${skill}: ${how}`, SEEN_WORDS[evidence], home ? 'at home' : '']
    .filter(Boolean)
    .join(', ');
}

/** Where a skill was seen, behind how it was. */
const SEEN_WORDS: Record<EvidenceKind, string> = {
  drill: '',
  side: 'as well',
  passing: 'in passing',
  answer: '',
  bench: 'on the bench',
  measured: 'measured',
};
