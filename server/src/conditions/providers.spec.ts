import type { SavedWater } from '@doceo/contract';
import type { ConditionHour } from '@doceo/core';
import type { ConditionProvider } from './provider';
import { conditionsFrom } from './providers';

const river = {
  id: 'w1',
  water: { kind: 'river', latitude: 54, longitude: -2 },
} as unknown as SavedWater;
const hours = (airC: number): ConditionHour[] => [{ atMs: 0, airC } as ConditionHour];

/** A provider that answers so, and counts how often it was asked. */
function provider(source: string, answer: ConditionProvider['hours'], covers = true) {
  const asked = { times: 0 };
  const made: ConditionProvider = {
    source,
    simulated: false,
    covers: () => covers,
    hours: (...call) => {
      asked.times++;
      return answer(...call);
    },
  };
  return { made, asked };
}

describe('conditions of a water', () => {
  it('come from the first provider that covers it', async () => {
    const far = provider('far gauge', () => Promise.resolve(hours(1)), false);
    const near = provider('near gauge', () => Promise.resolve(hours(2)));
    const conditions = conditionsFrom([far.made, near.made]);
    expect(await conditions(river, 0, 1)).toEqual({
      hours: hours(2),
      source: 'near gauge',
      simulated: false,
    });
    expect(far.asked.times).toBe(0);
  });

  it('are asked for once, for the same hours of the same place', async () => {
    const gauge = provider('gauge', () => Promise.resolve(hours(2)));
    const conditions = conditionsFrom([gauge.made]);
    await conditions(river, 0, 1);
    await conditions(river, 0, 1);
    expect(gauge.asked.times).toBe(1);
    await conditions(river, 3_600_000, 1);
    await conditions({ ...river, water: { ...river.water, latitude: 55 } }, 0, 1);
    expect(gauge.asked.times).toBe(3);
  });

  it('come from the next one when the first fails, and from the first again when it is back', async () => {
    let broken = true;
    const first = provider('gauge', () =>
      broken ? Promise.reject(new Error('no line')) : Promise.resolve(hours(3)),
    );
    const stand = provider('stand-in', () => Promise.resolve(hours(9)));
    const conditions = conditionsFrom([first.made, stand.made]);
    expect((await conditions(river, 0, 1)).source).toBe('stand-in');
    broken = false;
    expect((await conditions(river, 0, 1)).source).toBe('gauge');
  });

  it('do not wait for one that hangs, and let it go', async () => {
    let letGo = false;
    const hanging = provider('hanging', (_water, _from, _count, signal) => {
      signal.addEventListener('abort', () => (letGo = true));
      return new Promise(() => undefined);
    });
    const stand = provider('stand-in', () => Promise.resolve(hours(9)));
    const conditions = conditionsFrom([hanging.made, stand.made], 20);
    expect((await conditions(river, 0, 1)).source).toBe('stand-in');
    expect(letGo).toBe(true);
  });

  it('fail when no provider answers', async () => {
    const broken = provider('gauge', () => Promise.reject(new Error('no line')));
    await expect(conditionsFrom([broken.made])(river, 0, 1)).rejects.toThrow('no line');
  });

  it('are none where nobody covers the water, which is no failure', async () => {
    const { made } = provider('far', () => Promise.resolve([]), false);
    const nobody = { hours: [], source: 'nobody', simulated: false };
    expect(await conditionsFrom([made])(river, 0, 1)).toEqual(nobody);
    const nowhere = { ...river, water: { ...river.water, latitude: null, longitude: null } };
    expect(await conditionsFrom()(nowhere, 0, 1)).toEqual(nobody);
  });
});
