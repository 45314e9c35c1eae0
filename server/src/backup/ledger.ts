import { appendFileSync, existsSync, readFileSync } from 'node:fs';
import type { Logger } from 'pino';
import type { Db } from '../db/pool';
import { type Deletion, findDeletions } from './deletions.sql';

const EVERY_MS = 10_000;
/** So far back it is read again each time: another server may have noted something a little earlier. */
const OVERLAP_MS = 60_000;

/**
 * Writes down, in a file beside the database, who was deleted and whose guardian said no: when the database is lost and a backup is brought back, the
 * file still knows it. One line each, with a hash in the place of a name.
 */
export class Ledger {
  private readonly timer: NodeJS.Timeout;
  private lastMs = 0;

  /** @param path of the file */
  constructor(
    private readonly db: Db,
    private readonly path: string,
    private readonly log: Logger,
  ) {
    this.timer = setInterval(() => void this.write(), EVERY_MS);
    this.timer.unref();
    void this.write();
  }

  /** Adds what the file does not say yet. */
  async write(): Promise<void> {
    try {
      // There from the start, so that whoever brings a backup back finds it also where nobody was ever deleted.
      if (!existsSync(this.path)) appendFileSync(this.path, '', { mode: 0o600 });
      const found = await findDeletions(this.db, new Date(Math.max(0, this.lastMs - OVERLAP_MS)));
      if (found.length === 0) return;
      const known = new Set(existsSync(this.path) ? readFileSync(this.path, 'utf8').split('\n') : []);
      const lines = found.map(toLine).filter((line) => !known.has(line));
      // Whoever deleted somebody is answered by now: it is to be on the disk, not on its way there.
      if (lines.length > 0)
        appendFileSync(this.path, lines.map((line) => `${line}\n`).join(''), { mode: 0o600, flush: true });
      this.lastMs = found.at(-1)?.at.getTime() ?? this.lastMs;
    } catch (error) {
      this.log.warn({ err: error }, 'the list of deletions could not be written');
    }
  }

  /** Writes once more and ends. */
  async close(): Promise<void> {
    clearInterval(this.timer);
    await this.write();
  }
}

function toLine({ at, kind, isGone, hash }: Deletion): string {
  return `${at.toISOString()} ${kind} ${isGone ? 'gone' : 'back'} ${hash}`;
}

const LINE = /^(\S+) (student|account|consent) (gone|back) ([0-9a-f]{64})$/;

/** What a file of deletions says; lines that were written half are left out. */
export function readLedger(text: string): Deletion[] {
  return text.split('\n').flatMap((line) => {
    const [, at, kind, state, hash] = LINE.exec(line) ?? [];
    if (!at || !hash || Number.isNaN(Date.parse(at))) return [];
    return [{ at: new Date(at), kind: kind as Deletion['kind'], isGone: state === 'gone', hash }];
  });
}

/** The last that is said of each. */
export function latest(deletions: readonly Deletion[]): Deletion[] {
  const last = new Map<string, Deletion>();
  for (const one of deletions) {
    const key = `${one.kind} ${one.hash}`;
    if ((last.get(key)?.at.getTime() ?? -1) <= one.at.getTime()) last.set(key, one);
  }
  return [...last.values()];
}
