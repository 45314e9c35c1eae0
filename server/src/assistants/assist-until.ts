import { ASSIST_AFTER_MIN } from '@doceo/contract';

/** Until when an assistant sees a lesson `l`. */
export const ASSIST_UNTIL = `(l.starts_at + INTERVAL l.length_min + ${ASSIST_AFTER_MIN} MINUTE)`;
