import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';

const BATCHES_A_SECOND = 50;
const ENTRIES = 4;
/** One batch of so many is sent twice at once, as by a device that believes the first lost. */
const TWICE = 10;
/** A device waits so long before it sends again, twice as long each time, up to the longest, milliseconds. */
const AGAIN_MS = 250;
const LONGEST_MS = 4000;

/** Devices that log, through what shares requests out; each sends a batch again until it is taken. */
export class EventLoad {
  /** Ids of entries that were said to be taken. */
  taken = [];
  /** How often each answer came; 0 for none. */
  answers = new Map();
  sending = new Set();
  #over = false;

  constructor(origin, cookie, places) {
    this.origin = origin;
    this.cookie = cookie;
    this.places = places;
  }

  begin() {
    this.running = this.#run();
  }

  /** Resolves when all that was begun is taken. */
  async end() {
    this.#over = true;
    await this.running;
    await Promise.all(this.sending);
  }

  async #run() {
    const from = performance.now();
    for (let i = 0; !this.#over; i++) {
      await pause(Math.max(0, from + (i * 1000) / BATCHES_A_SECOND - performance.now()));
      const one = this.#deliver(i);
      this.sending.add(one);
      void one.finally(() => this.sending.delete(one));
    }
  }

  async #deliver(number) {
    const place = this.places[number % this.places.length];
    const events = Array.from({ length: ENTRIES }, () => ({
      ...{ id: randomUUID(), ...place, blockId: null, deviceId: randomUUID(), atMs: Date.now() },
      body: { kind: 'attempt', skillId: 'casting.pause', drillId: null, good: true, faultId: null },
    }));
    const send = () => this.#send(JSON.stringify({ events, sentAtMs: Date.now() }));
    for (let wait = AGAIN_MS; ; wait = Math.min(LONGEST_MS, wait * 2)) {
      const answers = await Promise.all(number % TWICE === 0 ? [send(), send()] : [send()]);
      const taken = answers.find((ids) => ids !== null);
      if (taken) {
        this.taken.push(...taken);
        return;
      }
      await pause(wait * (1 + Math.random()));
    }
  }

  /** Ids of the entries that the server says it has; null when it did not take the batch. */
  async #send(body) {
    const [status, answer] = await fetch(`${this.origin}/api/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: this.cookie },
      body,
      signal: AbortSignal.timeout(20_000),
    }).then(
      async (reply) => [reply.status, await reply.json().catch(() => null)],
      () => [0, null],
    );
    this.answers.set(status, (this.answers.get(status) ?? 0) + 1);
    return status === 200 ? [...answer.stored, ...answer.known] : null;
  }
}
