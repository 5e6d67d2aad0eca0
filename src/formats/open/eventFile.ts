import type {
  CookEvent,
  CrewMember,
  Cut,
  Duty,
  HoldingBox,
  Method,
  Batch,
  ExchangeEvent,
  ExchangeRack,
  Piece,
  Pit,
  Probe,
  Rack,
  Recipe,
  Serving,
  Venue,
  Warmer,
} from '../../core/model';

/** `T` with some fields that a file of another maker may leave out. */
type Loose<T, K extends keyof T> = Omit<T, K> & Partial<Pick<T, K>>;

/** Where things stand, and the minutes between; the first place is where meat and crew begin. */
export interface FilePlace {
  id: string;
  name: string;
}
export interface FileRoad {
  from: string;
  to: string;
  min: number;
}

/** Set-up is always said; the drive follows from the place and the roads. */
export type FileServing = Omit<Serving, 'placeId' | 'guests' | 'buffet'> &
  Partial<Pick<Serving, 'buffet'>> & { guests: Loose<Serving['guests'], 'heartyShare'>; place: string };

export type FileMethod = Loose<Method, 'id' | 'name' | 'line' | 'purpose' | 'practice' | 'wrapWhen' | 'needsSmoke' | 'finishOffSmoke'>;

export type FileBatch = Omit<Batch, 'servingId' | 'cutId' | 'methodId' | 'label' | 'sizedBy' | 'pieces'> &
  Partial<Pick<Batch, 'label' | 'sizedBy'>> & {
    serving: string;
    cut: string;
    method: FileMethod;
    pieces: (Piece & { startC: number })[];
  };

/** `name` may be left out, and by what a part is blocked. */
export type FileRack = ExchangeRack & Partial<Pick<Rack, 'name' | 'hotSide'>>;
export type FilePit = Omit<Pit, 'racks'> & { travels: boolean; place?: string; racks: FileRack[] };
export type FileBox = Loose<HoldingBox, 'name'> & { kind: 'insulated-box'; place?: string };
export type FileWarmer = Loose<Omit<Warmer, 'kind'>, 'name'> & { kind: 'warmer' | 'holding-oven' | 'steam-table'; place?: string };
export type FileDuty = Omit<Duty, 'memberId'> & Loose<CrewMember, 'name'> & { place?: string };
/** What the file of another maker leaves out of a cut is as for the cut most like it. */
export type FileCut = Partial<Omit<Cut, 'done'>> &
  Pick<Cut, 'id' | 'name' | 'species' | 'safetyClass' | 'lengthMm' | 'widthMm' | 'thicknessMm' | 'fillShare' | 'carveMin'> & {
    done: 'tender' | { coreC: number };
    convertedShare?: number;
  };

type OwnFields = Omit<
  CookEvent,
  | 'id'
  | 'place'
  | 'servings'
  | 'batches'
  | 'pitIds'
  | 'boxIds'
  | 'warmerIds'
  | 'probeIds'
  | 'hired'
  | 'holdSetPoints'
  | 'duty'
  | 'places'
  | 'roads'
  | 'standing'
  | 'venue'
  | 'weather'
  | 'revision'
>;

/**
 * An event and all it rests on, version 2 of `docs/formats/event.schema.json`. Instants are numbers here
 * (`…Ms`, ms since 1970 UTC); on paper they are RFC 3339 text under the name without the unit.
 */
export interface EventFile extends OwnFields {
  format: 'anachron-event';
  version: 2;
  place?: string;
  workFromMs: number;
  weather: ExchangeEvent['weather'];
  quietHours?: { from: string; to: string };
  rules: ExchangeEvent['rules'];
  places: FilePlace[];
  roads: FileRoad[];
  venue?: Pick<Venue, 'power' | 'rules' | 'setUpMin'>;
  servings: FileServing[];
  batches: FileBatch[];
  pits: FilePit[];
  holding: (FileBox | FileWarmer)[];
  crew: FileDuty[];
  probes?: Probe[];
  /** The owner's own cuts and recipes, so that the file stands alone. */
  cuts?: FileCut[];
  recipes?: Recipe[];
  /** What only plans kept under a name rest on. */
  spare?: { pits: FilePit[]; methods: Method[] };
}

/** As cold as the fridge: what a piece is when nobody says otherwise. */
export const FRIDGE_C = 4;
