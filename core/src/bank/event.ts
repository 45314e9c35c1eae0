import type { Block, ReplanReason } from '../plan';
import type { EvidenceKind } from '../skill';

export const MISS_CAUSES = ['late', 'early', 'slack', 'wrong-way', 'not-seen', 'unknown'] as const;
/** Why a take was missed. */
export type MissCause = (typeof MISS_CAUSES)[number];

/** What may be changed, in the order in which it should be: three ways to another depth, then drift, fly, and the rig. */
export const CHANGE_ORDER = ['weight', 'indicator', 'shot', 'drift', 'pattern', 'rig'] as const;
/** With what older devices said, when the three ways to another depth were one. */
export const CHANGE_KINDS = [...CHANGE_ORDER, 'depth'] as const;
/** What was changed. */
export type ChangeKind = (typeof CHANGE_KINDS)[number];

export const RETRIEVES = ['hand-twist', 'strip', 'slow', 'static', 'hang'] as const;
export type Retrieve = (typeof RETRIEVES)[number];

export const CAST_ANGLES = ['up', 'across', 'down'] as const;
/** Which way a cast goes, against the stream. */
export type CastAngle = (typeof CAST_ANGLES)[number];

export const SAFETY_KINDS = ['slip', 'hook', 'storm', 'cold', 'heat', 'near-miss'] as const;
export type SafetyKind = (typeof SAFETY_KINDS)[number];

/** From where a cast went out, as far as it was said. */
export interface CastFrom {
  /** Counted up the stream, from 1. */
  stand?: number | undefined;
  angle?: CastAngle | undefined;
}

/** What was seen on the water. Events are only ever added; taking one back is an event too. */
export type BankEventBody =
  | {
      kind: 'attempt';
      skillId: string;
      drillId: string | null;
      good: boolean;
      faultId: string | null;
      /** How it was seen; an attempt in the drill when left out. */
      evidence?: EvidenceKind | undefined;
      /** Done alone at home. */
      home?: boolean | undefined;
      /** Of an answer: what was asked, and which of how many choices was taken, from 0. */
      asked?: { questionId: string; choice: number; choices: number } | undefined;
      /** The entry that was taken back for this one, which stays readable. */
      corrects?: string | undefined;
    }
  | (CastFrom & {
      kind: 'fish';
      species: string;
      lengthCm: number | null;
      outcome: 'to-hand' | 'lost';
      /** Which of the flies it took, in a word. */
      fly?: string | undefined;
      /** How long it was held out of the water, seconds. */
      outOfWaterS?: number | undefined;
    })
  | { kind: 'miss'; cause: MissCause }
  | { kind: 'tangle'; seconds: number | null }
  | { kind: 'change'; what: ChangeKind; to: string }
  | { kind: 'tried'; depthM: number; retrieve: Retrieve; pattern: string; moved: boolean }
  /** The same lane from elsewhere is a new one. */
  | (CastFrom & { kind: 'lane'; lane: number; of: number })
  | { kind: 'temperature'; celsius: number; depthM: number | null }
  | { kind: 'stones'; counts: Record<string, number> }
  | { kind: 'safety'; what: SafetyKind; text: string }
  | { kind: 'tempo'; lineM: number; tapsMs: number[] }
  | { kind: 'note'; text: string; aboutId: string | null }
  /** What the instructor says to a student on the card of a lesson; the last one stands. */
  | { kind: 'sentence'; text: string }
  /** The lesson goes on otherwise from a minute on: all its blocks, what was done among them. */
  | { kind: 'replan'; why: ReplanReason; fromMin: number; blocks: Block[] }
  | { kind: 'undo'; targetId: string };

export interface BankEvent {
  /** Made on the device: the same event sent twice is one event. */
  id: string;
  lessonId: string;
  studentId: string | null;
  blockId: string | null;
  deviceId: string;
  /** Device clock, epoch milliseconds. */
  atMs: number;
  /** How far that clock was ahead of the server's, ms; negative when behind, left out when they agreed. */
  clockAheadMs?: number | undefined;
  body: BankEventBody;
}
