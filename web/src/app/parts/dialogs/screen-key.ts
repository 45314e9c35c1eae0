/**
 * Whether a key that is pressed is for the screen, and not for a field, a dialog, or the browser.
 *
 * @returns null when it is not; else whether what has the focus knows space and enter itself
 */
export function screenKey(event: KeyboardEvent): { onControl: boolean } | null {
  const target = event.target instanceof Element ? event.target : document.body;
  if (isTypedIn(target) || event.ctrlKey || event.metaKey || event.altKey) return null;
  return { onControl: target.closest('button, [role=slider], input, a') !== null };
}

/** A field of text takes keys, and so does a dialog; a slider leaves letters alone. */
export const isTypedIn = (target: Element): boolean =>
  target.closest('input:not([type=range]), textarea, select, .p-dialog') !== null;
