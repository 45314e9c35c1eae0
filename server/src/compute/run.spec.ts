import { commands } from '@doceo/contract';
import { DEMO_RIGS, FIRST_NYMPHS } from '@doceo/demo';
import { runCommand } from './run';

const run = (name: string, input: unknown) => {
  const { exitCode, out, error } = runCommand([name], JSON.stringify(input));
  return { exitCode, error, value: out ? JSON.parse(out) : null };
};

describe('compute', () => {
  it('lists every command with a sentence and prints schemas', () => {
    const lines = runCommand(['--list'], '').out.split('\n');
    expect(lines.map((line) => line.split(':')[0])).toEqual(Object.keys(commands));
    for (const name of Object.keys(commands))
      expect(JSON.parse(runCommand(['--schema', name], '').out)).toMatchObject({
        input: { type: 'object' },
        output: { type: 'object' },
      });
  });

  it.each([
    [
      'sun-times',
      { latitude: 57.9, longitude: 9.1, date: '2026-11-28', timeZone: 'Europe/Copenhagen' },
      { sunset: expect.stringMatching(/^2026-11-28T15:48/) },
    ],
    [
      'rig-figures',
      { rig: DEMO_RIGS[0]?.rig },
      { figures: expect.arrayContaining([expect.objectContaining({ id: 'leader-length' })]) },
    ],
    ['skill-trace', { attempts: [], nowMs: 0 }, { attempts: 0, lastAtMs: null }],
    [
      'fault-rates',
      {
        attempts: [
          { atMs: 1, faultId: 'cast.crack' },
          { atMs: 2, faultId: null },
        ],
      },
      { attempts: 2, rates: [expect.objectContaining({ faultId: 'cast.crack', rate: 0.5 })] },
    ],
    [
      'plan-check',
      { plan: { ...FIRST_NYMPHS.body, blocks: FIRST_NYMPHS.body.blocks.slice(1) } },
      { snags: [expect.objectContaining({ rule: 'safety-first' })] },
    ],
  ])('%s computes', (name, input, expected) =>
    expect(run(name, input)).toMatchObject({ exitCode: 0, value: expected }),
  );

  it.each([
    ['sun-times', { latitude: 99, longitude: 0, date: '2026-01-01' }, 'latitude'],
    ['skill-trace', { attempts: [{ id: 'a', atMs: 'noon', good: true }], nowMs: 0 }, 'attempts[0].atMs'],
    ['fault-rates', { attempts: [{ atMs: 1, faultId: 'cast.unheard' }] }, 'attempts[0].faultId'],
    ['plan-check', { plan: {} }, 'plan.aim'],
    ['rig-figures', { rig: { ...DEMO_RIGS[0]?.rig, flies: [] } }, 'rig.flies'],
  ])('%s names the path of what is wrong, on one line', (name, input, path) => {
    const { exitCode, error } = run(name, input);
    expect(exitCode).toBe(2);
    expect(error.startsWith(`${path}:`)).toBe(true);
    expect(error).not.toContain('\n');
  });

  it('refuses unknown commands and broken JSON', () => {
    expect(runCommand(['guess'], '{}').exitCode).toBe(2);
    expect(runCommand(['sun-times'], '{').error).toBe('input: is no readable JSON');
  });
});
