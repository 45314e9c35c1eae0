import { endsWithReading } from './failures';

/** For so long a failure is told as the state of a node, milliseconds. */
const TOLD_MS = 30_000;

interface Trouble {
  code: string;
  atMs: number;
  /** Whether it is over with the first thing that is read. */
  endsWithReading: boolean;
}

/** What each node of a database refused lately. Work that went on to another node is no trouble of that one. */
export class Troubles {
  private readonly known = new Map<number, Trouble>();

  /** The code of what a node refused lately; null when all is well. */
  of(node: number): string | null {
    const trouble = this.known.get(node);
    return trouble && Date.now() - trouble.atMs < TOLD_MS ? trouble.code : null;
  }

  /** Notes a failure; one of reading does not take the place of one that only writing ends. */
  note(node: number, error: unknown, writes: boolean): void {
    const code = String((error as { code?: string }).code);
    const ends = !writes || endsWithReading(code);
    if (ends && this.of(node) !== null && !this.known.get(node)?.endsWithReading) return;
    this.known.set(node, { code, atMs: Date.now(), endsWithReading: ends });
  }

  /** Notes that a node did its work. */
  over(node: number, writes: boolean): void {
    if (writes || this.known.get(node)?.endsWithReading) this.known.delete(node);
  }
}
