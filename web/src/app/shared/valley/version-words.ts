import type { PlanVersion } from '@doceo/contract';

const REASONS: Record<PlanVersion['why'], string> = {
  named: 'kept',
  shared: 'shared',
  copied: 'copied',
  taught: 'taught',
  proposed: 'proposed',
  merged: 'put together',
  kept: 'before it was put together',
};

/** What a version is, in a few words: what was said of it, else why there is one. */
export function versionWords({ why, note }: Pick<PlanVersion, 'why' | 'note'>): string {
  return note === '' ? REASONS[why] : note;
}
