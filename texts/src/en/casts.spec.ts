import { CASTS } from '@doceo/core';
import { CAST_WORDS } from './casts';

describe('a cast in words', () => {
  it.each(CASTS.map((cast) => [cast.id, cast.keys.length] as const))(
    '%s says something of its own at each of its %i moments',
    (id, moments) => {
      const { name, when, moments: said } = CAST_WORDS[id];
      expect(said).toHaveLength(moments);
      expect(new Set(said).size).toBe(moments);
      for (const sentence of [when, ...said]) expect(sentence).toMatch(/^[A-Z].*\.$/);
      expect(name).not.toBe('');
    },
  );
});
