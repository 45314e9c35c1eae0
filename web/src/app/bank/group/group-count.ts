import { type BankEvent, type Drill, type DrillCount, drillCount } from '@doceo/core';

/** How far several are in a drill, together; the last tries are told of one alone. */
export interface GroupCount extends Pick<DrillCount, 'window' | 'goods' | 'wanted' | 'of' | 'done'> {
  tried: number;
}

/** How far those named are in a drill; null when there is no drill, or nobody. */
export function groupCount(
  events: readonly BankEvent[],
  studentIds: readonly string[],
  drill: Drill | null,
): GroupCount | null {
  if (!drill || studentIds.length === 0) return null;
  const counts = studentIds.map((id) => drillCount(events, id, drill));
  const sum = (of: (one: DrillCount) => number): number => counts.reduce((all, one) => all + of(one), 0);
  return {
    window: counts.length === 1 ? (counts[0] as DrillCount).window : [],
    goods: sum(({ goods }) => goods),
    wanted: sum(({ wanted }) => wanted),
    of: sum((one) => one.of),
    tried: sum(({ window }) => window.length),
    done: counts.every(({ done }) => done),
  };
}
