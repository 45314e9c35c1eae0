import { existsSync, readFileSync } from 'node:fs';
import type { IncomingMessage, OutgoingHttpHeaders, ServerResponse } from 'node:http';
import { join } from 'node:path';

/** A path of the build with a hash in the name, and its ending. */
const HASHED = /^(?:\/[\w-]+)*\/[\w.-]+-[A-Z0-9]{8}\.(\w+)$/;
const TYPES: Readonly<Record<string, string>> = {
  js: 'text/javascript; charset=utf-8',
  css: 'text/css; charset=utf-8',
  svg: 'image/svg+xml',
  png: 'image/png',
  woff2: 'font/woff2',
  bin: 'application/octet-stream',
};
/** Compressed copies beside a file, the smallest first: name, as browsers say it, and ending. */
const COPIES = [
  ['br', '.br'],
  ['gzip', '.gz'],
] as const;

interface Answer {
  headers: OutgoingHttpHeaders;
  bytes: Buffer;
}

/**
 * Files of a build with a hash in their name, from memory, before anything else looks at a request: a first visit asks for
 * two hundred of them. What was asked for once is there until the server ends, also when a newer build has come.
 */
export class HashedFiles {
  private readonly kept = new Map<string, Answer>();

  /** @param at where the folder is found */
  constructor(
    private readonly folder: string,
    private readonly at: '' | '/my',
  ) {}

  /** Answers a request for one of the files; false when it is for something else. */
  answer(request: IncomingMessage, response: ServerResponse): boolean {
    const { url = '', method, headers } = request;
    if ((method !== 'GET' && method !== 'HEAD') || headers.range || !url.startsWith(`${this.at}/`))
      return false;
    const path = url.slice(this.at.length);
    const taken = String(headers['accept-encoding'] ?? '');
    const answer =
      COPIES.map(([name, ending]) => (taken.includes(name) ? this.find(path, name, ending) : null)).find(
        Boolean,
      ) ?? this.find(path);
    if (!answer) return false;
    response.writeHead(200, answer.headers);
    response.end(method === 'HEAD' ? undefined : answer.bytes);
    return true;
  }

  /** A file or its compressed copy, null where there is none; read once. */
  private find(path: string, encoding?: string, ending = ''): Answer | null {
    const type = TYPES[HASHED.exec(path)?.[1] ?? ''];
    if (!type) return null;
    const file = path + ending;
    const known = this.kept.get(file);
    if (known) return known;
    const from = join(this.folder, file);
    if (!existsSync(from)) return null;
    const bytes = readFileSync(from);
    const answer = { bytes, headers: { ...HEADERS, 'Content-Type': type, 'Content-Length': bytes.length } };
    if (encoding) Object.assign(answer.headers, { 'Content-Encoding': encoding });
    this.kept.set(file, answer);
    return answer;
  }
}

const HEADERS: OutgoingHttpHeaders = {
  'Cache-Control': `public, max-age=${365 * 24 * 3600}, immutable`,
  Vary: 'Accept-Encoding',
  'X-Content-Type-Options': 'nosniff',
  'Cross-Origin-Resource-Policy': 'same-origin',
};
