import type { ErrorRequestHandler, Request } from 'express';
import { bePatient, LONG_PATIENCE_MS } from '../db/patience';
import type { LargeProcess } from './large-process';

/** Called with whether the work to come would hold up others; does not come back if that goes on elsewhere. */
export type PassOnIf = (isMuch: boolean) => void;

/** Thrown where there is much to tell, before anything was changed. */
class TooMuch extends Error {}

/** Says of an application that it has somebody for large requests. */
export const HAS_LARGE = 'has large';

/** What passes a request on, in an application that has somebody for it; in another one it may take its time. */
export function passingOn({ app }: Request): PassOnIf {
  return (isMuch) => {
    if (!isMuch) return;
    if (app.get(HAS_LARGE)) throw new TooMuch();
    bePatient(LONG_PATIENCE_MS);
  };
}

/** Passes on what turned out to be large. */
export function tooMuch(large: LargeProcess): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (error instanceof TooMuch) large.answer(request, response, next);
    else next(error);
  };
}
