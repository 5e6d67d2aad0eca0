export interface Guests {
  adults: number;
  children: number;
  /** Share of the adults who eat heartily. */
  heartyShare: number;
}

export interface Serving {
  id: string;
  name: string;
  /** The serving time, ms since 1970 UTC. */
  atMs: number;
  serveForMin: number;
  /** Carving begins this long before the serving time. */
  carveLeadMin: number;
  guests: Guests;
  buffet: boolean;
}

export interface Piece {
  id: string;
  /** Trimmed weight, as it goes on. */
  kg: number;
}

/** Pieces of one cut, by one method, for one serving. */
export interface Batch {
  id: string;
  servingId: string;
  cutId: string;
  methodId: string;
  /** The owner's word for a pan dish ("harbour beans"); the cut's name otherwise. */
  label: string;
  /** `guests`: the number of pieces follows the guests; `hand`: as typed. */
  sizedBy: 'guests' | 'hand';
  pieces: Piece[];
}

export interface CookEvent {
  id: string;
  name: string;
  place: string;
  /** IANA zone of the place. Times are instants; this turns them into clock times. */
  timeZone: string;
  altitudeM: number;
  /** The share of cooks that the time reserved on a pit must cover. */
  confidence: number;
  servings: Serving[];
  batches: Batch[];
  pitIds: string[];
  boxIds: string[];
  /** Goes up by one with every saved change. */
  revision: number;
}
