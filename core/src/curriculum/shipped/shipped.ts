import { type Curriculum, resolveCurriculum } from '../curriculum';
import type { Layer } from '../layer';
import { SHIPPED_BASICS } from './basics';
import { SHIPPED_QUESTIONS } from './questions';

/** What ships: the lowest layer of every curriculum. */
export const SHIPPED_LAYER: Layer = { ...SHIPPED_BASICS, questions: [...SHIPPED_QUESTIONS] };

/** The curriculum of one who changed nothing. */
export const SHIPPED_CURRICULUM: Curriculum = resolveCurriculum([{ owner: 'shipped', layer: SHIPPED_LAYER }]);
