import type { Fault, FaultWeight } from '../../../fault';

/**
 * A fault in short, the weight before the words.
 *
 * @param weight how dear the fault is, 1 to 5, a plain number; 5 is a danger
 */
export function fault(
  id: string,
  weight: FaultWeight,
  short: string,
  sign: string,
  cause: string,
  cure: string,
): Fault {
  return { id, short, sign, cause, cure, weight };
}
