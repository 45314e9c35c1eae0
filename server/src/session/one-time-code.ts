import { createHash, randomInt } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';

/** Length of a step, seconds, and digits of a code: what every phone's program does without being told. */
const STEP_S = 30;
const DIGITS = 6;
/** A code of the step before or after counts too: clocks differ, and typing takes time. */
const WINDOW = 1;
/** Up to so many steps away a code is told to come from a wrong clock, and does not count: an hour and a quarter. */
const CLOCK_WINDOW = 150;

const SPARE_CODES = 8;
/** Letters and figures that nobody takes for one another, also on paper. */
const SPARE_LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';
const SPARE_LENGTH = 10;

/** A new secret for a phone, base32. */
export function newSecret(): string {
  return new Secret({ size: 20 }).base32;
}

/** What a phone's program reads from a picture to make codes: the `otpauth` address. */
export function setUpAddress(secret: string, email: string): string {
  return totp(secret, email).toString();
}

/** What a code is worth. `step` is the moment it belongs to, in steps since 1970. */
export type CodeCheck =
  | { kind: 'right'; step: number }
  /** Right for another moment: the phone's clock is off by so many minutes, negative when it is behind. */
  | { kind: 'clock'; offMin: number }
  /** Of a step that was used already, or before it. */
  | { kind: 'used' }
  | { kind: 'wrong' };

/**
 * Judges a code of the phone.
 *
 * @param nowMs milliseconds since 1970, of the server's clock
 * @param lastStep the step that was used last; null when none was
 */
export function checkCode(secret: string, code: string, nowMs: number, lastStep: number | null): CodeCheck {
  const delta = totp(secret).validate({ token: code, timestamp: nowMs, window: CLOCK_WINDOW });
  if (delta === null) return { kind: 'wrong' };
  if (Math.abs(delta) > WINDOW) return { kind: 'clock', offMin: Math.round((delta * STEP_S) / 60) };
  const step = Math.floor(nowMs / 1000 / STEP_S) + delta;
  return lastStep !== null && step <= lastStep ? { kind: 'used' } : { kind: 'right', step };
}

/** Codes to be kept on paper, for when the phone is lost; each works once. */
export function newSpareCodes(): string[] {
  return Array.from({ length: SPARE_CODES }, () => {
    const letters = Array.from(
      { length: SPARE_LENGTH },
      () => SPARE_LETTERS[randomInt(SPARE_LETTERS.length)],
    ).join('');
    return `${letters.slice(0, SPARE_LENGTH / 2)}-${letters.slice(SPARE_LENGTH / 2)}`;
  });
}

/** What is kept of a spare code, however it was typed; null for what cannot be one. It is random enough to be hashed once. */
export function spareCodeHash(typed: string): string | null {
  const letters = typed.toLowerCase().replace(/[\s-]/g, '');
  return letters.length === SPARE_LENGTH ? createHash('sha256').update(letters).digest('hex') : null;
}

function totp(secret: string, label = ''): TOTP {
  return new TOTP({ issuer: 'Doceo', label, secret, period: STEP_S, digits: DIGITS });
}
