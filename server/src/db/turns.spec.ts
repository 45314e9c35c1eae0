import { withPatience } from './patience';
import { emptyDatabase } from '../testing/test-database';
import { openPool, rows } from './pool';
import { Turns } from './turns';

describe('turns', () => {
  it('go to who has begun before who has not, and else in the order in which they came', async () => {
    const turns = new Turns(1);
    const got: string[] = [];
    const wait = async (name: string, begun: boolean): Promise<void> => {
      if (await turns.take(begun, 5000)) got.push(name);
    };
    await wait('first', false);
    const all = [
      wait('new', false),
      wait('going on', true),
      wait('newer', false),
      wait('going on too', true),
    ];
    expect(turns.waiting).toBe(4);
    await new Promise(setImmediate);
    for (let i = 0; i < all.length; i++) turns.giveBack();
    await Promise.all(all);
    expect(got).toEqual(['first', 'going on', 'going on too', 'new', 'newer']);
  });

  it('are not waited for longer than one may, and then go to the next', async () => {
    const turns = new Turns(1);
    await turns.take(true, 0);
    const late = turns.take(true, 20);
    const patient = turns.take(true, 5000);
    expect(await late).toBe(false);
    turns.giveBack();
    expect(await patient).toBe(true);
    expect(turns.waiting).toBe(0);
    turns.giveBack();
    expect(await turns.take(false, 0)).toBe(true);
  });

  it('let requests end that were begun, when more come than can be answered', async () => {
    const pool = openPool(await emptyDatabase('turns'), 2);
    const ended: number[] = [];
    // Each asks three times; those that came first are done with all three before the last ones begin.
    const asked = Array.from({ length: 30 }, (_, i) =>
      withPatience(async () => {
        for (let k = 0; k < 3; k++) await rows(pool, 'SELECT SLEEP(0.005)');
        ended.push(i);
      }),
    );
    await Promise.all(asked);
    expect(ended).toHaveLength(30);
    for (const [place, i] of ended.entries()) expect(Math.abs(place - i)).toBeLessThanOrEqual(4);
    await pool.end();
  });
});
