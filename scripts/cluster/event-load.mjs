import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';

/** Each logs once a second: fifty batches a second in all. */
const DEVICES = 50;
const EVERY_MS = 1000;
const ENTRIES = 4;
/** Most entries a device sends at once. */
const BATCH = 200;
/** One batch of so many is sent twice at once, as by a device that believes the first lost. */
const TWICE = 10;
/** A device waits so long before it sends again, twice as long each time, up to the longest, milliseconds. */
const AGAIN_MS = 500;
const LONGEST_MS = 5000;

/** Devices that log, through what shares requests out; each keeps its entries until they are taken, as a real one does. */
export class EventLoad {
  /** Ids of entries that were said to be taken. */
  taken = [];
  /** How often each answer came; 0 for none. */
  answers = new Map();
  /** Longest time from an entry to its being taken, milliseconds. */
  longestMs = 0;
  #over = false;
  #sent = 0;

  constructor(origin, cookie, places) {
    this.origin = origin;
    this.cookie = cookie;
    this.places = places;
  }

  begin() {
    this.devices = Promise.all(Array.from({ length: DEVICES }, (_, number) => this.#device(number)));
  }

  /** Resolves when all that was logged is taken. */
  async end() {
    this.#over = true;
    await this.devices;
  }

  async #device(number) {
    const deviceId = randomUUID();
    const waiting = [];
    let next = Date.now() + (number * EVERY_MS) / DEVICES;
    while (!this.#over || waiting.length > 0) {
      await pause(Math.max(0, next - Date.now()));
      for (; !this.#over && next <= Date.now(); next += EVERY_MS)
        waiting.push(...this.#logged(number, deviceId, next));
      for (let wait = AGAIN_MS; waiting.length > 0; wait = Math.min(LONGEST_MS, wait * 2)) {
        const batch = waiting.slice(0, BATCH);
        if (await this.#deliver(batch)) {
          waiting.splice(0, batch.length);
          break;
        }
        await pause(wait * (0.5 + Math.random()));
      }
    }
  }

  #logged(number, deviceId, atMs) {
    const place = this.places[number % this.places.length];
    return Array.from({ length: ENTRIES }, () => ({
      ...{ id: randomUUID(), ...place, blockId: null, deviceId, atMs },
      body: { kind: 'attempt', skillId: 'casting.pause', drillId: null, good: true, faultId: null },
    }));
  }

  async #deliver(events) {
    const send = () => this.#send(JSON.stringify({ events, sentAtMs: Date.now() }));
    const answers = await Promise.all(this.#sent++ % TWICE === 0 ? [send(), send()] : [send()]);
    const ids = answers.find((one) => one !== null);
    if (!ids) return false;
    this.taken.push(...ids);
    this.longestMs = Math.max(this.longestMs, Date.now() - events[0].atMs);
    return true;
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
