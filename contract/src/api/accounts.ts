import * as z from 'zod';
import { okSchema } from '../common';
import { accountFileSchema } from '../people/account-file';
import {
  accountEffectSchema,
  codeOnlySchema,
  letterTokenBodySchema,
  lostPasswordOfSchema,
  lostPasswordSchema,
  newPasswordSchema,
  passwordChangeSchema,
  passwordOnlySchema,
  registerSchema,
  secondFactorEndSchema,
  secondFactorOfferSchema,
  secondFactorSchema,
  sessionSchema,
  settingsSchema,
  signInPlaceSchema,
  signInSchema,
  spareCodesSchema,
  standInMailSchema,
} from '../people/session';
import { endpoint } from './endpoint';

/** Signing in and out. */
export const sessionApi = {
  get: endpoint('get', '/session', 'Who is signed in', { access: 'public', reply: sessionSchema }),
  signIn: endpoint('post', '/session', 'Sign in', {
    access: 'public',
    body: signInSchema,
    reply: sessionSchema,
  }),
  register: endpoint(
    'post',
    '/session/register',
    'Make an account; the answer is the same when the address has one',
    {
      access: 'public',
      body: registerSchema,
      reply: okSchema,
    },
  ),
  confirm: endpoint('post', '/session/confirm', 'Make the account that a letter is about', {
    access: 'public',
    body: letterTokenBodySchema,
    reply: z.strictObject({ email: z.string() }),
  }),
  changePassword: endpoint('put', '/session/password', 'Change the password; ends all other sessions', {
    body: passwordChangeSchema,
    reply: okSchema,
  }),
  signOut: endpoint('delete', '/session', 'Sign out', { access: 'public', reply: okSchema }),
  lost: endpoint(
    'post',
    '/session/lost',
    'Ask for a letter with a link to a new password; the answer is the same for every address',
    { access: 'public', body: lostPasswordSchema, reply: okSchema },
  ),
  lostLink: endpoint('post', '/session/lost/link', 'Whose password a link of such a letter replaces', {
    access: 'public',
    body: letterTokenBodySchema,
    reply: lostPasswordOfSchema,
  }),
  lostAnswer: endpoint('put', '/session/lost', 'A new password by the link of a letter; ends all sessions', {
    access: 'public',
    body: newPasswordSchema,
    reply: okSchema,
  }),
  settings: endpoint('put', '/session/settings', 'Keep units and bank layout', {
    body: settingsSchema,
    reply: settingsSchema,
  }),
};

/** My account. */
export const accountApi = {
  deletionPreview: endpoint(
    'get',
    '/account/deletion-preview',
    'What goes and what stays when I delete my account',
    {
      reply: accountEffectSchema,
    },
  ),
  remove: endpoint('post', '/account/removal', 'Delete my account', {
    body: passwordOnlySchema,
    reply: okSchema,
  }),
  file: endpoint('post', '/account/file', 'Everything that is mine, in one file', {
    body: passwordOnlySchema,
    reply: accountFileSchema,
    slow: true,
  }),
  signIns: endpoint('get', '/account/sign-ins', 'Where I am signed in', {
    reply: z.array(signInPlaceSchema),
  }),
  endSignIn: endpoint('delete', '/account/sign-ins/:id', 'End a sign-in', {
    params: z.strictObject({ id: z.string().regex(/^[0-9a-f]{32}$/) }),
    reply: z.array(signInPlaceSchema),
  }),
  endOtherSignIns: endpoint('delete', '/account/sign-ins', 'End all sign-ins but this one', {
    reply: z.array(signInPlaceSchema),
  }),
  secondFactor: endpoint('get', '/account/second-factor', 'Whether signing in asks for a code too', {
    reply: secondFactorSchema,
  }),
  offerSecondFactor: endpoint('post', '/account/second-factor', 'A secret for my phone', {
    body: passwordOnlySchema,
    reply: secondFactorOfferSchema,
  }),
  beginSecondFactor: endpoint('put', '/account/second-factor', 'The first code of the phone turns it on', {
    body: codeOnlySchema,
    reply: spareCodesSchema,
  }),
  endSecondFactor: endpoint(
    'post',
    '/account/second-factor/end',
    'The password alone opens the account again',
    {
      body: secondFactorEndSchema,
      reply: okSchema,
    },
  ),
};

/** The mailbox that ships with the demo. */
export const mailboxApi = {
  list: endpoint('get', '/mailbox', 'Letters that the demo would have sent, latest first', {
    access: 'public',
    reply: z.array(standInMailSchema),
  }),
};
