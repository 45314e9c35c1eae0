/** How somebody stands to a thing. `keeper` is the one it belongs to; the other three come from a circle it is shared with. */
export type Standing =
  | 'keeper'
  | 'circle-owner'
  | 'circle-editor'
  | 'circle-reader'
  /** Helps in a lesson without an account. */
  | 'assistant'
  /** Was given a student's record, or teaches along in a lesson. */
  | 'fellow'
  /** Wrote it: a comment, or a proposal to somebody else's plan. */
  | 'author'
  /** Has a lesson at a water, or uses what is shared in another way than by a circle. */
  | 'guest'
  /** Has the token of a link, and needs no account. */
  | 'holder'
  /** Answered for a student on this device, by a name that is the guardian's. */
  | 'guardian';

const CIRCLE = ['circle-owner', 'circle-editor', 'circle-reader'] as const;
const EVERYBODY_AROUND = ['keeper', ...CIRCLE] as const;

/**
 * Who may do what, by kind of thing and act: the one table that every route asks. Who may not `see` a thing is told that
 * there is none.
 */
export const RIGHTS = {
  water: {
    see: [...EVERYBODY_AROUND, 'guest'],
    draw: ['keeper', 'circle-owner', 'circle-editor'],
    log: ['keeper', 'circle-owner', 'circle-editor'],
    'check-rules': ['keeper', 'circle-owner', 'circle-editor'],
    'strike-any-reading': ['keeper', 'circle-owner'],
    share: ['keeper'],
    give: ['keeper'],
    remove: ['keeper'],
  },
  plan: {
    see: [...EVERYBODY_AROUND],
    change: ['keeper'],
    remove: ['keeper'],
    share: ['keeper'],
    'take-out': ['keeper', 'circle-owner'],
    comment: [...EVERYBODY_AROUND],
    /** Versions, and what comes from elsewhere. */
    'go-on': ['keeper'],
  },
  proposal: { see: ['keeper', 'author'], answer: ['keeper'], withdraw: ['author'] },
  comment: {
    see: [...EVERYBODY_AROUND, 'author'],
    settle: ['keeper', 'author'],
    remove: ['keeper', 'author'],
  },
  link: { see: ['keeper'], revoke: ['keeper'], open: ['holder'] },
  student: {
    see: ['keeper', 'fellow'],
    export: ['keeper', 'fellow'],
    change: ['keeper'],
    remove: ['keeper'],
    'see-access-log': ['keeper'],
    give: ['keeper'],
    'hand-over': ['keeper'],
    'ask-guardian': ['keeper'],
    /** Links to his page, and what comes back from there. */
    'give-page': ['keeper'],
  },
  /** What a guardian is asked; the link alone may end a consent, and tells nothing of the record. */
  consent: {
    see: ['holder', 'guardian'],
    answer: ['holder', 'guardian'],
    'take-back': ['holder', 'guardian'],
    have: ['guardian'],
  },
  /** A student's own page, by its link. */
  page: { see: ['holder'] },
  /** Helping in a lesson, by its code. */
  assistance: { see: ['holder'] },
  lesson: {
    see: ['keeper', 'fellow', 'assistant'],
    change: ['keeper'],
    remove: ['keeper'],
    /** Teach along no more. */
    leave: ['fellow'],
  },
  course: { see: ['keeper'], change: ['keeper'], remove: ['keeper'] },
  rig: { see: ['keeper'], change: ['keeper'], remove: ['keeper'] },
  reading: { see: ['keeper'], remove: ['keeper'] },
  circle: {
    see: [...CIRCLE],
    leave: [...CIRCLE],
    'share-into': ['circle-owner', 'circle-editor'],
    'change-teaching': ['circle-owner', 'circle-editor'],
    govern: ['circle-owner'],
  },
} as const satisfies Record<string, { see: readonly Standing[] } & Record<string, readonly Standing[]>>;

export type Kind = keyof typeof RIGHTS;
export type Act<K extends Kind = Kind> = K extends Kind ? keyof (typeof RIGHTS)[K] & string : never;

/** Whether one of these standings allows an act. */
export function allows<K extends Kind>(kind: K, act: Act<K>, standings: readonly Standing[]): boolean {
  const allowed = RIGHTS[kind][act as keyof (typeof RIGHTS)[K]] as readonly Standing[];
  return standings.some((standing) => allowed.includes(standing));
}
