/** What a fault costs, from 1, a little time, to 5, somebody or a fish may be hurt. Rules of thumb. */
export const FAULT_WEIGHTS = [1, 2, 3, 4, 5] as const;
export type FaultWeight = (typeof FAULT_WEIGHTS)[number];
/** From this weight on a fault is a danger, and comes before every other. */
export const DANGER: FaultWeight = 5;

/** A fault as an instructor sees it. `id` is stable: the record stores it. */
export interface Fault {
  id: string;
  /** Two or three words for a button. */
  short: string;
  sign: string;
  cause: string;
  cure: string;
  weight: FaultWeight;
}
