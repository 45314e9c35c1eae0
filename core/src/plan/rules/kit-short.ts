import type { Curriculum } from '../../curriculum';
import { thingOf } from '../../drill';
import { drillOf } from '../carried';
import { allBlocks } from '../plan';
import { gearList } from '../timing';
import type { PlanRule } from './rule';

/** More of a thing is used at once than there is. Of what nobody counted it says nothing. */
export const kitShort: PlanRule = (plan, lesson, curriculum: Curriculum) => {
  const stock = lesson?.stock ?? {};
  const short = gearList(curriculum, plan).flatMap(({ item, count }) => {
    const have = stock[thingOf(item)];
    return have !== undefined && have < count ? [{ item, count, have }] : [];
  });
  if (short.length === 0) return [];
  const names = new Set(short.map(({ item }) => item));
  const using = allBlocks(plan).filter((block) =>
    drillOf(curriculum, block)?.gear.some(({ item }) => names.has(item)),
  );
  return [
    {
      ...{ id: 'kit-short', rule: 'kit-short', level: 'check', studentId: null },
      facts: { short },
      blockIds: using.map(({ id }) => id),
      fixes: [{ does: 'open-kit', change: { kind: 'open', what: 'kit', id: null } }],
    },
  ];
};
