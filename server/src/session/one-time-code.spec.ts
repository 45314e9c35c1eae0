import { checkCode, newSecret, newSpareCodes, setUpAddress, spareCodeHash } from './one-time-code';
import { seal, unseal } from './sealed';

/** The secret of the examples in RFC 6238, “12345678901234567890”, in base32. */
const SECRET = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';
const MINUTE_MS = 60_000;

describe('codes of a phone', () => {
  // RFC 6238, appendix B, SHA-1; the last six digits.
  it.each([
    [59, '287082', 1],
    [1_111_111_109, '081804', 37_037_036],
    [1_234_567_890, '005924', 41_152_263],
    [2_000_000_000, '279037', 66_666_666],
  ])('at second %i are those of the standard', (second, code, step) =>
    expect(checkCode(SECRET, code, second * 1000, null)).toEqual({ kind: 'right', step }),
  );

  it('count one step early or late, and each once', () => {
    const at = 1_111_111_109_000;
    expect(checkCode(SECRET, '081804', at + 25_000, null).kind).toBe('right');
    expect(checkCode(SECRET, '081804', at - 30_000, null).kind).toBe('right');
    expect(checkCode(SECRET, '081804', at, 37_037_036)).toEqual({ kind: 'used' });
    expect(checkCode(SECRET, '081804', at, 37_037_035).kind).toBe('right');
  });

  it.each([
    [60, -60],
    [-60, 60],
    [5, -5],
  ])('of a phone whose clock is off tell by how much: server %i min on', (min, offMin) =>
    expect(checkCode(SECRET, '081804', 1_111_111_109_000 + min * MINUTE_MS, null)).toEqual({
      kind: 'clock',
      offMin,
    }),
  );

  it('are wrong otherwise', () => {
    expect(checkCode(SECRET, '081805', 1_111_111_109_000, null)).toEqual({ kind: 'wrong' });
    expect(checkCode(SECRET, 'no code', 1_111_111_109_000, null)).toEqual({ kind: 'wrong' });
    expect(checkCode(SECRET, '081804', 1_111_111_109_000 + 120 * MINUTE_MS, null)).toEqual({ kind: 'wrong' });
  });

  it('are set up by an address that a phone reads', () => {
    const secret = newSecret();
    expect(secret).toMatch(/^[A-Z2-7]{32}$/);
    expect(newSecret()).not.toBe(secret);
    expect(setUpAddress(secret, 'lead@example.org')).toMatch(
      new RegExp(`^otpauth://totp/Doceo:lead%40example.org\\?.*secret=${secret}`),
    );
  });
});

describe('spare codes', () => {
  it('are eight, all different, and known however they are typed', () => {
    const codes = newSpareCodes();
    expect(new Set(codes).size).toBe(8);
    for (const code of codes) {
      expect(code).toMatch(/^[a-hjkmnp-z2-9]{5}-[a-hjkmnp-z2-9]{5}$/);
      expect(spareCodeHash(` ${code.toUpperCase().replace('-', ' ')}`)).toBe(spareCodeHash(code));
    }
    expect(spareCodeHash('123456')).toBeNull();
  });
});

describe('what is sealed', () => {
  it('opens with the same secret for the same purpose, and not when it was changed', () => {
    const sealed = seal('a secret', 'this', 'word');
    expect(sealed).not.toContain('word');
    expect(seal('a secret', 'this', 'word')).not.toBe(sealed);
    expect(unseal('a secret', 'this', sealed)).toBe('word');
    expect(unseal('another', 'this', sealed)).toBeNull();
    expect(unseal('a secret', 'that', sealed)).toBeNull();
    expect(unseal('a secret', 'this', `${sealed.slice(0, -2)}AA`)).toBeNull();
    expect(unseal('a secret', 'this', 'short')).toBeNull();
  });
});
