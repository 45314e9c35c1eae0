import fc from 'fast-check';
import { SHIPPED_CURRICULUM as SHIPPED } from '../curriculum/shipped';
import { simulateSchool } from '../simulate';
import { EVIDENCE_KINDS, HOME_TRUST, trusts } from './evidence';
import { fitHomeTrust, type HomeRecord } from './home-trust';
import { PARAMETER_GRID } from './parameters';
import { traceSkill } from './tracing';

const DRILL = 'count-the-pause';
const SKILL = 'casting.pause';
const LEARNED = { initial: 0.2, learn: 0.06, slip: 0.1, guess: 0.2 };

/** Students who practise by turns in a lesson and at home, where their marks are worth this share. */
function school(seed: string, students: number, home: number): HomeRecord[] {
  return simulateSchool(SHIPPED, seed, {
    students,
    drillIds: [DRILL],
    sessions: 6,
    attempts: 8,
    seen: [{}, { home: true }],
    parameters: { [SKILL]: { ...LEARNED, home } },
  }).map(({ key, attempts }) => ({ studentId: key, attempts }));
}

describe('what is done at home', () => {
  it.each([0.2, 0.4, 0.6, 0.8])('is believed as far as it agrees with what was seen: truth %d', (truth) => {
    const fit = fitHomeTrust(school('home', 300, truth));
    expect(fit).toMatchObject({ enough: true, students: 300, attempts: 300 * 24 });
    expect(Math.abs(fit.trust - truth)).toBeLessThan(0.1);
    expect(Math.abs(fit.trust - truth)).toBeLessThan(3 * fit.spread + 0.04);
  });

  it('is told apart from more and from less, and surer with more students', () => {
    const trust = (home: number) => fitHomeTrust(school('apart', 150, home)).trust;
    expect(trust(0.3)).toBeLessThan(trust(0.7));
    expect(fitHomeTrust(school('few', 200, 0.5)).spread).toBeLessThan(
      fitHomeTrust(school('few', 20, 0.5)).spread,
    );
  });

  it('is believed by the rule of thumb until there is enough of it', () => {
    const none = fitHomeTrust([]);
    expect(none).toMatchObject({ enough: false, students: 0, attempts: 0 });
    expect(none.trust).toBeCloseTo(HOME_TRUST, 1);
    expect(fitHomeTrust(school('eleven', 11, 0.1))).toMatchObject({ enough: false, trust: none.trust });
    // Who never was seen by an instructor says nothing of what home is worth.
    const alone = school('alone', 100, 0.1).map(({ studentId, attempts }) => ({
      studentId,
      attempts: attempts.filter(({ home }) => home),
    }));
    expect(fitHomeTrust(alone)).toMatchObject({ enough: false, attempts: 0, trust: none.trust });
  });

  it('moves an estimate less than the same in a lesson, whatever was learned of it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PARAMETER_GRID),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.constantFrom(...EVIDENCE_KINDS),
        fc.boolean(),
        (parameters, home, evidence, good) => {
          const after = (at: { home?: true }): number =>
            traceSkill([{ id: 'a', atMs: 0, good, evidence, ...at }], 0, [{ ...parameters, learn: 0, home }])
              .mastery;
          const { initial } = parameters;
          return Math.abs(after({ home: true }) - initial) < Math.abs(after({}) - initial);
        },
      ),
    );
  });

  it('does not depend on the order in which records come', () => {
    const records = school('order', 40, 0.5);
    const turned = [...records]
      .reverse()
      .map((record) => ({ ...record, attempts: [...record.attempts].reverse() }));
    expect(fitHomeTrust(turned).trust).toBeCloseTo(fitHomeTrust(records).trust, 9);
  });

  it('has a share of the trust of each kind', () => {
    const all = trusts(0.5);
    expect(all).toHaveLength(12);
    expect(all.filter(({ evidence }) => evidence === 'side')).toEqual([
      { evidence: 'side', home: false, trust: 0.8 },
      { evidence: 'side', home: true, trust: 0.4 },
    ]);
  });
});
