import type { DrillAdvice } from '@doceo/core';

/** Why a drill is what comes next for a student. */
export function whatNextText({ because, opens }: Pick<DrillAdvice, 'because' | 'opens'>): string {
  const { skill, goods, attempts, fault } = because;
  const says = [
    attempts > 0 ? `${skill}: ${goods} good of ${attempts}` : `${skill}: not seen yet`,
    opens.length > 0 ? `it holds back ${opens.join(', ').toLowerCase()}` : '',
    fault ? `${fault.short.toLowerCase()}, ${fault.count} of ${fault.exposed}` : '',
  ];
  return `${says.filter(Boolean).join('; ')}.`;
}
