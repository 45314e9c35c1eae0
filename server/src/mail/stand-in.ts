import type { AddressInfo } from 'node:net';
import PostalMime from 'postal-mime';
import { SMTPServer, type SMTPServerDataStream } from 'smtp-server';
import type { Db } from '../db/pool';
import { insertStandInMail } from './stand-in.sql';

/** A letter is not longer than this, bytes. */
const MAX_BYTES = 200_000;

/**
 * The mailbox of the demo: a mail server that gives letters to nobody, and shows them instead. It listens for this
 * process alone, from the first letter on.
 */
export class StandInMailbox {
  private server: SMTPServer | null = null;

  constructor(private readonly db: Db) {}

  /** Where it takes letters. */
  async url(): Promise<string> {
    const server = new SMTPServer({
      disabledCommands: ['AUTH', 'STARTTLS'],
      disableReverseLookup: true,
      size: MAX_BYTES,
      logger: false,
      closeTimeout: 100,
      onData: (stream, session, done) => {
        this.keep(stream, session.envelope.rcptTo[0]?.address ?? '').then(
          () => done(),
          () => done(Object.assign(new Error('The mailbox has no room just now'), { responseCode: 451 })),
        );
      },
    });
    this.server = server;
    server.on('error', () => undefined);
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', () => done()));
    server.server.unref();
    return `smtp://127.0.0.1:${(server.server.address() as AddressInfo).port}?ignoreTLS=true`;
  }

  close(): void {
    this.server?.close(() => undefined);
  }

  private async keep(stream: SMTPServerDataStream, address: string): Promise<void> {
    const chunks: Buffer[] = [];
    for await (const chunk of stream) chunks.push(chunk as Buffer);
    const { messageId, subject, text } = await PostalMime.parse(Buffer.concat(chunks));
    await insertStandInMail(this.db, {
      messageId: messageId ?? '',
      address,
      subject: subject ?? '',
      text: text ?? '',
    });
  }
}
