import { createHmac } from 'node:crypto';
import { DateTime } from 'luxon';
import type { Pool } from '../db/pool';
import { keepInvitationToken } from '../circles/offers.sql';
import { keepConsentToken } from '../consents/consents.sql';
import { deleteAskedAccount, keepAskedToken } from '../session/asked-accounts.sql';
import { keepPasswordLink, LINK_MINUTES } from '../session/password-links.sql';
import { findUserByEmail } from '../session/users.sql';
import type { Letter, LetterKind, QueuedLetter } from './letter';

/** What letters are written with. */
export interface Desk {
  pool: Pool;
  /** Where the application is found, without a slash at the end. */
  address: () => string;
  /** From it the token of a link is made, so that a letter that is tried twice says the same twice. */
  secret: string;
}

type Writer = (desk: Desk, letter: QueuedLetter, name: string) => Promise<string | null> | string | null;

/** The words of each kind, with their subject. A person without an account gets none, unless it says so. */
const WRITERS: Record<LetterKind, { subject: string; write: Writer }> = {
  'lost-password': {
    subject: 'A new password for Doceo',
    write: async (desk, letter, name) => {
      const user = await findUserByEmail(desk.pool, letter.address);
      if (!user || user.blocked) return null;
      const token = tokenOf(desk.secret, letter.id);
      if (!(await keepPasswordLink(desk.pool, user.id, token, letter.queuedAt))) return null;
      return `${greeting(name)}

somebody, you it is hoped, asked for a new password on ${told(letter.queuedAt)}. Here you choose it:

${desk.address()}/lost#${token}

The link works once, for ${LINK_MINUTES} minutes from now, and only the newest one works.
If it was not you, do nothing: your password stays as it is.`;
    },
  },
  'confirm-account': {
    subject: 'Your account at Doceo',
    write: async (desk, letter, name) => {
      const askedId = String(letter.facts['askedId']);
      if (name !== '') {
        await deleteAskedAccount(desk.pool, askedId);
        return againText(desk, name);
      }
      const token = tokenOf(desk.secret, letter.id);
      if (!(await keepAskedToken(desk.pool, askedId, token))) return null;
      return `${greeting('')}

an account was asked for with this address. Open this link, and it is made:

${desk.address()}/welcome#${token}

The link works for two days. If it was not you, do nothing: then there will be none.`;
    },
  },
  registered: {
    subject: 'Your account at Doceo',
    write: (desk, { facts }, name) =>
      facts['again'] === true
        ? againText(desk, name)
        : `${greeting(name)}

an account was made with this address on ${desk.address()}.
If it was not you, ask for a new password where you sign in: then it is yours, and you can delete it.`,
  },
  invitation: {
    subject: 'A circle asks you to join',
    write: async (desk, letter, name) => {
      const token = tokenOf(desk.secret, letter.id);
      const circleId = String(letter.facts['circleId']);
      const offer = await keepInvitationToken(desk.pool, circleId, letter.address, token);
      return (
        offer &&
        `${greeting(name)}

${offer.invitedBy || 'somebody'} asks you to join “${offer.circleName}” on Doceo as ${offer.role}.
In a circle instructors share lesson plans; records of students never go there. Here you say yes or no:

${desk.address()}/join#${token}

You need an account with this address; make one there if you have none.`
      );
    },
  },
  'consent-asked': {
    subject: 'May a record be kept?',
    write: async (desk, letter) => {
      const token = tokenOf(desk.secret, letter.id);
      const asked = await keepConsentToken(desk.pool, String(letter.facts['consentId']), token);
      return (
        asked &&
        `${greeting('')}

${asked.instructor} teaches ${asked.studentName} to fish with the fly, and asks you as the guardian whether a record of
the lessons may be kept. What would be kept, for how long and who sees it stands here; there you say yes or no:

${desk.address()}/consent#${token}

Keep this letter: by the same link you can take your word back whenever you like. Do not pass it on; whoever has it can
answer for you.`
      );
    },
  },
  'consent-taken-back': {
    subject: 'A consent was taken back',
    write: (desk, letter, name) =>
      `${greeting(name)}

on ${told(letter.queuedAt)} a guardian took back what allows you to keep a record of a student. From now on nothing is
recorded; what a device logs without a connection is set aside when it comes back. Which student it is stands here:

${desk.address()}/record/${String(letter.facts['studentId'])}`,
  },
  'record-removed': {
    subject: 'A record was deleted by a guardian',
    write: (desk, letter, name) =>
      `${greeting(name)}

on ${told(letter.queuedAt)} a guardian had the record of a student of yours deleted, with everything about the student.
Your devices drop it when they next connect. Who is left stands here:

${desk.address()}/record`,
  },
  'password-changed': notice(
    'Your password was changed',
    'the password of your account was changed, and all other sign-ins were ended.',
  ),
  'second-factor-on': notice(
    'Your account asks for a code now',
    'your account asks for a code of your phone beside the password from now on. Keep the spare codes where you find them without the phone.',
  ),
  'second-factor-off': notice(
    'Your account asks for no code any more',
    'your account is opened by its password alone again.',
  ),
  'spare-code-used': notice(
    'A spare code was used',
    'somebody signed in to your account with one of its spare codes. Each works once; new ones are made where the second step is set up.',
  ),
};

/** The words of a letter; null when there is nobody to read them. */
export async function writeLetter(desk: Desk, letter: QueuedLetter): Promise<Letter | null> {
  const writer = WRITERS[letter.kind] as (typeof WRITERS)[LetterKind] | undefined;
  if (!writer) return null;
  const name = (await findUserByEmail(desk.pool, letter.address))?.name ?? '';
  const text = await writer.write(desk, letter, name);
  return text === null ? null : { subject: writer.subject, text: `${text}\n\nDoceo, ${desk.address()}\n` };
}

function notice(subject: string, what: string): { subject: string; write: Writer } {
  return {
    subject,
    write: (_desk, letter, name) => `${greeting(name)}

on ${told(letter.queuedAt)} ${what}
If it was not you, ask for a new password where you sign in, at once.`,
  };
}

function againText(desk: Desk, name: string): string {
  return `${greeting(name)}

an account was asked for with this address on ${desk.address()}. You have one already; it stays as it is.
If you do not know its password any more, ask for a new one where you sign in.`;
}

function greeting(name: string): string {
  return name === '' ? 'Good day,' : `Dear ${name},`;
}

/** In the one time zone that is nobody's and everybody's: a server does not know where its reader is. */
function told(at: Date): string {
  return `${DateTime.fromJSDate(at).toUTC().toFormat('d LLLL yyyy, HH:mm')} (UTC)`;
}

/** 128 bits that nobody finds without the secret, and that are the same whenever the letter is written again. */
function tokenOf(secret: string, letterId: string): string {
  return createHmac('sha256', secret)
    .update(`letter/${letterId}`)
    .digest()
    .subarray(0, 16)
    .toString('base64url');
}
