import { Transform, type TransformCallback } from 'node:stream';

/** What one waits after a piece, of which there are some hundred in a large body, milliseconds. */
const REST_MS = 2;

/** Passes on what comes, and lets others in after each piece: who sends as fast as he can is no hindrance to them. */
export class Paced extends Transform {
  override _transform(piece: Buffer, _: BufferEncoding, done: TransformCallback): void {
    setTimeout(() => done(null, piece), REST_MS);
  }
}
