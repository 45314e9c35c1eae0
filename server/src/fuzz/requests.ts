import { deflateSync, gzipSync } from 'node:zlib';
import { allEndpoints, type Endpoint, jsonSchema } from '@doceo/contract';
import { mutated, textOf } from './mutations';
import { type JsonSchema, pick, type Random, validValue } from './valid-value';

export interface FuzzRequest {
  method: string;
  path: string;
  headers: Record<string, string>;
  body: Buffer | null;
}

const input = (schema: Endpoint['body']): JsonSchema => jsonSchema(schema, 'input') as JsonSchema;
const ROUTES = allEndpoints().map((endpoint) => ({
  endpoint,
  params: input(endpoint.params),
  query: input(endpoint.query),
  body: input((endpoint.describedBody ?? endpoint.body) as Endpoint['body']),
}));

const ODD_PARTS = [
  'x',
  '%00',
  '%',
  '%ff',
  '..%2f',
  '%F0%9F',
  '0',
  'a'.repeat(3000),
  '%ED%A0%80',
  "1'--",
  '*',
];
const ODD_QUERIES = [
  '?a[__proto__]=1',
  '?date=%',
  '?studentId=',
  '?=&&',
  '?a[0][1][2]=3',
  `?x=${'y'.repeat(5000)}`,
];
const ODD_HEADERS: Record<string, string>[] = [
  { 'content-encoding': 'gzip' },
  { 'content-encoding': 'br' },
  { 'content-encoding': 'zip' },
  { 'content-type': 'application/json; charset=utf-16' },
  { 'content-type': 'application/json; charset=nonsense' },
  { 'content-type': 'text/plain' },
  { 'content-type': 'application/json;;;' },
  { 'doceo-user': 'x'.repeat(500) },
  { 'if-none-match': '*' },
  { range: 'bytes=-1' },
  { accept: 'image/*;q=-1' },
  { 'x-http-method-override': 'DELETE' },
  { 'sec-fetch-site': 'cross-site' },
  { origin: 'null' },
  { 'accept-encoding': 'gzip;q=0, *;q=0' },
];

/**
 * One request, valid by the contract or changed from there.
 *
 * @param ids of things that are there
 * @param examples bodies that a route takes, by method and path
 */
export function fuzzRequest(
  random: Random,
  ids: readonly string[],
  examples: Readonly<Record<string, readonly unknown[]>>,
): FuzzRequest {
  const { endpoint, ...schemas } = pick(ROUTES, random);
  const valid = (schema: JsonSchema) => validValue(schema, random, ids);
  const params = valid(schemas.params) as Record<string, string>;
  const odd = (share: number): boolean => random() < share;
  let path = endpoint.path.replace(/:(\w+)/g, (_, name: string) =>
    odd(0.08) ? pick(ODD_PARTS, random) : encodeURIComponent(String(params[name] ?? '')),
  );
  const query = valid(schemas.query) as Record<string, string>;
  if (Object.keys(query).length > 0) path += `?${new URLSearchParams(query)}`;
  if (odd(0.04)) path += pick(ODD_QUERIES, random);
  const known = examples[`${endpoint.method} ${endpoint.path}`] ?? [];
  const takesBody = ['post', 'put'].includes(endpoint.method) || odd(0.05);
  if (!takesBody)
    return { method: endpoint.method, path, headers: odd(0.1) ? pick(ODD_HEADERS, random) : {}, body: null };
  let value = known.length > 0 && odd(0.6) ? structuredClone(pick(known, random)) : valid(schemas.body);
  for (let changes = odd(0.75) ? 1 : 0; changes > 0; changes = odd(0.3) ? 1 : 0)
    value = mutated(value, random);
  let body = Buffer.from(textOf(value));
  const headers: Record<string, string> = { 'content-type': 'application/json' };
  if (odd(0.12)) Object.assign(headers, pick(ODD_HEADERS, random));
  if (odd(0.04)) {
    headers['content-encoding'] = pick(['gzip', 'deflate'], random);
    body = headers['content-encoding'] === 'gzip' ? gzipSync(body) : deflateSync(body);
  }
  if (odd(0.05))
    body = pick([Buffer.from([0xff, 0xfe]), body.subarray(0, body.length >> 1), Buffer.alloc(0)], random);
  if (odd(0.02)) headers['content-length'] = String(Math.max(0, body.length - 3));
  return { method: endpoint.method, path, headers, body };
}
