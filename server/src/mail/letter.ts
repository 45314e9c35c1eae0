/** What is written to people. */
export type LetterKind =
  /** Somebody said that he lost his password. */
  | 'lost-password'
  /** An account was asked for with this address; it is made when the link is opened. */
  | 'confirm-account'
  /** The same where letters prove nothing: it was made, or there is one. */
  | 'registered'
  /** A circle asks an address to join. */
  | 'invitation'
  /** A guardian is asked whether a record may be kept. */
  | 'consent-asked'
  /** Told to the instructor: from now on nothing is recorded. */
  | 'consent-taken-back'
  | 'record-removed'
  /** Told to the owner, so that nothing of it happens behind his back. */
  | 'password-changed'
  | 'second-factor-on'
  | 'second-factor-off'
  | 'spare-code-used';

/** What a letter needs beside its address. */
export type Facts = Record<string, string | boolean>;

export interface Letter {
  subject: string;
  text: string;
}

/** A letter that waits. */
export interface QueuedLetter {
  id: string;
  kind: LetterKind;
  address: string;
  facts: Facts;
  queuedAt: Date;
  tries: number;
}
