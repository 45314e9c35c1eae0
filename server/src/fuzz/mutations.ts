import { pick, type Random } from './valid-value';

/** What a body is made of before it is sent: JSON by hand, so that it may also be none. */
type Change = (value: unknown, random: Random) => unknown;

/** Marks where raw text goes that JSON cannot be made to say. */
const RAW = '\u0001raw:';
const raw = (text: string): string => `${RAW}${text}`;

const ODD_VALUES: unknown[] = [
  ...[null, true, 0, -1, 1e308, -1e-320, 2 ** 53, 4_294_967_296, 0.1 + 0.2],
  ...[
    '',
    ' ',
    '\u0000',
    '\ud83c',
    'a\udc00b',
    '\u202e',
    '1e999',
    '__proto__',
    "' OR 1=1 --",
    '<b>',
    '😀'.repeat(200),
  ],
  ...[
    [],
    {},
    [[]],
    { toString: 1 },
    { valueOf: null },
    { length: 1e9 },
    { then: 1 },
    { constructor: { prototype: 1 } },
  ],
  ...[raw('1e999'), raw('-0'), raw('{"__proto__":{"admin":true}}'), raw('{"a":1,"a":2}'), raw('"\\ud800"')],
  'x'.repeat(70_000),
];

const replaced: Change = (_, random) => pick(ODD_VALUES, random);

/** Changes one place of a value, deep inside or at the top. */
export function mutated(value: unknown, random: Random): unknown {
  if (Array.isArray(value)) {
    if (value.length === 0 || random() < 0.2) return pick([...OF_LISTS, replaced], random)(value, random);
    const at = Math.floor(random() * value.length);
    return value.map((entry, i) => (i === at ? mutated(entry, random) : entry));
  }
  if (typeof value === 'object' && value !== null) {
    const keys = Object.keys(value);
    if (keys.length === 0 || random() < 0.15) return pick([...OF_OBJECTS, replaced], random)(value, random);
    const key = pick(keys, random);
    return { ...value, [key]: mutated((value as Record<string, unknown>)[key], random) };
  }
  return replaced(value, random);
}

const OF_LISTS: Change[] = [
  (value) => [...(value as unknown[]), ...(value as unknown[])],
  (value) => Array.from({ length: 300 }, () => (value as unknown[])[0] ?? null),
  (value) => ({ ...(value as unknown[]) }),
  () => nested(400),
];
const OF_OBJECTS: Change[] = [
  (value) => ({ ...(value as object), extra: 1 }),
  (value, random) => {
    const left = Object.entries(value as object);
    left.splice(Math.floor(random() * left.length), 1);
    return Object.fromEntries(left);
  },
  (value) => [value],
  (value) => ({ ...(value as object), constructor: 1, hasOwnProperty: 1 }),
  (value) =>
    Object.fromEntries(Object.entries(value as object).map(([key, entry]) => [key.toUpperCase(), entry])),
  (value) => ({ ...(value as object), '\ud800': 1 }),
];

function nested(depth: number): unknown {
  let value: unknown = 1;
  for (let i = 0; i < depth; i++) value = [value];
  return value;
}

/** The text of a body; what was marked as raw stands in it as it is. */
export function textOf(value: unknown): string {
  return (JSON.stringify(value) ?? '').replace(
    new RegExp(`"${RAW.replace('\u0001', '\\\\u0001')}((?:[^"\\\\]|\\\\.)*)"`, 'g'),
    (_, text: string) => JSON.parse(`"${text}"`),
  );
}
