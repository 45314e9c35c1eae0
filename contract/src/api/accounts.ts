import { okSchema } from '../common';
import {
  accountDeletionSchema,
  accountEffectSchema,
  passwordChangeSchema,
  registerSchema,
  sessionSchema,
  settingsSchema,
  signInSchema,
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
  changePassword: endpoint('put', '/session/password', 'Change the password; ends all other sessions', {
    body: passwordChangeSchema,
    reply: okSchema,
  }),
  signOut: endpoint('delete', '/session', 'Sign out', { access: 'public', reply: okSchema }),
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
    body: accountDeletionSchema,
    reply: okSchema,
  }),
};
