const PLACE = 'doceo.guardian.';
/** What this page made where the device keeps nothing. */
const unkept = new Map<string, string>();

/** The key by which this device is known again to what it answered; made when it is first asked for, and kept here. */
export function deviceKey(token: string): string {
  // So much of the token names its place and opens nothing.
  const place = PLACE + token.slice(0, 6);
  try {
    const kept = localStorage.getItem(place);
    if (kept) return kept;
    const made = newKey();
    localStorage.setItem(place, made);
    return made;
  } catch {
    const made = unkept.get(place) ?? newKey();
    unkept.set(place, made);
    return made;
  }
}

/** 128 random bits as 22 characters. */
function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .slice(0, 22);
}
