import type { FloatKind, FloatMotion } from '@doceo/core';

/** Width of the float in the picture, pixels. */
export const FLOAT_PX = 26;
const BUBBLES = 60;

/** Colours of the picture, from the tokens. */
const LOOK = {
  far: '#8fc0bd',
  near: '#4f979b',
  ripple: 'rgba(255,255,255,0.35)',
  ink: '#15261f',
  orange: '#e2460f',
  paper: '#fffdf6',
  lime: '#c3d12c',
  fly: '#6b4a2b',
};

/** Where the float is on a canvas of that width: it drifts over it and comes in again. */
export function floatX(motion: FloatMotion, width: number): number {
  const room = width + 4 * FLOAT_PX;
  return ((motion.alongWidths * FLOAT_PX) % room) - 2 * FLOAT_PX;
}

/** A canvas as large as it is shown, sharp on any screen, to be drawn on in its own pixels; null where there is none. */
export function fitCanvas(canvas: HTMLCanvasElement): CanvasRenderingContext2D | null {
  const dense = devicePixelRatio || 1;
  const [width, height] = [canvas.clientWidth, canvas.clientHeight].map((one) => Math.round(one * dense));
  if (canvas.width !== width || canvas.height !== height) Object.assign(canvas, { width, height });
  const pen = canvas.getContext('2d');
  pen?.setTransform(dense, 0, 0, dense, 0, 0);
  return pen;
}

/** Draws water that drifts, with the float on it as it stands now. */
export function drawFloat(
  canvas: CanvasRenderingContext2D,
  size: { width: number; height: number },
  kind: FloatKind,
  motion: FloatMotion,
  driftedWidths: number,
): void {
  const { width, height } = size;
  drawWater(canvas, size, driftedWidths * FLOAT_PX);
  const x = floatX(motion, width);
  const y = height * 0.52 + motion.asideWidths * FLOAT_PX;
  canvas.save();
  canvas.translate(x, y);
  if (kind === 'indicator') indicator(canvas, motion);
  else if (kind === 'yarn') yarn(canvas, motion);
  else if (kind === 'sighter') sighter(canvas, motion, height * 0.52);
  else dry(canvas, motion);
  canvas.restore();
}

function drawWater(
  canvas: CanvasRenderingContext2D,
  { width, height }: { width: number; height: number },
  driftPx: number,
): void {
  const water = canvas.createLinearGradient(0, 0, 0, height);
  water.addColorStop(0, LOOK.far);
  water.addColorStop(1, LOOK.near);
  canvas.fillStyle = water;
  canvas.fillRect(0, 0, width, height);
  canvas.fillStyle = LOOK.ripple;
  for (let i = 0; i < BUBBLES; i++) {
    // Spread by the golden ratio: even, and without a pattern.
    const along = (i * 0.618034) % 1;
    const down = (i * 0.381966 * 1.7) % 1;
    const nearer = 0.7 + 0.6 * down;
    const x = (((along * width + driftPx * nearer) % width) + width) % width;
    canvas.beginPath();
    canvas.ellipse(x, down * height, 3 + 9 * down, 1 + 1.6 * down, 0, 0, 2 * Math.PI);
    canvas.fill();
  }
}

/** What is below this line is under water and is not seen. */
function aboveWater(canvas: CanvasRenderingContext2D, sunk: number, size: number): void {
  canvas.beginPath();
  canvas.rect(-4 * size, -4 * size, 8 * size, 4 * size + size * 0.18);
  canvas.clip();
  canvas.translate(0, sunk * size);
}

function indicator(canvas: CanvasRenderingContext2D, { sunk, tiltDeg }: FloatMotion): void {
  const r = FLOAT_PX / 2;
  aboveWater(canvas, sunk, FLOAT_PX);
  canvas.rotate((tiltDeg * Math.PI) / 180);
  canvas.lineWidth = 2;
  canvas.strokeStyle = LOOK.ink;
  canvas.fillStyle = LOOK.paper;
  canvas.beginPath();
  canvas.arc(0, -r * 0.5, r, 0, 2 * Math.PI);
  canvas.fill();
  canvas.stroke();
  canvas.fillStyle = LOOK.orange;
  canvas.beginPath();
  canvas.arc(0, -r * 0.5, r, Math.PI, 2 * Math.PI);
  canvas.fill();
  canvas.stroke();
}

