import type { Db } from '../db/pool';
import { HttpError } from '../http/errors';
import type { UserRow } from '../session/users.sql';
import { type Act, allows, type Kind, type Standing } from './rights';
import { findHolding, findStandings, type HeldKind, type Holding } from './standings.sql';

/** What a route asks before it does anything. Its input is what the call brings. */
export type Rule<Input> =
  /** Strangers too. */
  | 'anybody'
  /** Whoever is signed in: lists and new things of one's own. */
  | 'signed-in'
  /** Who runs the installation. */
  | 'admin'
  | ThingRule<Input>
  | HolderRule<Input>;

interface ThingRule<Input> {
  kind: Kind;
  act: string;
  id: (input: Input) => string;
}

/** Who holds the token of a link may do something by it, with an account or without. */
interface HolderRule<Input> {
  held: HeldKind;
  act: string;
  bringing: (input: Input) => Holding;
}

/** Asks for the token of a link that is open. */
export const HOLDS_LINK: HolderRule<{ body: { token: string } }> = {
  held: 'link',
  act: 'open',
  bringing: ({ body }) => ({ token: body.token, key: null }),
};

/** Asks for the token of a link to a student's page that is open. */
export const HOLDS_PAGE: HolderRule<{ body: { token: string } }> = {
  held: 'page',
  act: 'see',
  bringing: ({ body }) => ({ token: body.token, key: null }),
};

/** Asks for the token of a code by which one helps in a lesson that is not over. */
export const HOLDS_ASSIST: HolderRule<{ body: { token: string } }> = {
  held: 'assistance',
  act: 'see',
  bringing: ({ body }) => ({ token: body.token, key: null }),
};

/** Asks for the token of what a guardian was asked, and for some acts for the key of the device that answered. */
export function holdsConsent(act: Act<'consent'>): HolderRule<{ body: Holding }> {
  return { held: 'consent', act, bringing: ({ body }) => body };
}

/** Whether a rule lets nobody in who is not signed in. */
export function needsSession<Input>(rule: Rule<Input>): boolean {
  return rule !== 'anybody' && !(typeof rule === 'object' && 'held' in rule);
}

interface ById {
  params: { id: string };
}

/** Asks for the right to do something with the thing whose id is in the path. */
export function may<K extends Kind>(act: Act<K>, kind: K): ThingRule<ById> {
  return { kind, act, id: ({ params }) => params.id };
}

/** @throws HttpError 'not-found' when the user may not even see the thing, 'forbidden' when he may not do this */
export async function refuseUnlessAllowed<Input>(
  db: Db,
  rule: Rule<Input>,
  user: UserRow | null,
  input: Input,
): Promise<void> {
  if (rule === 'anybody') return;
  if (typeof rule === 'object' && 'held' in rule) {
    const standings = await findHolding(db, rule.held, rule.bringing(input));
    if (standings.length === 0)
      throw new HttpError('not-found', [], 'There is no such link. Ask whoever sent it for all of it.');
    if (!allows(rule.held, rule.act as never, standings))
      throw new HttpError(
        'forbidden',
        [],
        'That is for the device which answered, once it is known whose it is.',
      );
    return;
  }
  if (!user) throw new HttpError('signed-out');
  if (rule === 'signed-in') return;
  if (rule === 'admin') {
    if (!user.admin)
      throw new HttpError('forbidden', [], 'Only an administrator of this installation may do that.');
    return;
  }
  await refuseUnless(db, user.id, rule.act as never, rule.kind, rule.id(input));
}

/** The same for a thing that is named in the body of a call. */
export async function refuseUnless<K extends Kind>(
  db: Db,
  userId: string,
  act: Act<K>,
  kind: K,
  id: string,
): Promise<readonly Standing[]> {
  const standings = await findStandings(db, kind, id, userId);
  if (!allows(kind, 'see' as Act<K>, standings)) throw new HttpError('not-found');
  if (!allows(kind, act, standings)) throw new HttpError('forbidden', [], forbidden(kind, standings));
  return standings;
}

/** Whether the user may do something with a thing. */
export async function isAllowed<K extends Kind>(
  db: Db,
  userId: string,
  act: Act<K>,
  kind: K,
  id: string,
): Promise<boolean> {
  return allows(kind, act, await findStandings(db, kind, id, userId));
}

function forbidden(kind: Kind, standings: readonly Standing[]): string | undefined {
  if (kind === 'plan') return 'It belongs to somebody else. Take a copy to change it.';
  if (kind === 'circle') return 'Your role in the circle does not allow that.';
  if (kind === 'water')
    return standings.includes('circle-reader')
      ? 'You are a reader in this circle: its waters are for editors and owners to change.'
      : 'You may see this water, and not change it.';
  return undefined;
}
