/** A rod without its line is a rod. */
const SAME_THING: Record<string, string> = { 'rod without line': 'rod' };

/** What gear of a drill is called where it is counted. */
export function thingName(item: string): string {
  return SAME_THING[item.trim().toLowerCase()] ?? item.trim();
}

/** The key under which it is counted: small and capital letters are the same. */
export function thingOf(item: string): string {
  return thingName(item).toLowerCase();
}
