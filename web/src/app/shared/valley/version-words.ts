import type { PlanVersion } from '@doceo/contract';

const REASONS: Record<PlanVersion['why'], string> = {
  named: 'kept',
  shared: 'shared',
  copied: 'copied',
  taught: 'taught',
  proposed: 'proposed',
  merged: 'put together',
  kept: 'before it was put together',
  sent: 'sent out',
};

/** What a version is, in a few words: what was said of it, else why there is one. */
export function versionWords({ why, note }: Pick<PlanVersion, 'why' | 'note'>): string {
  return note === '' ? REASONS[why] : note;
}

/** Most that is written beside a pool, characters; all of it is in its name. */
const LABEL_CHARS = 34;

/** The same as a label: a long word of its author ends where there is no more room. */
export function versionLabel(version: Pick<PlanVersion, 'why' | 'note'>): string {
  const words = versionWords(version);
  if (words.length <= LABEL_CHARS) return words;
  const cut = words.slice(0, LABEL_CHARS);
  return `${cut.slice(0, Math.max(cut.lastIndexOf(' '), LABEL_CHARS / 2)).trimEnd()} …`;
}
