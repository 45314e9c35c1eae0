import { type DriftScene, driftOf, presentations, skillsOf } from './presentation';
import { rankPresentation } from './rank';
import { surfaceDrift } from './surface-drift';

const scene: DriftScene = {
  lanes: [
    { toM: 2.5, speedMs: 0.3 },
    { toM: 5.5, speedMs: 1 },
    { toM: 30, speedMs: 0.4 },
  ],
  ...{ blendM: 0.4, lieM: 7.5, outM: 0, rodM: 2.74, slackShare: 0.1, durationS: 6, from: 'bank' },
};

describe('what an angler may do', () => {
  it('is about sixty things, each once, and each lands the fly over the lie', () => {
    const all = presentations(scene);
    expect(all.length).toBeGreaterThanOrEqual(50);
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    for (const one of all) {
      const { castM, castDeg, tip } = driftOf(scene, one);
      const turn = (castDeg! * Math.PI) / 180;
      expect(tip!.startM + castM! * Math.cos(turn)).toBeCloseTo(0, 9);
      expect(tip!.outM! + castM! * Math.sin(turn)).toBeCloseTo(7.5, 9);
    }
  });

  it('does not cast further than a beginner does, nor lift more line than a rod can', () => {
    const far = presentations({ ...scene, lieM: 22 });
    expect(far).toHaveLength(0);
    const near = presentations(scene).filter(({ handling }) => handling === 'high-stick');
    for (const one of near) expect(driftOf(scene, one).castM).toBeLessThan(2.2 * 2.74);
  });

  it('asks for the skills of what it is', () => {
    const up = { id: 'x', standM: 0, handling: 'reach-up', mend: null } as const;
    expect(skillsOf(up)).toContain('casting.reach');
    expect(skillsOf({ ...up, handling: 'still', mend: { way: 'down', atS: 1, sizeM: 1 } })).toEqual([
      'casting.overhead',
      'water.mend-down',
    ]);
  });
});

describe('from a boat', () => {
  it('the tip goes with the boat’s own water, and in one even current nothing drags', () => {
    const boat: DriftScene = { ...scene, from: 'boat', outM: 2, lanes: [{ toM: 30, speedMs: 0.6 }] };
    const way = { standM: -4, handling: 'still', mend: null } as const;
    expect(driftOf(boat, way).tip.speedMs).toBeCloseTo(0.6, 9);
    expect(surfaceDrift(driftOf(boat, way)).onsetS).toBeNull();
  });
});

describe('ranking', () => {
  const rank = (way: 'up' | 'down' | null) =>
    rankPresentation(scene, {
      id: 'one',
      standM: 0,
      handling: 'still',
      mend: way && { way, atS: 0.4, sizeM: 1.2 },
    })!;

  it('puts the upstream mend first over a fast lane, and tells the spread', () => {
    const [up, none, down] = [rank('up'), rank(null), rank('down')];
    expect(up.cleanM).toBeGreaterThan(none.cleanM);
    expect(up.cleanM).toBeGreaterThan(down.cleanM);
    expect(none.fromM).toBeLessThan(none.cleanM);
    expect(none.toM).toBeGreaterThan(none.cleanM);
  });

  it('puts line held off the water before line on it', () => {
    const still = { id: 'a', standM: 0, handling: 'still', mend: null } as const;
    const near = { ...scene, outM: 1 };
    expect(rankPresentation(near, { ...still, handling: 'high-stick' })!.cleanM).toBeGreaterThan(
      rankPresentation(near, still)!.cleanM,
    );
  });

  it('has nothing to say of what is out of reach', () =>
    expect(rankPresentation(scene, { id: 'a', standM: 30, handling: 'still', mend: null })).toBeNull());
});

describe('acts on the line', () => {
  const given = { lanes: scene.lanes, castM: 8, castDeg: 90, durationS: 6 };
  const act = { kind: 'feed', atS: 0.5, sizeM: 1, way: 'up', from: 0, to: 0.3 } as const;

  it('fed line holds the drag off, stepping with the drift too', () => {
    const plain = surfaceDrift(given).cleanS;
    expect(surfaceDrift({ ...given, acts: [act] }).cleanS).toBeGreaterThan(plain);
    const even = { ...given, lanes: [{ toM: 30, speedMs: 0.6 }] };
    const steps = surfaceDrift({ ...even, acts: [{ ...act, kind: 'step', sizeM: 2 }] });
    expect(steps.cleanS).toBeGreaterThan(surfaceDrift(even).cleanS + 1);
  });

  it('line lifted off the fast lane drags later', () => {
    const lifted = surfaceDrift({ ...given, acts: [{ ...act, kind: 'lift', sizeM: 6, atS: 0.1 }] });
    expect(lifted.cleanS).toBeGreaterThan(surfaceDrift(given).cleanS);
  });

  it('slack laid in waves is that much line, and drags earlier', () => {
    const even = surfaceDrift({ ...given, slackShare: 0.25, castDeg: 0 });
    const waves = surfaceDrift({ ...given, slackShare: 0.25, castDeg: 0, slackWaveM: 0.5 });
    const length = ({ xs, ys }: { xs: number[]; ys: number[] }): number =>
      xs.slice(1).reduce((sum, x, i) => sum + Math.hypot(x - xs[i]!, ys[i + 1]! - ys[i]!), 0);
    expect(length(waves.frames[0]!)).toBeGreaterThan(9);
    expect(length(waves.frames[0]!)).toBeLessThan(10.001);
    expect(waves.cleanS).toBeLessThan(even.cleanS);
  });

  it('with resistance by the square of the speed the order of mends stays', () => {
    const mend = { ...act, kind: 'mend', sizeM: 1.2, from: 0.1, to: 0.8 } as const;
    const clean = (way: 'up' | 'down'): number =>
      surfaceDrift({ ...given, quadratic: true, acts: [{ ...mend, way }] }).cleanM;
    expect(clean('up')).toBeGreaterThan(clean('down'));
  });

  it('stops at drag when that is all that is asked', () => {
    const run = surfaceDrift({ ...given, untilDrag: true });
    expect(run.cleanM).toBe(surfaceDrift(given).cleanM);
    expect(run.frames.at(-1)!.atS).toBeLessThan(run.onsetS! + 0.5);
  });
});
