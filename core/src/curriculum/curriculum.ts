import { deterministicId } from '../random';
import type { Drill } from '../drill';
import type { Fault } from '../fault';
import type { Skill } from '../skill';
import { canonical } from './canonical';
import { type Entries, ENTRY_KINDS, entriesOf, type EntryKind, type Layer, type LayerOwner } from './layer';
import type { Question } from './question';
import { type Shelf, shelf, wordsOfId } from './shelf';
import { circleOfNeeds, skillGraph, type SkillGraph } from './skill-graph';

/** Where an entry is from. */
export interface EntryOrigin {
  owner: LayerOwner;
  /** Who below has an entry of the same id, which this one covers; null when it is new. */
  covers: LayerOwner | null;
  /** Who retired it; null while it is in force. */
  retiredBy: LayerOwner | null;
}

/** What a school teaches: a value, made of layers. */
export interface Curriculum {
  /** Eight hexadecimal digits made of the content; the same content has the same. */
  version: string;
  skills: SkillGraph;
  faults: Shelf<Fault>;
  drills: Shelf<Drill>;
  questions: Shelf<Question>;
  /** null of an id that no layer has. */
  originOf(kind: EntryKind, id: string): EntryOrigin | null;
  /** Needs left out because they closed a circle between layers: the first of each pair would need the second. */
  dropped: readonly { skillId: string; needId: string }[];
}

export interface OwnedLayer {
  owner: LayerOwner;
  layer: Layer;
}

/**
 * Lays layers over each other, the lowest first. An entry of a higher layer stands in the place of one with the same id,
 * where that one stood. What is retired is no longer taught and still reads; a skill that rested on a retired one rests
 * on what that one rested on. A circle of needs that two layers make together is opened at the need that closes it.
 */
export function resolveCurriculum(layers: readonly OwnedLayer[]): Curriculum {
  const piles = Object.fromEntries(ENTRY_KINDS.map((kind) => [kind, pileOf(layers, kind)])) as {
    [K in EntryKind]: Pile<Entries[K]>;
  };
  const { skills, dropped } = openedCircles(withoutRetiredNeeds(piles.skill));
  return {
    version: versionOf(skills, piles),
    skills: skillGraph(skills, piles.skill.retired),
    faults: shelf(piles.fault.inForce, piles.fault.retired, unknownFault),
    drills: shelf(piles.drill.inForce, piles.drill.retired, unknownDrill),
    questions: shelf(piles.question.inForce, piles.question.retired, unknownQuestion),
    originOf: (kind, id) => piles[kind].origins.get(id) ?? null,
    dropped,
  };
}

/** All entries of a kind that the layers make together. */
interface Pile<T> {
  inForce: T[];
  retired: T[];
  origins: Map<string, EntryOrigin>;
}

function pileOf<K extends EntryKind>(layers: readonly OwnedLayer[], kind: K): Pile<Entries[K]> {
  const entries = new Map<string, Entries[K]>();
  const origins = new Map<string, EntryOrigin>();
  const retire = (id: string, retiredBy: LayerOwner): void => {
    const origin = origins.get(id);
    if (origin && origin.retiredBy === null) origins.set(id, { ...origin, retiredBy });
  };
  for (const { owner, layer } of layers) {
    if (layer.alone) for (const id of entries.keys()) retire(id, owner);
    for (const entry of entriesOf(layer, kind)) {
      origins.set(entry.id, { owner, covers: origins.get(entry.id)?.owner ?? null, retiredBy: null });
      entries.set(entry.id, entry);
    }
    for (const one of layer.retired) if (one.kind === kind) retire(one.id, owner);
  }
  const all = [...entries.values()];
  const isRetired = ({ id }: Entries[K]): boolean => origins.get(id)?.retiredBy !== null;
  return { inForce: all.filter((entry) => !isRetired(entry)), retired: all.filter(isRetired), origins };
}

/** Skills in force with needs in force only: those of a retired need in its place. */
function withoutRetiredNeeds({ inForce, retired }: Pile<Skill>): Skill[] {
  const living = new Set(inForce.map(({ id }) => id));
  const gone = new Map(retired.map((skill) => [skill.id, skill]));
  const standing = (id: string, seen: readonly string[]): string[] =>
    living.has(id)
      ? [id]
      : seen.includes(id)
        ? []
        : (gone.get(id)?.needs.flatMap((need) => standing(need, [...seen, id])) ?? []);
  return inForce.map((skill) =>
    skill.needs.every((need) => living.has(need))
      ? skill
      : { ...skill, needs: [...new Set(skill.needs.flatMap((need) => standing(need, [])))] },
  );
}

function openedCircles(skills: readonly Skill[]): Pick<Curriculum, 'dropped'> & { skills: Skill[] } {
  let opened = [...skills];
  const dropped: { skillId: string; needId: string }[] = [];
  for (let circle = circleOfNeeds(opened); circle; circle = circleOfNeeds(opened)) {
    const [skillId, needId] = circle.slice(-2) as [string, string];
    dropped.push({ skillId, needId });
    opened = opened.map((skill) =>
      skill.id === skillId ? { ...skill, needs: skill.needs.filter((need) => need !== needId) } : skill,
    );
  }
  return { skills: opened, dropped };
}

function versionOf(skills: readonly Skill[], piles: { [K in EntryKind]: Pile<Entries[K]> }): string {
  const content = [skills, piles.fault.inForce, piles.drill.inForce, piles.question.inForce];
  return deterministicId(content.map((list) => `[${list.map(canonical).join()}]`).join()).slice(0, 8);
}

function unknownFault(id: string): Fault {
  return { id, short: wordsOfId(id), sign: '', cause: '', cure: '', weight: 1 };
}

function unknownQuestion(id: string): Question {
  return { id, skillId: '', text: wordsOfId(id), choices: [] };
}

function unknownDrill(id: string): Drill {
  return {
    id,
    name: wordsOfId(id),
    strand: 'casting',
    trains: [],
    minutes: { min: 1, likely: 10, max: 60 },
    ground: 'anywhere',
    dryLand: '',
    group: { min: 1, max: 8 },
    supervision: 'within-call',
    gear: [],
    cue: '',
    how: [],
    success: { good: 1, of: 1, at: '' },
    watchFor: [],
    lineOutM: 0,
    attemptsPerMin: 1,
    adaptations: [],
  };
}
