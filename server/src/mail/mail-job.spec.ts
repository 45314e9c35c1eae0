import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { seededRandom } from '@doceo/core';
import { pino } from 'pino';
import { SMTPServer } from 'smtp-server';
import { rows, write } from '../db/pool';
import { type TestApp, testApp } from '../testing/test-app';
import { MailJob, pauseAfter } from './mail-job';
import { queueLetter } from './mail.sql';
import { Post } from './post';
import { StandInMailbox } from './stand-in';

const quiet = pino({ level: 'silent' });

/** A mail server that takes, refuses and breaks off as a seed has it; what it took goes on to the mailbox. */
async function moodyServer(seed: string) {
  const random = seededRandom(seed);
  const taken: string[] = [];
  const broken = { connect: 0, recipient: 0, later: 0, lost: 0 };
  const refused = (responseCode: number) => Object.assign(new Error('not now'), { responseCode });
  const server = new SMTPServer({
    disabledCommands: ['AUTH', 'STARTTLS'],
    disableReverseLookup: true,
    logger: false,
    closeTimeout: 100,
    onConnect: (_session, done) => {
      // There are fewer connections than letters.
      if (random() > 0.4) return done();
      broken.connect += 1;
      done(refused(421));
    },
    onRcptTo: (_address, _session, done) => {
      if (random() > 0.15) return done();
      broken.recipient += 1;
      done(refused(450));
    },
    onData: (stream, session, done) => {
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('end', () => {
        const mood = random();
        if (mood < 0.15) {
          broken.later += 1;
          return done(refused(451));
        }
        const id = /^Message-ID: <(\S+)>/im.exec(Buffer.concat(chunks).toString())?.[1] ?? '';
        taken.push(`${session.envelope.rcptTo[0]?.address} ${id}`);
        if (mood > 0.3) return done();
        // Taken, but the sender is not told so.
        broken.lost += 1;
        done(refused(421));
      });
    },
  });
  server.on('error', () => undefined);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', () => done()));
  const { port } = server.server.address() as AddressInfo;
  return {
    url: `smtp://127.0.0.1:${port}?ignoreTLS=true`,
    taken,
    broken,
    close: () => new Promise<void>((done) => server.close(() => done())),
  };
}

