import { seededRandom } from '../random';
import { NOISE_KINDS, type Stimulus, TAKE_KINDS } from './take-score';
import { exampleRun, FLOATS, TAKES_OF, TRAINER_WATERS, type TrainerGiven, trainerRun } from './trainer';
import { trainerAttempts, trainerScore } from './trainer-score';

const given: TrainerGiven = { seed: 'a', float: 'indicator', water: 'run', kinds: [], durationS: 120 };
const isTake = ({ kind }: Stimulus): boolean => (TAKE_KINDS as readonly string[]).includes(kind);

describe('the trainer', () => {
  it('drifts the same for the same seed, whenever it is asked, and otherwise for another', () => {
    const [one, two, other] = [trainerRun(given), trainerRun(given), trainerRun({ ...given, seed: 'b' })];
    expect(one.stimuli).toEqual(two.stimuli);
    two.motionAt(50_000);
    expect(one.motionAt(12_345)).toEqual(two.motionAt(12_345));
    expect(other.stimuli).not.toEqual(one.stimuli);
  });

  it.each(FLOATS)('shows on a %s what can be seen on it, with time between', (float) => {
    const { stimuli } = trainerRun({ ...given, float });
    expect(stimuli.length).toBeGreaterThan(15);
    for (const one of stimuli.filter(isTake)) expect(TAKES_OF[float]).toContain(one.kind);
    expect(stimuli.slice(1).every(({ atMs }, i) => atMs - stimuli[i]!.atMs >= 2500)).toBe(true);
  });

  it.each(TRAINER_WATERS)('each take on a %s changes what is seen, and none does before', (water) => {
    for (const float of FLOATS) {
      const { stimuli, motionAt } = trainerRun({ ...given, float, water });
      for (const { atMs, kind } of stimuli.filter(isTake)) {
        const quiet = trainerRun({ ...given, float, water });
        expect(motionAt(atMs)).toEqual(quiet.motionAt(atMs));
        const [before, during] = [motionAt(atMs - 20), motionAt(atMs + 130)];
        const moved =
          Math.abs(during.sunk - before.sunk) +
          Math.abs(during.alongWidths - before.alongWidths) +
          Math.abs(during.asideWidths - before.asideWidths) +
          Math.abs(during.tiltDeg - before.tiltDeg) / 40 +
          Math.abs(during.taut - before.taut);
        expect({ kind, moved: moved > 0.02 }).toEqual({ kind, moved: true });
      }
    }
  });

  it('stands still in a stop while the water goes on', () => {
    const { stimuli, motionAt } = trainerRun({ ...given, water: 'pool', kinds: ['stop'], seed: 'stop' });
    const { atMs } = stimuli.find(({ kind }) => kind === 'stop')!;
    const went = motionAt(atMs + 450).alongWidths - motionAt(atMs + 50).alongWidths;
    expect(went).toBeLessThan(0.35);
    expect(motionAt(atMs - 600).alongWidths - motionAt(atMs - 1000).alongWidths).toBeGreaterThan(0.3);
  });

  it('a blind player has a d′ of about zero, a perfect one the most there is', () => {
    const random = seededRandom('blind');
    const scores = Array.from({ length: 30 }, (_, i) => {
      const { stimuli } = trainerRun({ ...given, seed: `${i}`, durationS: 600 });
      return trainerScore(
        stimuli,
        stimuli.flatMap(({ atMs }) => (random() < 0.5 ? [atMs + 400] : [])),
      ).dPrime;
    });
    expect(Math.abs(scores.reduce((sum, one) => sum + one, 0) / scores.length)).toBeLessThan(0.12);
    const { stimuli } = trainerRun({ ...given, durationS: 600 });
    const perfect = trainerScore(
      stimuli,
      stimuli.filter(isTake).map(({ atMs }) => atMs + 300),
    );
    expect(perfect).toMatchObject({ misses: 0, falseAlarms: 0, onNothing: 0, medianMs: 300, ticksSet: 0 });
    expect(perfect.dPrime).toBeGreaterThan(3);
  });

  it('setting on the bottom is neither hit nor false alarm', () => {
    const stimuli: Stimulus[] = [
      { atMs: 1000, kind: 'tick' },
      { atMs: 5000, kind: 'dip' },
      { atMs: 9000, kind: 'wave' },
    ];
    expect(trainerScore(stimuli, [1300, 5300, 9400])).toMatchObject({
      ...{ ticks: 1, ticksSet: 1, hits: 1, falseAlarms: 1, onNothing: 0 },
    });
    expect(trainerAttempts(stimuli, [1300, 5300, 9400])).toEqual([
      { atMs: 5300, skillId: 'hook-setting.see-take', good: true, faultId: null },
      { atMs: 9400, skillId: 'hook-setting.set-timing', good: false, faultId: 'set.early' },
    ]);
  });

  it('late and not at all are faults of their own', () =>
    expect(
      trainerAttempts(
        [
          { atMs: 1000, kind: 'stop' },
          { atMs: 6000, kind: 'stop' },
        ],
        [2100],
      ).map(({ faultId }) => faultId),
    ).toEqual(['set.late', 'set.no-reaction']));

  it('wants a take that can be seen on the float', () => {
    expect(() => trainerRun({ ...given, kinds: ['lie-down'] })).toThrow('out-of-range');
    expect(() => trainerRun({ ...given, durationS: 5 })).toThrow('out-of-range');
  });
});

describe('an example', () => {
  it.each([...TAKE_KINDS, ...NOISE_KINDS])('of %s shows it once, with quiet before and after', (kind) => {
    const { stimuli, durationMs } = exampleRun('run', kind);
    expect(stimuli).toEqual([{ atMs: 700, kind }]);
    expect(durationMs).toBeGreaterThanOrEqual(700 + 260 + 700);
  });

  it('dips under and comes up again', () => {
    const { motionAt, durationMs } = exampleRun('pool', 'dip');
    expect(motionAt(0).sunk).toBeLessThan(0.2);
    expect(motionAt(1100).sunk).toBeGreaterThan(0.8);
    expect(motionAt(durationMs).sunk).toBeLessThan(0.2);
  });

  it('is the same each time it is looked at', () =>
    expect(exampleRun('riffle', 'wave').motionAt(900)).toEqual(exampleRun('riffle', 'wave').motionAt(900)));
});
