import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import type { IncomingMessage, OutgoingHttpHeaders, ServerResponse } from 'node:http';
import { extname, join } from 'node:path';

/** A path of the build with a hash in the name; the parts that are put together last have letters of both cases in it. */
const HASHED = /^(?:\/[\w-]+)*\/(?:[\w.-]+-[A-Z0-9]{8}|chunk-[\w-]{8})\.\w+$/;
const TYPES: Readonly<Record<string, string>> = {
  '.js': 'text/javascript; charset=utf-8',
  '.css': 'text/css; charset=utf-8',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.woff2': 'font/woff2',
  '.webmanifest': 'application/manifest+json; charset=utf-8',
  '.bin': 'application/octet-stream',
  '.txt': 'text/plain; charset=utf-8',
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
 * Files of a build, from memory, before anything else looks at a request: a first visit asks for many of them. Those with
 * a hash in their name never change: what was asked for once is there until the server ends, also when a newer build has
 * come. The others, as the worker that keeps the application on a device, are of the build this process started with.
 */
export class BuiltFiles {
  private readonly kept = new Map<string, Answer>();

  /** @param at where the folder is found */
  constructor(
    private readonly folder: string,
    private readonly at: '' | '/my',
  ) {
    if (!existsSync(folder)) return;
    for (const name of readdirSync(folder))
      if (TYPES[extname(name)] && !HASHED.test(`/${name}`))
        for (const [encoding, ending] of [[undefined, ''], ...COPIES] as const)
          this.read(`/${name}`, encoding, ending);
  }

  /** Answers a request for one of the files; false when it is for something else. */
  answer(request: IncomingMessage, response: ServerResponse): boolean {
    const { url = '', method, headers } = request;
    if ((method !== 'GET' && method !== 'HEAD') || !url.startsWith(`${this.at}/`)) return false;
    const [path = ''] = url.slice(this.at.length).split('?');
    const taken = String(headers['accept-encoding'] ?? '');
    const answer =
      COPIES.map(([name, ending]) => (taken.includes(name) ? this.find(path, name, ending) : null)).find(
        Boolean,
      ) ?? this.find(path);
    if (!answer) return false;
    const isThere =
      answer.headers['ETag'] !== undefined && headers['if-none-match'] === answer.headers['ETag'];
    response.writeHead(isThere ? 304 : 200, answer.headers);
    response.end(isThere || method === 'HEAD' ? undefined : answer.bytes);
    return true;
  }

  /** A file or its compressed copy, null where there is none; one with a hash is read when it is asked for first. */
  private find(path: string, encoding?: string, ending = ''): Answer | null {
    return (
      this.kept.get(keyOf(path, ending)) ?? (HASHED.test(path) ? this.read(path, encoding, ending) : null)
    );
  }

  private read(path: string, encoding: string | undefined, ending: string): Answer | null {
    const type = TYPES[extname(path)];
    const from = join(this.folder, path + ending);
    if (!type || !existsSync(from)) return null;
    const bytes = readFileSync(from);
    const headers: OutgoingHttpHeaders = {
      ...HEADERS,
      ...(HASHED.test(path) ? FOR_EVER : askedAnew(bytes)),
      ...{ 'Content-Type': type, 'Content-Length': bytes.length },
      ...(encoding && { 'Content-Encoding': encoding }),
    };
    const answer = { bytes, headers };
    this.kept.set(keyOf(path, ending), answer);
    return answer;
  }
}

/** Never a path: a compressed copy is not found by its own name. */
const keyOf = (path: string, ending: string): string => `${path} ${ending}`;

const HEADERS: OutgoingHttpHeaders = {
  Vary: 'Accept-Encoding',
  'X-Content-Type-Options': 'nosniff',
  'Cross-Origin-Resource-Policy': 'same-origin',
  // For the workers among them, and a picture that is opened by itself.
  'Content-Security-Policy': "default-src 'self'",
};
const FOR_EVER: OutgoingHttpHeaders = { 'Cache-Control': `public, max-age=${365 * 24 * 3600}, immutable` };

function askedAnew(bytes: Buffer): OutgoingHttpHeaders {
  return {
    'Cache-Control': 'no-cache',
    ETag: `"${createHash('sha256').update(bytes).digest('base64url').slice(0, 22)}"`,
  };
}
