import type { Rect } from '../model';

/** What is to be laid: its footprint, mm, and where it would rather lie. */
export interface Item {
  id: string;
  lengthMm: number;
  widthMm: number;
  /** Thick, slow pieces want the hot side; delicate ones the cool side. */
  wants?: 'hot' | 'cool';
}

/** A piece on the floor. `turned` when its length lies away from the door. */
export interface Placed extends Rect {
  id: string;
  turned: boolean;
}
