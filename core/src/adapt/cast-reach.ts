import type { Curriculum } from '../curriculum';
import { mainSkillOf } from '../drill';
import { READY, type SkillState } from '../skill';

/**
 * The longest line that somebody is known to cast. A skill he has is known at the shortest line it is drilled at; the
 * longest of those counts. Who has none of them yet casts the shortest he is at. A leader that turns over reaches farther,
 * and nobody counts on it.
 *
 * @returns metres of line beyond the tip; null for one of whom no cast was seen
 */
export function castReach(curriculum: Curriculum, skills: SkillState): number | null {
  const seen = curriculum.skills.all.flatMap(({ id, strand }) => {
    const state = skills[id];
    if (strand !== 'casting' || !state || state.attempts === 0) return [];
    const lines = curriculum.drills.all.flatMap((drill) =>
      mainSkillOf(drill) === id && drill.lineOutM > 0 ? drill.lineOutM : [],
    );
    return lines.length > 0 ? { lineM: Math.min(...lines), isReady: state.mastery >= READY } : [];
  });
  const ready = seen.filter(({ isReady }) => isReady).map(({ lineM }) => lineM);
  if (ready.length > 0) return Math.max(...ready);
  return seen.length > 0 ? Math.min(...seen.map(({ lineM }) => lineM)) : null;
}
