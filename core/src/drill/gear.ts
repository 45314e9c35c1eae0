/** Gear of which the whole group needs one, however many use it. */
const ONE_FOR_ALL: ReadonlySet<string> = new Set([
  'first-aid kit',
  'fly box',
  'hand scale',
  'rule card',
  'thermometer',
  'watch',
  'whistle',
  'white tray',
]);

/** Whether a group shares one of it. */
export function isShared(item: string): boolean {
  return ONE_FOR_ALL.has(item);
}
