import { type Skill, type SkillState, SKILLS, STRAND_NAMES, type Strand } from '@doceo/core';

export interface Reach {
  skill: Skill;
  /** Middle of the reach. */
  x: number;
  width: number;
  mastery: number;
  attempts: number;
  path: string;
  edge: string;
  label: { x: number; y: number; lines: string[] };
}

export interface Stream {
  strand: Strand;
  name: string;
  y: number;
  reaches: Reach[];
}

const BED_PX = 40;
const LEAST_PX = 3;
const SAMPLES = 10;

/** The four teaching strands; safety and fish care run through all and have few skills. */
const SHOWN: Strand[] = ['casting', 'rigging', 'hook-setting', 'water', 'safety', 'fish-care'];

/**
 * The record as streams: each skill a reach as wide as its estimate, with a pale edge as wide as it could be.
 *
 * @param width of the whole drawing, pixels
 * @param rowHeight from stream to stream
 */
export function drawStreams(state: SkillState, width: number, rowHeight: number): Stream[] {
  let y = 66;
  return SHOWN.map((strand, row) => {
    const skills = SKILLS.skills.filter((skill) => skill.strand === strand);
    const half = strand === 'safety' || strand === 'fish-care';
    const left = strand === 'fish-care' ? width / 2 + 20 : 0;
    const length = half ? width / 2 - 20 : width;
    if (row > 0 && strand !== 'fish-care') y += rowHeight;
    return { strand, name: STRAND_NAMES[strand], y, reaches: reachesOf(skills, state, left, length, y) };
  });
}

function reachesOf(skills: Skill[], state: SkillState, left: number, length: number, y: number): Reach[] {
  const step = length / skills.length;
  const widths = skills.map((skill) => LEAST_PX + (BED_PX - LEAST_PX) * (state[skill.id]?.mastery ?? 0));
  const edges = skills.map((skill) => LEAST_PX + (BED_PX - LEAST_PX) * (state[skill.id]?.high ?? 1));
  return skills.map((skill, index) => {
    const x = left + step * (index + 0.5);
    const above = index % 2 === 0;
    const lines = wrap(skill.name, Math.max(9, Math.floor((step * 2) / 6.3)));
    return {
      skill,
      x,
      width: step,
      mastery: state[skill.id]?.mastery ?? 0,
      attempts: state[skill.id]?.attempts ?? 0,
      path: ribbon(widths, index, left, step, y),
      edge: ribbon(edges, index, left, step, y),
      label: { x, y: above ? y - 27 - (lines.length - 1) * 12 : y + 34, lines },
    };
  });
}

/** Outline of one reach: its width runs smoothly into that of its neighbours. */
function ribbon(widths: readonly number[], index: number, left: number, step: number, y: number): string {
  const at = (i: number): number => widths[Math.min(widths.length - 1, Math.max(0, i))] as number;
  const half = (t: number): number => {
    const from = t < 0.5 ? at(index - 1) : at(index);
    const to = t < 0.5 ? at(index) : at(index + 1);
    const along = t < 0.5 ? t + 0.5 : t - 0.5;
    const smooth = along * along * (3 - 2 * along);
    return (from * (1 - smooth) + to * smooth) / 2;
  };
  const points = Array.from({ length: SAMPLES + 1 }, (_, i) => ({
    x: left + step * (index + i / SAMPLES),
    h: half(i / SAMPLES),
  }));
  const upper = points.map(({ x, h }, i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${(y - h).toFixed(1)}`);
  const lower = [...points].reverse().map(({ x, h }) => `L${x.toFixed(1)} ${(y + h).toFixed(1)}`);
  return `${upper.join('')}${lower.join('')}Z`;
}

/** Words in at most two lines of about this many letters. */
function wrap(text: string, most: number): string[] {
  if (text.length <= most) return [text];
  const words = text.split(' ');
  let first = '';
  while (words.length > 1 && `${first} ${words[0]}`.trim().length <= Math.max(most, text.length / 2))
    first = `${first} ${words.shift()}`.trim();
  return [first || (words.shift() ?? ''), words.join(' ')].filter(Boolean);
}
