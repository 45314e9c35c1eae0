import type { FlyPlace, Section } from './rig';
import type { RigPart } from './rig-part';
import type { MaterialId } from './tackle/ids';

/** A length of line that a knot is tied in. */
export interface TiedLine {
  part: RigPart;
  diameterM: number;
  material: MaterialId;
}

/** A section of the leader as a line that is tied. */
export function sectionLine({ name, diameterM, material }: Section): TiedLine {
  return { part: { kind: 'section', name }, diameterM, material };
}

/**
 * The tag of a fly as a line that is tied.
 *
 * @param fly its name
 */
export function tagLine(fly: string, { diameterM, material }: Extract<FlyPlace, { kind: 'tag' }>): TiedLine {
  return { part: { kind: 'tag', fly }, diameterM, material };
}
