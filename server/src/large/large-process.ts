import type { ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import { Turns } from '../db/turns';
import { HttpError } from '../http/errors';
import type { Settings } from '../settings';
import { forkBehind } from './fork-behind';
import { passOn } from './pass-on';

/** So many large requests are worked on at a time: each may take some hundred megabytes. */
const AT_ONCE = 4;
/** Longer nobody waits for his turn, milliseconds. */
const MAX_WAIT_MS = 60_000;

/** After so long without a request it ends, and gives its memory back, milliseconds. */
const REST_MS = 15_000;

/** What the process is told when it starts. */
export interface LargeTask {
  settings: Settings;
  /** The socket on which it listens; nobody else than this user can open it. */
  socket: string;
}

interface Running {
  child: ChildProcess;
  /** The socket, as soon as he listens. */
  listening: Promise<string>;
}

/**
 * Answers large requests in a process of its own: a second application on the same database, to which they are passed on.
 * It starts with the first one and ends when none has come for a while. When it dies, as of one that needs more memory
 * than there is, those on it are told to try again, and the next request starts another.
 */
export class LargeProcess {
  private readonly turns = new Turns(AT_ONCE);
  private readonly folder = mkdtempSync(join(tmpdir(), 'doceo-'));
  private running: Running | null = null;
  private starts = 0;
  private working = 0;
  private resting: NodeJS.Timeout | undefined;

  /**
   * @param settings with the root below which `dist/large.mjs` lies
   * @param restMs after so long without a request it ends
   */
  constructor(
    private readonly settings: Settings,
    private readonly log: Logger,
    private readonly restMs = REST_MS,
  ) {}

  readonly answer: RequestHandler = (request, response, next) => {
    this.inTurn(async () => passOn(request, response, await this.socket())).catch(next);
  };

  /** Ends the process; call it when no request is left. */
  close(): void {
    clearTimeout(this.resting);
    this.end();
    rmSync(this.folder, { recursive: true, force: true });
  }

  private async inTurn(work: () => Promise<void>): Promise<void> {
    if (!(await this.turns.take(false, MAX_WAIT_MS))) throw new HttpError('unavailable');
    clearTimeout(this.resting);
    this.working += 1;
    try {
      await work();
    } finally {
      this.working -= 1;
      if (this.working === 0) this.resting = setTimeout(() => this.end(), this.restMs).unref();
      this.turns.giveBack();
    }
  }

  private end(): void {
    this.running?.child.kill('SIGKILL');
    this.running = null;
  }

  private socket(): Promise<string> {
    this.running ??= this.start();
    return this.running.listening;
  }

  private start(): Running {
    const socket = join(this.folder, `${(this.starts += 1)}.sock`);
    const child = forkBehind(this.settings.DOCEO_ROOT, 'large');
    const listening = new Promise<string>((resolve, reject) => {
      const gone = (why: object): void => {
        if (this.running?.child === child) {
          this.log.error(why, 'the process of large requests ended');
          this.running = null;
        }
        reject(new HttpError('unavailable'));
      };
      child.once('message', () => resolve(socket));
      child.once('error', (err) => gone({ err }));
      child.once('exit', (code, signal) => gone({ code, signal }));
    });
    child.send({ settings: this.settings, socket } satisfies LargeTask);
    return { child, listening };
  }
}
