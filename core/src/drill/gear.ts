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

/** What everybody has of his own from the first minute to the last, whoever uses it when. */
const ONE_EACH: ReadonlySet<string> = new Set(['rod', 'hat', 'glasses', 'staffs', 'belts', 'knee pads']);

/** Whether each student needs one of it for himself. */
export function isPersonal(item: string): boolean {
  return ONE_EACH.has(item);
}
