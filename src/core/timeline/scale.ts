import { MS_PER_MIN } from '../units';

export interface Scale {
  fromMs: number;
  toMs: number;
  leftPx: number;
  rightPx: number;
}

export const xAt = (scale: Scale, atMs: number): number =>
  scale.leftPx + ((atMs - scale.fromMs) / (scale.toMs - scale.fromMs)) * (scale.rightPx - scale.leftPx);

/** The moment under a place of the drawing. */
export const timeAt = (scale: Scale, x: number): number =>
  scale.fromMs + ((x - scale.leftPx) / (scale.rightPx - scale.leftPx)) * (scale.toMs - scale.fromMs);

/** Minutes a drag of so many pixels comes to, in steps. */
export const draggedMin = (scale: Scale, dx: number, stepMin: number): number =>
  Math.round((dx * (scale.toMs - scale.fromMs)) / (scale.rightPx - scale.leftPx) / MS_PER_MIN / stepMin) * stepMin;
