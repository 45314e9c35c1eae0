import type { Curriculum } from '../curriculum';
import { allBlocks, curriculumOf, drillOf } from '../plan';
import type { SharedPlan } from './canonical';

/** More is not looked through, characters. */
const MOST = 20_000;

/**
 * The words by which a plan is found: what it is called and for, its season and water, its blocks and what is said in them,
 * the drills with the skills they train and the faults they watch for, its rigs and flies. Each once, in small letters.
 */
export function libraryWords(shipped: Curriculum, { title, body }: SharedPlan): string {
  const curriculum = curriculumOf(shipped, body);
  const blocks = allBlocks(body);
  const drills = blocks.flatMap((block) => drillOf(curriculum, block) ?? []);
  const texts = [
    ...[title, body.aim, body.season, body.level, body.waterKind],
    ...blocks.flatMap(({ title: name, cue, note, place }) => [name, cue, note, place]),
    ...drills.flatMap(({ name, strand, gear, trains }) => [
      ...[name, strand, ...gear.map(({ item }) => item)],
      ...trains.map(({ skillId }) => curriculum.skills.find(skillId)?.name ?? ''),
    ]),
    ...blocks.flatMap(({ watchFor }) => watchFor.map((id) => curriculum.faults.find(id)?.short ?? '')),
    ...body.rigs.flatMap(({ name, rig }) => [name, ...rig.flies.map((fly) => fly.name)]),
  ];
  const words = texts.flatMap((text) => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []);
  return [...new Set(words)].join(' ').slice(0, MOST);
}
