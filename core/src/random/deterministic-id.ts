import { v5 } from 'uuid';

/** Namespace of ids made from texts; any fixed UUID does. */
const NAMESPACE = 'c0a7e9d2-6b1f-4f53-9d57-2f4b8a1c6e30';

/**
 * A UUID made from a text: the same text always gives the same id, different texts different ones (122 bits of SHA-1).
 *
 * @returns 36 characters in small letters; RFC 9562, version 5
 */
export function deterministicId(text: string): string {
  return v5(text, NAMESPACE);
}
