import { SHIPPED_PARAMETERS, type ParameterSet } from '../forecast';
import type { CookEvent, CrewMember, HoldingBox, Library, Pit, Probe, Shift, Warmer } from '../model';
import type { RulesVersion } from '../quantities';
import type { Limits } from '../safety';

/** What is owned, or to be had, and not in use. */
export interface Spare {
  pits: Pit[];
  boxes: HoldingBox[];
  warmers: Warmer[];
  crew: CrewMember[];
}

/** All that a plan depends on. The same input gives the same plan, in the browser and on the server. */
export interface PlanInput {
  event: CookEvent;
  /** The pits and boxes the event may use. */
  pits: Pit[];
  boxes: HoldingBox[];
  warmers?: Warmer[];
  probes?: Probe[];
  crew?: CrewMember[];
  library: Library;
  /** No fire is lit before this; the present moment, for an event that lies ahead. */
  earliestMs: number;
  /** When the kitchen works; it always does when left out. */
  shifts?: Shift[];
  /** The quiet hours of the days before the servings. */
  quiet?: Shift[];
  /** Hard values, air between pieces and whether an empty duty list means nobody, where they are not the event's own. */
  limits?: Limits;
  airGapMm?: number;
  countCrew?: boolean;
  /** By which version of docs/formats/rules.md it is planned: 1 for a file of that version. */
  rules?: RulesVersion;
  /** Owned, or to be had, and not in use. */
  spare?: Spare;
  /** The cook model with what the owner's own cooks have taught it; as shipped when left out. */
  parameters?: ParameterSet;
}

export const parametersOf = ({ parameters }: Pick<PlanInput, 'parameters'>): ParameterSet => parameters ?? SHIPPED_PARAMETERS;
