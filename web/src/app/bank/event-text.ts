import { type BankEventBody, findFault } from '@doceo/core';

/** An event in a few words, for the line beside Undo and the list of the last ones. */
export function eventText(body: BankEventBody): string {
  switch (body.kind) {
    case 'attempt':
      return body.good
        ? 'good'
        : body.faultId
          ? (findFault(body.faultId)?.short ?? body.faultId).toLowerCase()
          : 'not good';
    case 'fish':
      return `${body.species}${body.lengthCm ? `, ${body.lengthCm} cm` : ''}, ${body.outcome === 'to-hand' ? 'to hand' : 'lost'}`;
    case 'tangle':
      return body.seconds === null ? 'tangle' : `tangle, ${body.seconds} s`;
    case 'note':
      return `“${body.text}”`;
    case 'undo':
      return 'taken back';
  }
}
