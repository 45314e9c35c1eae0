import type { Drill } from '../drill';
import type { Fault } from '../fault';
import type { Skill } from '../skill';
import type { Question } from './question';

export const ENTRY_KINDS = ['skill', 'fault', 'drill', 'question'] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

/** What each kind of entry is. */
export interface Entries {
  skill: Skill;
  fault: Fault;
  drill: Drill;
  question: Question;
}

/** What somebody teaches, laid over what lies below: new entries, entries in the place of others, retired ones. */
export interface Layer {
  /** Whether it stands alone: everything below is retired. */
  alone: boolean;
  skills: Skill[];
  faults: Fault[];
  drills: Drill[];
  questions: Question[];
  retired: { kind: EntryKind; id: string }[];
}

/** Who laid a layer, the lowest first. */
export const LAYER_OWNERS = ['shipped', 'circle', 'own'] as const;
export type LayerOwner = (typeof LAYER_OWNERS)[number];

/** A layer with nothing in it. */
export function emptyLayer(): Layer {
  return { alone: false, skills: [], faults: [], drills: [], questions: [], retired: [] };
}

/** The list of a kind of entry in a layer. */
export function entriesOf<K extends EntryKind>(layer: Layer, kind: K): readonly Entries[K][] {
  const lists: { [L in EntryKind]: readonly Entries[L][] } = {
    skill: layer.skills,
    fault: layer.faults,
    drill: layer.drills,
    question: layer.questions,
  };
  return lists[kind];
}
