import type { Block } from '@doceo/core';
import { sameJson } from '../../data/same-json';
import type { PlanValue } from '../plan-document';

/** One difference between two states of a plan, in words. */
export interface Difference {
  what: string;
  mine: string;
  theirs: string;
}

const FIELDS = ['aim', 'level', 'groupSize', 'season', 'waterKind', 'lengthMin'] as const;
const FIELD_NAMES: Record<(typeof FIELDS)[number], string> = {
  aim: 'Aim',
  level: 'Level',
  groupSize: 'Group',
  season: 'Season',
  waterKind: 'Water',
  lengthMin: 'Length, min',
};

/** Readable differences of two states of one plan: title, facts, then blocks that differ or are only on one side. */
export function planDifferences(mine: PlanValue, theirs: PlanValue): Difference[] {
  const differences: Difference[] = [];
  const add = (what: string, a: unknown, b: unknown): void => {
    if (!sameJson(a, b)) differences.push({ what, mine: String(a), theirs: String(b) });
  };
  add('Title', mine.title, theirs.title);
  FIELDS.forEach((field) => add(FIELD_NAMES[field], mine.body[field], theirs.body[field]));
  const ids = new Set([...mine.body.blocks, ...theirs.body.blocks].map((block) => block.id));
  for (const id of ids) {
    const a = mine.body.blocks.find((block) => block.id === id);
    const b = theirs.body.blocks.find((block) => block.id === id);
    if (!sameJson(a, b))
      differences.push({
        what: `Block “${(a ?? b)?.title ?? ''}”`,
        mine: blockText(a),
        theirs: blockText(b),
      });
  }
  add('Plan B', planBText(mine), planBText(theirs));
  add(
    'Rigs',
    mine.body.rigs.map((rig) => rig.name).join(', '),
    theirs.body.rigs.map((rig) => rig.name).join(', '),
  );
  return differences;
}

function planBText({ body: { planB } }: PlanValue): string {
  return planB
    ? `from minute ${planB.fromMin}: ${planB.blocks.map(({ title, startMin }) => `${title}, minute ${startMin}`).join('; ')}`
    : 'none';
}

function blockText(block: Block | undefined): string {
  if (!block) return 'not there';
  return `${block.title}, minute ${block.startMin} to ${block.startMin + block.durationMin}, ${block.place}, ${block.lane === null ? 'everybody' : `student ${block.lane + 1}`}`;
}
