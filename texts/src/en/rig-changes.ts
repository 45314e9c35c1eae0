import {
  formatLength,
  formatMass,
  formatTippet,
  type Rig,
  type SharedPlan,
  type UnitSystem,
} from '@doceo/core';
import { DRESSING_NAMES, KNOT_NAMES, MATERIAL_NAMES } from './tackle';

/** What a field of a rig is called where it differs; the part it is of stands before it. */
const FIELD_NAMES: Record<string, string> = {
  lengthM: 'length',
  diameterM: 'thickness',
  material: 'material',
  joint: 'knot above',
  knot: 'knot',
  aboveFlyM: 'above the fly',
  massKg: 'weight',
  metal: 'metal',
  style: 'kind',
  hookSize: 'hook',
  dressing: 'dressing',
  bead: 'bead',
  beadDiameterM: 'bead',
  barb: 'barb',
  at: 'where it hangs',
  wire: 'wire',
  waterDepthM: 'for a depth of',
  schools: 'school',
  line: 'fly line',
  rod: 'rod',
};
const LENGTHS: ReadonlySet<string> = new Set(['lengthM', 'aboveFlyM', 'waterDepthM']);
const THICKNESSES: ReadonlySet<string> = new Set(['diameterM']);

/** Where in a rig something differs: `tippet, length`, `Foam beetle, hook`. */
export function rigFieldName(rigId: string, path: readonly string[], plans: readonly SharedPlan[]): string {
  const [field = '', partId, name] = path;
  const rigs = plans.flatMap(({ body }) => body.rigs.find(({ id }) => id === rigId)?.rig ?? []);
  if (partId === undefined || name === undefined) return FIELD_NAMES[field] ?? field;
  return [partName(rigs, partId), FIELD_NAMES[name] ?? name].filter(Boolean).join(', ');
}

function partName(rigs: readonly Rig[], partId: string): string {
  for (const rig of rigs) {
    const named = [...rig.sections, ...rig.flies].find(({ id }) => id === partId);
    if (named) return named.name;
    const fitting = rig.fittings.find(({ id }) => id === partId);
    if (fitting) return fitting.kind === 'shot' ? 'split shot' : 'indicator';
  }
  return '';
}

/** What a rig has in a field, in words. */
export function rigFieldText(path: readonly string[], value: unknown, units: UnitSystem): string {
  const [list = ''] = path;
  const field = path.at(-1) ?? '';
  if (LENGTHS.has(field) && typeof value === 'number') return formatLength(value, units);
  if (THICKNESSES.has(field) && typeof value === 'number')
    return list === 'sections' ? formatTippet(value, units) : formatLength(value, units);
  if (field === 'massKg' && typeof value === 'number') return formatMass(value, units);
  if (field === 'joint' || field === 'knot') return named(KNOT_NAMES, value);
  if (field === 'material') return named(MATERIAL_NAMES, value);
  if (field === 'dressing') return named(DRESSING_NAMES, value);
  if (field === 'at') return placeText(value as Rig['flies'][number]['at'], units);
  if (field === 'hookSize') return `#${String(value)}`;
  return typeof value === 'object' ? 'another' : String(value).replace('-', ' ');
}

/** The name of an id that may come from a newer Doceo. */
function named(names: Readonly<Record<string, string>>, id: unknown): string {
  return names[String(id)] ?? String(id);
}

function placeText(at: Rig['flies'][number]['at'], units: UnitSystem): string {
  if (at.kind === 'point') return 'on the point';
  return at.kind === 'inline' ? 'in line' : `on a tag of ${formatLength(at.lengthM, units)}`;
}
