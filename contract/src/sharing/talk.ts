import * as z from 'zod';
import { idSchema, instantSchema, textSchema } from '../common';

export const PROPOSAL_STATES = ['open', 'taken', 'declined'] as const;

/** Changes of a copy that its owner would like to see in the origin. */
export const proposalSchema = z.strictObject({
  id: idSchema,
  planId: idSchema,
  planTitle: z.string(),
  authorName: z.string(),
  mine: z.boolean(),
  note: z.string(),
  state: z.enum(PROPOSAL_STATES),
  /** What its answer said. */
  word: z.string(),
  at: instantSchema,
});
export type Proposal = z.infer<typeof proposalSchema>;

export const commentTextSchema = textSchema(1000).refine((text) => text !== '', 'is empty');

export const commentSchema = z.strictObject({
  id: idSchema,
  /** Null where it is of the whole plan, or of a block that is gone. */
  blockId: idSchema.nullable(),
  /** The comment it answers. */
  answers: idSchema.nullable(),
  authorName: z.string(),
  mine: z.boolean(),
  text: z.string(),
  at: instantSchema,
  settled: z.boolean(),
});
export type PlanComment = z.infer<typeof commentSchema>;

const toldSchema = { planId: idSchema, planTitle: z.string(), byName: z.string(), at: instantSchema };

/** Something that happened to a plan of mine. The first three wait for me, the others are told once. */
export const newsItemSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('newer'), ...toldSchema, note: z.string() }),
  z.strictObject({ kind: z.literal('proposal'), ...toldSchema, proposalId: idSchema, note: z.string() }),
  z.strictObject({
    ...{ kind: z.literal('question'), ...toldSchema, commentId: idSchema, text: z.string() },
    blockId: idSchema.nullable(),
  }),
  z.strictObject({ kind: z.literal('reply'), ...toldSchema, commentId: idSchema, text: z.string() }),
  z.strictObject({
    ...{ kind: z.literal('answered'), ...toldSchema, state: z.enum(['taken', 'declined']) },
    word: z.string(),
  }),
]);
export type NewsItem = z.infer<typeof newsItemSchema>;

export const newsSchema = z.strictObject({
  items: z.array(newsItemSchema),
  /** How many wait, or came since the list was last looked at. */
  fresh: z.int(),
});
export type News = z.infer<typeof newsSchema>;
