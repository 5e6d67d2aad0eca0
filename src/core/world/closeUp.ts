import type { Crust } from './crust';
import type { Meat } from './meat';

/** A piece as it truly is, outside and in. */
export interface CloseUp {
  where: 'cold' | 'pit' | 'board' | 'box' | 'warmer' | 'gone';
  coreC: number;
  surfaceC: number;
  /** So far from the middle to the surface, 0 to 1. */
  atC(depth: number): number;
  wrap: Meat['wrap'];
  tenderShare: number;
  lostShare: number;
  crust: Pick<Crust, 'damp' | 'bark' | 'soft' | 'smokeH' | 'bitterH' | 'colour'>;
  thin?: { coreC: number; tenderShare: number; lostShare: number };
}