function yarn(canvas: CanvasRenderingContext2D, { sunk, tiltDeg }: FloatMotion): void {
  aboveWater(canvas, sunk, FLOAT_PX);
  canvas.rotate((tiltDeg * Math.PI) / 180);
  canvas.strokeStyle = LOOK.orange;
  canvas.lineWidth = 3;
  for (const lean of [-0.42, -0.2, 0, 0.2, 0.42]) {
    canvas.beginPath();
    canvas.moveTo(0, 2);
    canvas.quadraticCurveTo(lean * 10, -FLOAT_PX * 0.6, lean * FLOAT_PX * 1.2, -FLOAT_PX * 1.15);
    canvas.stroke();
  }
  canvas.fillStyle = LOOK.ink;
  canvas.fillRect(-4, -2, 8, 4);
}

/** A coloured length of leader that hangs from the rod into the water: slack it sags, taut it is straight. */
function sighter(canvas: CanvasRenderingContext2D, { sunk, taut, tiltDeg }: FloatMotion, high: number): void {
  const top = { x: FLOAT_PX * 1.6 + tiltDeg * 0.3, y: -high };
  const sag = FLOAT_PX * 1.5 * (1 - Math.min(1, taut));
  const dips = sunk * FLOAT_PX * 0.5;
  const pieces = 6;
  canvas.lineWidth = 4;
  for (let i = 0; i < pieces; i++) {
    canvas.strokeStyle = i % 2 === 0 ? LOOK.orange : LOOK.lime;
    canvas.beginPath();
    for (const share of [i / pieces, (i + 0.5) / pieces, (i + 1) / pieces]) {
      const bow = 4 * share * (1 - share) * sag;
      const [x, y] = [top.x * (1 - share) - bow, top.y * (1 - share) + bow * 0.4 + dips];
      if (share === i / pieces) canvas.moveTo(x, y);
      else canvas.lineTo(x, y);
    }
    canvas.stroke();
  }
  canvas.strokeStyle = LOOK.ripple;
  canvas.lineWidth = 2;
  canvas.beginPath();
  canvas.ellipse(0, 2, 10 + 10 * taut, 4, 0, 0, 2 * Math.PI);
  canvas.stroke();
}

function dry(canvas: CanvasRenderingContext2D, { sunk, tiltDeg }: FloatMotion): void {
  const splash = Math.max(0, -sunk - 0.25);
  if (splash > 0) {
    canvas.strokeStyle = LOOK.paper;
    canvas.lineWidth = 2.5;
    for (const r of [14, 24]) {
      canvas.beginPath();
      canvas.ellipse(0, 2, r + splash * 30, (r + splash * 30) * 0.35, 0, 0, 2 * Math.PI);
      canvas.stroke();
    }
  }
  aboveWater(canvas, Math.max(sunk, -0.2) * 0.7, FLOAT_PX);
  canvas.rotate((tiltDeg * Math.PI) / 180);
  canvas.strokeStyle = LOOK.fly;
  canvas.lineWidth = 1.4;
  for (let i = -5; i <= 5; i++) {
    canvas.beginPath();
    canvas.moveTo(0, -5);
    canvas.lineTo(i * 3, i % 2 === 0 ? -16 : 1);
    canvas.stroke();
  }
  canvas.fillStyle = LOOK.fly;
  canvas.beginPath();
  canvas.ellipse(2, -4, 11, 3.4, -0.1, 0, 2 * Math.PI);
  canvas.fill();
  canvas.fillStyle = LOOK.paper;
  canvas.beginPath();
  canvas.ellipse(-4, -12, 3.5, 7, 0.3, 0, 2 * Math.PI);
  canvas.fill();
}
