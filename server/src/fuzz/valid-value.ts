import { randomUUID } from 'node:crypto';

/** The parts of JSON Schema that the contracts come to. */
export interface JsonSchema {
  type?: string | string[];
  enum?: unknown[];
  const?: unknown;
  anyOf?: JsonSchema[];
  oneOf?: JsonSchema[];
  allOf?: JsonSchema[];
  properties?: Record<string, JsonSchema>;
  required?: string[];
  additionalProperties?: JsonSchema | boolean;
  propertyNames?: JsonSchema;
  items?: JsonSchema;
  minItems?: number;
  maxItems?: number;
  minLength?: number;
  maxLength?: number;
  minimum?: number;
  maximum?: number;
  multipleOf?: number;
  format?: string;
  pattern?: string;
}

export type Random = () => number;

const WORDS = [
  'Ford Pool',
  'casting.pause',
  '03-15',
  'Europe/Copenhagen',
  'a',
  'Ø 🎣',
  'x@example.org',
  '12',
];
const MAX_ITEMS = 3;

export function pick<T>(list: readonly T[], random: Random): T {
  return list[Math.floor(random() * list.length)] as T;
}

/**
 * A value that a schema takes, but for rules between its fields.
 *
 * @param ids what ids are mostly chosen from, so that they name something
 */
export function validValue(schema: JsonSchema, random: Random, ids: readonly string[]): unknown {
  const inner = (part: JsonSchema): unknown => validValue(part, random, ids);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return pick(schema.enum, random);
  const options = schema.anyOf ?? schema.oneOf;
  if (options) return inner(pick(options, random));
  if (schema.allOf) return inner(Object.assign({}, ...schema.allOf) as JsonSchema);
  switch (Array.isArray(schema.type) ? pick(schema.type, random) : schema.type) {
    case 'object':
      return objectOf(schema, random, inner);
    case 'array': {
      const least = schema.minItems ?? 0;
      const most = Math.max(least, Math.min(schema.maxItems ?? MAX_ITEMS, MAX_ITEMS));
      return Array.from({ length: least + Math.floor(random() * (most - least + 1)) }, () =>
        inner(schema.items ?? {}),
      );
    }
    case 'integer':
      return Math.round(numberOf(schema, random, 1));
    case 'number':
      return numberOf(schema, random, 0);
    case 'boolean':
      return random() < 0.5;
    case 'null':
      return null;
    case 'string':
      return stringOf(schema, random, ids);
    default:
      return pick([null, 1, 'text', [], {}], random);
  }
}

function objectOf(schema: JsonSchema, random: Random, inner: (part: JsonSchema) => unknown): object {
  const made: Record<string, unknown> = {};
  for (const [name, part] of Object.entries(schema.properties ?? {}))
    if (schema.required?.includes(name) || random() < 0.6) made[name] = inner(part);
  if (typeof schema.additionalProperties === 'object')
    made[String(inner(schema.propertyNames ?? { type: 'string' }))] = inner(schema.additionalProperties);
  return made;
}

function numberOf(
  { minimum = -1000, maximum = 1000, multipleOf }: JsonSchema,
  random: Random,
  step: number,
): number {
  const [low, high] = [Math.max(minimum, -1e15), Math.min(maximum, 1e15)];
  const value = pick([low, high, low + random() * (high - low)], random);
  const by = multipleOf ?? step;
  return by > 0 ? Math.min(high, Math.max(low, Math.round(value / by) * by)) : value;
}

function stringOf(
  { format, pattern, minLength = 0, maxLength = 40 }: JsonSchema,
  random: Random,
  ids: readonly string[],
): string {
  if (format === 'uuid') return random() < 0.7 && ids.length > 0 ? pick(ids, random) : randomUUID();
  if (format === 'email') return `somebody${Math.floor(random() * 50)}@example.org`;
  if (format === 'date') return pick(['2026-06-10', '2026-02-28', '1999-12-31'], random);
  if (format === 'date-time') return pick(['2026-06-10T09:30:00Z', '2027-01-01T00:00:00.000Z'], random);
  const fits = (text: string): boolean =>
    text.length >= minLength && text.length <= maxLength && (!pattern || new RegExp(pattern, 'u').test(text));
  const found = WORDS.filter(fits);
  return found.length > 0 ? pick(found, random) : 'x'.repeat(Math.max(minLength, 1));
}
