import type { Curriculum, CurriculumFault } from '@doceo/core';

/** What the check found, in words beside the entry. */
export function faultText({ fault, of }: CurriculumFault, curriculum: Curriculum): string {
  switch (fault) {
    case 'circle':
      return `Needs ${curriculum.skills.get(of ?? '').name.toLowerCase()}, which needs it: left out until one of the two is cut.`;
    case 'no-evidence':
      return 'Nobody can be seen in it: no drill, no question, nothing in passing.';
    case 'no-drill':
      return 'No drill trains it yet.';
    case 'no-dry-drill':
      return 'No drill trains it without water.';
    case 'no-question':
      return 'No question is asked about it.';
    case 'no-words':
      return 'Words are missing on it.';
    default:
      return `Names ${of ?? 'something'} that is not taught.`;
  }
}
