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
    [
      'rig-template',
      { template: 'lake-long-leader', parameters: { flyCount: 2, leaderLengthM: 6 } },
      { rig: { template: 'lake-long-leader', line: { kind: 'hover' }, flies: [{}, {}] } },
    ],
    ['rig-template', { template: 'grass' }, { rig: { flies: [{ dressing: 'yarn' }] } }],
    [
      'float-margin',
      { rig: DEMO_RIGS[0]?.rig },
      { float: { kind: 'indicator', measured: false, parts: [{}, {}, {}, {}] } },
    ],
    [
      'fly-mass',
      { fly: DEMO_RIGS[1]?.rig.flies[0] },
      { measured: false, beadKg: expect.closeTo(0.000159, 6) },
    ],
    ['free-sink', { fly: DEMO_RIGS[1]?.rig.flies[0], depthM: 0 }, { seconds: 0 }],
    [
      'countdown',
      { depthM: 2.54, line: 'type-2' },
      { lines: [{ line: 'type-2', seconds: expect.closeTo(50, 9) }] },
    ],
    ['taper', { rig: DEMO_RIGS[0]?.rig }, { hinges: 0, steps: [{}, {}, {}, {}] }],
    [
      'class-kit',
      { uses: [{ rig: DEMO_RIGS[0]?.rig, name: 'x', students: [{ name: 'Sam' }], hours: 0 }] },
      {
        items: expect.arrayContaining([
          { group: 'shot', name: '0.20 g tin', unit: 'pieces', count: 1, spares: 0 },
        ]),
      },
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
    ['rig-template', { template: 'magic' }, 'template'],
    ['rig-template', { template: 'grass', parameters: { tippetX: 9 } }, 'parameters.tippetX'],
    ['countdown', { depthM: -1 }, 'depthM'],
    ['fly-mass', { fly: { ...DEMO_RIGS[1]?.rig.flies[0], beadDiameterM: 3 } }, 'fly.beadDiameterM'],
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
