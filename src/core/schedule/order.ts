import type { Batch, Cut, ClockMethod, Serving } from '../model';

/** A batch with everything that decides how it cooks. */
export interface BatchOrder {
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
