import type { TipStroke } from './tip-path';

/** A cast seen from the side: a line behind the tip, thrown by it, in air. SI. */
export interface LoopCast {
  stroke: TipStroke;
  /** Line and leader beyond the tip. */
  lineM: number;
  /** Mass of a metre of line, kg; its diameter. */
  massPerM: number;
  diameterM: number;
  flyKg: number;
  flyDragAreaM2: number;
  /** Drag of the air across the line, and along its skin. */
  acrossDrag: number;
  skinFriction: number;
  /** Wind against the cast, m/s. */
  headWindMs: number;
  /** Tip above the water at the start. */
  tipHeightM: number;
  gravity: number;
  nodes: number;
  stepS: number;
  durationS: number;
}

export interface LoopFrame {
  atS: number;
  xs: number[];
  ys: number[];
}