describe('letters', () => {
  let test: TestApp;
  beforeAll(async () => {
    test = await testApp('mail');
  });
  beforeEach(() => write(test.pool, 'DELETE FROM mails'));
  afterAll(() => test.close());

  const waiting = async () =>
    rows<{ tries: number; wait: number }>(
      test.pool,
      'SELECT tries, TIMESTAMPDIFF(SECOND, UTC_TIMESTAMP(3), due_at) AS wait FROM mails ORDER BY queued_at, id',
    );
  const jobTo = (url: string, pause?: (tries: number) => number) =>
    new MailJob(
      test.pool,
      new Post(() => Promise.resolve(url), 'Doceo <doceo@localhost>'),
      ({ id }) => Promise.resolve({ subject: 'A letter', text: `Letter ${id}` }),
      quiet,
      pause,
    );

  it('arrive once each, 500 of them, while three processes send and the mail server fails at random', async () => {
    const server = await moodyServer('five hundred');
    const jobs = [1, 2, 3].map(() => jobTo(server.url, () => 0));
    const addresses = Array.from({ length: 500 }, (_, i) => `person${i}@example.org`);
    for (const address of addresses) await queueLetter(test.pool, 'registered', address);
    while ((await waiting()).length > 0) await Promise.all(jobs.map((job) => job.sendAll()));
    await Promise.all(jobs.map((job) => job.close()));
    await server.close();
    // A mailbox knows a message by its id, so that one taken unthanked and sent again is one letter.
    const letters = [...new Set(server.taken)];
    expect(letters.map((letter) => letter.split(' ')[0]).sort()).toEqual([...addresses].sort());
    // Sent again only where the sender could not know.
    expect(server.taken.length - letters.length).toBeLessThanOrEqual(server.broken.lost);
    expect(Math.min(...Object.values(server.broken))).toBeGreaterThan(10);
  });

  it('are known again by the mailbox of the demo', async () => {
    await write(test.pool, 'DELETE FROM stand_in_mails');
    const mailbox = new StandInMailbox(test.pool);
    const post = new Post(() => mailbox.url(), 'Doceo <doceo@localhost>');
    const id = randomUUID();
    const letter = { subject: 'Grüße', text: 'Line one\n\nhttps://doceo.example/lost#abc_-9\n' };
    expect(await post.send(id, 'Kim@Example.org', letter)).toBe('sent');
    expect(await post.send(id, 'Kim@Example.org', letter)).toBe('sent');
    expect(await rows(test.pool, 'SELECT address, subject, text FROM stand_in_mails')).toEqual([
      {
        address: 'kim@example.org',
        subject: 'Grüße',
        text: 'Line one\n\nhttps://doceo.example/lost#abc_-9\n',
      },
    ]);
    post.close();
    mailbox.close();
  });

  it('wait longer and longer while nothing answers, and go when it is back; three days old they go unsent', async () => {
    const away = jobTo('smtp://127.0.0.1:1');
    await queueLetter(test.pool, 'registered', 'a@example.org');
    await queueLetter(test.pool, 'registered', 'b@example.org');
    const waits: number[] = [];
    for (let day = 0; day < 12; day++) {
      await away.sendAll();
      const [one] = await waiting();
      waits.push(Number(one?.wait));
      await write(test.pool, 'UPDATE mails SET due_at = UTC_TIMESTAMP(3)');
    }
    expect(waits.map((wait) => Math.round(wait / 30) * 30)).toEqual([
      30, 60, 120, 240, 480, 960, 1920, 3600, 3600, 3600, 3600, 3600,
    ]);
    await write(
      test.pool,
      "UPDATE mails SET queued_at = UTC_TIMESTAMP(3) - INTERVAL 73 HOUR WHERE address = 'b@example.org'",
    );
    await away.sendAll();
    expect(await waiting()).toHaveLength(1);
    await away.close();
    await write(test.pool, 'UPDATE mails SET due_at = UTC_TIMESTAMP(3)');
    const mailbox = new StandInMailbox(test.pool);
    const back = jobTo(await mailbox.url());
    await back.sendAll();
    expect(await waiting()).toEqual([]);
    await back.close();
    mailbox.close();
  });

  it('that a dead process had in its hands are somebody else’s after two minutes', async () => {
    await queueLetter(test.pool, 'registered', 'a@example.org');
    await write(
      test.pool,
      "UPDATE mails SET claim = UUID(), tries = 1, claimed_until = UTC_TIMESTAMP(3) + INTERVAL 1 SECOND WHERE address = 'a@example.org'",
    );
    const mailbox = new StandInMailbox(test.pool);
    const job = jobTo(await mailbox.url());
    await job.sendAll();
    expect(await waiting()).toHaveLength(1);
    await write(test.pool, 'UPDATE mails SET claimed_until = UTC_TIMESTAMP(3) - INTERVAL 1 SECOND');
    await job.sendAll();
    expect(await waiting()).toEqual([]);
    await job.close();
    mailbox.close();
  });

  it('refused for good are not tried again', async () => {
    const server = new SMTPServer({
      disabledCommands: ['AUTH', 'STARTTLS'],
      logger: false,
      closeTimeout: 100,
      onRcptTo: (_address, _session, done) =>
        done(Object.assign(new Error('no such person'), { responseCode: 550 })),
    });
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', () => done()));
    await queueLetter(test.pool, 'registered', 'nobody@example.org');
    const job = jobTo(`smtp://127.0.0.1:${(server.server.address() as AddressInfo).port}?ignoreTLS=true`);
    await job.sendAll();
    expect(await waiting()).toEqual([]);
    await job.close();
    await new Promise<void>((done) => server.close(() => done()));
  });

  it('are tried again after half a minute at first, an hour at last', () =>
    expect([1, 2, 3, 8, 40].map(pauseAfter)).toEqual([30, 60, 120, 3600, 3600]));
});
