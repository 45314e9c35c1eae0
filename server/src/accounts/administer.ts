import { randomBytes, randomUUID } from 'node:crypto';
import type { Pool } from '../db/pool';
import { endSessions } from '../http/sessions';
import { hashPassword } from '../session/passwords';
import { endSecondFactor } from '../session/second-factor.sql';
import {
  findUserByEmail,
  insertUser,
  updateAdmin,
  updateBlocked,
  updatePassword,
} from '../session/users.sql';
import { removeAccount } from './remove-account';

export const USAGE = `npm run -s account -- ACT EMAIL [NAME]
  make EMAIL NAME   a new account, with a password that is shown once
  reset EMAIL       a new password, shown once; ends all sessions
  block EMAIL       closes the account and ends its sessions; its data stay
  open EMAIL        opens it again
  admin EMAIL       may do what concerns the whole installation
  member EMAIL      may no longer
  one-step EMAIL    asks for no code of a phone any more, for who lost phone and spare codes
  delete EMAIL      deletes it, as its owner could`;

/**
 * What an administrator does with an account, from the command line of the installation.
 *
 * @returns what to tell
 * @throws Error that says why not
 */
export async function administer(
  pool: Pool,
  act: string,
  email: string,
  rest: readonly string[] = [],
): Promise<string> {
  const user = await findUserByEmail(pool, email);
  const password = randomBytes(12).toString('base64url');
  if (act === 'make') {
    const name = rest.join(' ').trim();
    if (name === '' || name.length > 80) throw new Error('Give the name of the person, up to 80 characters.');
    const passwordHash = await hashPassword(password);
    if (!(await insertUser(pool, { id: randomUUID(), email, name, passwordHash })))
      throw new Error(`${email} has an account already.`);
    return `${name} can sign in with ${email} and the password ${password}`;
  }
  if (!user) throw new Error(`${email} has no account.`);
  switch (act) {
    case 'reset':
      await updatePassword(pool, user.id, await hashPassword(password));
      await endSessions(pool, user.id);
      return `${email} can sign in with the password ${password}`;
    case 'block':
      await updateBlocked(pool, user.id, true);
      await endSessions(pool, user.id);
      return `${email} is closed.`;
    case 'open':
      await updateBlocked(pool, user.id, false);
      return `${email} is open.`;
    case 'admin':
    case 'member':
      await updateAdmin(pool, user.id, act === 'admin');
      return `${email} is ${act === 'admin' ? 'an administrator' : 'no administrator'}.`;
    case 'one-step':
      await endSecondFactor(pool, user.id);
      return `${email} can sign in with the password alone.`;
    case 'delete':
      await removeAccount(pool, user.id);
      return `${email} is deleted.`;
    default:
      throw new Error(USAGE);
  }
}
