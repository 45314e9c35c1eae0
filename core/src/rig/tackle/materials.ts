import { inRange } from '../../error';
import type { MaterialId } from './ids';
import { measuredOf, NOTHING_MEASURED } from '../measured/measured';
import { measuredKey } from '../measured/measured-key';

/** One class of leader material. Strength and stiffness are typical of the class, ± `spread` as a share. */
export interface Material {
  id: MaterialId;
  /** kg/m³ */
  density: number;
  /** Breaking stress, Pa: breaking load is stress × section. */
  strengthPa: number;
  /** Elastic modulus, Pa: bending stiffness goes with E·d⁴. */
  modulusPa: number;
  spread: number;
}

/** Estimates for classes, not for products; nylon and fluorocarbon densities are those of the polymers. */
export const MATERIALS: Record<MaterialId, Material> = {
  'stiff-mono': {
    id: 'stiff-mono',
    density: 1140,
    strengthPa: 0.6e9,
    modulusPa: 3.2e9,
    spread: 0.2,
  },
  'limp-nylon': {
    id: 'limp-nylon',
    density: 1140,
    strengthPa: 0.8e9,
    modulusPa: 1.4e9,
    spread: 0.2,
  },
  copolymer: {
    id: 'copolymer',
    density: 1140,
    strengthPa: 1.05e9,
    modulusPa: 2.0e9,
    spread: 0.15,
  },
  fluorocarbon: {
    id: 'fluorocarbon',
    density: 1780,
    strengthPa: 0.95e9,
    modulusPa: 2.8e9,
    spread: 0.15,
  },
  sighter: {
    id: 'sighter',
    density: 1140,
    strengthPa: 0.65e9,
    modulusPa: 2.2e9,
    spread: 0.2,
  },
  braid: { id: 'braid', density: 970, strengthPa: 1.2e9, modulusPa: 0.3e9, spread: 0.3 },
};

/** Section area of a round line, m². */
export function sectionArea(diameterM: number): number {
  return (Math.PI / 4) * diameterM * diameterM;
}

/**
 * Breaking load of unknotted material: as measured, else stress × section.
 *
 * @param diameterM metres, > 0, at most 2 mm
 * @returns newtons; an estimate, ± the material's spread
 * @throws CoreError 'out-of-range'
 */
export function materialStrength(
  material: MaterialId,
  diameterM: number,
  measured = NOTHING_MEASURED,
): number {
  inRange('diameterM', diameterM, 1e-5, 0.002);
  const broke = measuredOf(measured, 'material-strength', measuredKey.diameter(material, diameterM));
  if (broke) return broke.value;
  return MATERIALS[material].strengthPa * sectionArea(diameterM);
}

/** Bending stiffness E·π·d⁴/64 of a round line, N·m². */
export function bendingStiffness(
  material: MaterialId,
  diameterM: number,
  measured = NOTHING_MEASURED,
): number {
  const bent = measuredOf(measured, 'material-stiffness', measuredKey.material(material));
  return ((bent?.value ?? MATERIALS[material].modulusPa) * Math.PI * diameterM ** 4) / 64;
}
