import type { Batch, Cut, ClockMethod, Serving } from '../model';

/** A batch with everything that decides how it cooks. */
export interface BatchOrder {
  /** Minutes it must be off the pit before it is carved, or leaves, for what of it goes back on. */
  afterPullMin?: number;
  batch: Batch;
  cut: Cut;
  method: ClockMethod;
  serving: Serving;
  /** Cold meat of the whole batch, which goes on about together however it is split. */
  loadKg: number;
  /** Minutes in the warm before going on; they count toward the danger zone. */
  temperMin: number;
  /** Injected meat: germs may be inside, so the stricter clock and core hold. */
  nonIntact: boolean;
}
