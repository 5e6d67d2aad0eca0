import type { Cut } from '../model';
import type { CloseUp } from '../world';

export const COLOURS = ['raw', 'amber', 'mahogany', 'dark', 'black'] as const;
export type Colour = (typeof COLOURS)[number];
export const WETNESS = ['wet', 'tacky', 'dry'] as const;
export type Wetness = (typeof WETNESS)[number];
export const BARKS = ['none', 'scrapes', 'set', 'hard'] as const;
export type BarkState = (typeof BARKS)[number];
export const GIVES = ['tight', 'some', 'almost', 'tender', 'falling'] as const;
export type Give = (typeof GIVES)[number];

/** What eyes see of a piece when the lid is up. */
export interface Seen {
  colour: Colour;
  wetness: Wetness;
  bark: BarkState;
  /** Fat that stands on the surface. */
  fat: 'white' | 'clear';
  wrapped: boolean;
  /** Figures a drawing follows, 0 to 1 (colour to 2); no screen tells them. */
  colourShare: number;
  damp: number;
  barkShare: number;
  bitter: number;
}

export const colourOf = (share: number): Colour =>
  share < 0.22 ? 'raw' : share < 0.55 ? 'amber' : share < 1.05 ? 'mahogany' : share < 1.7 ? 'dark' : 'black';
export const wetnessOf = (damp: number): Wetness => (damp > 0.6 ? 'wet' : damp > 0.25 ? 'tacky' : 'dry');
export const barkOf = (bark: number): BarkState => (bark < 0.3 ? 'none' : bark < 1 ? 'scrapes' : bark < 2.3 ? 'set' : 'hard');
export const giveOf = (tenderShare: number): Give =>
  tenderShare < 0.5 ? 'tight' : tenderShare < 0.78 ? 'some' : tenderShare < 0.96 ? 'almost' : tenderShare < 1.22 ? 'tender' : 'falling';

export const seenOf = ({ crust, surfaceC, wrap }: CloseUp): Seen => ({
  colour: colourOf(crust.colour),
  wetness: wetnessOf(crust.damp),
  bark: barkOf(crust.bark),
  fat: surfaceC > 62 ? 'clear' : 'white',
  wrapped: wrap !== 'none',
  colourShare: crust.colour,
  damp: crust.damp,
  barkShare: crust.bark,
  bitter: crust.bitterH,
});

export const PRESSES = ['springs', 'yields', 'sinks'] as const;
/** What a gloved finger feels, through a wrap too; where there is a bone that can be taken hold of, whether it turns. */
export interface Pressed {
  press: (typeof PRESSES)[number];
  bone?: 'stuck' | 'loosening' | 'turns';
}

const HAS_A_BONE_TO_TURN = /ribs|butt$|picnic|shoulder/;

export function pressedOf({ tenderShare }: CloseUp, cut: Cut): Pressed {
  return {
    press: tenderShare < 0.6 ? 'springs' : tenderShare < 0.95 ? 'yields' : 'sinks',
    bone: !HAS_A_BONE_TO_TURN.test(cut.id) ? undefined : tenderShare < 0.75 ? 'stuck' : tenderShare < 0.98 ? 'loosening' : 'turns',
  };
}

/** What a hand feels as a thin probe goes in. */
export interface Felt {
  coreC: number;
  give: Give;
  /** Force along the way in, from the surface to the middle, 0 to 1. */
  resistance: number[];
  spot: 'thick' | 'thin';
  /** Racks of ribs are lifted, too. */
  bend?: 'stiff' | 'bends' | 'cracks' | 'breaks';
}

const POINTS = 24;

/** The crust first, then muscle: it lets go from outside, where it has been hot for longer. */
function resistanceOf({ crust, atC, coreC }: CloseUp, tenderShare: number): number[] {
  const tough = Math.max(0.06, 1 - 0.92 * Math.min(1, tenderShare));
  return Array.from({ length: POINTS }, (_, i) => {
    const way = i / (POINTS - 1);
    const hotter = Math.min(1, Math.max(0, (atC(1 - way) - coreC) / 25));
    const rind = 0.35 * Math.min(1.5, crust.bark) * (1 - 0.7 * crust.soft) * Math.exp(-((way / 0.07) ** 2));
    return Math.min(1, rind + tough * (1 - 0.55 * hotter) * Math.min(1, way / 0.1));
  });
}

export function feltOf(piece: CloseUp, cut: Cut, spot: 'thick' | 'thin', offC: number): Felt {
  const end = spot === 'thin' && piece.thin ? piece.thin : piece;
  const ribs = cut.bones !== undefined;
  return {
    coreC: Math.round((end.coreC + offC) * 10) / 10,
    give: giveOf(end.tenderShare),
    resistance: resistanceOf(piece, end.tenderShare),
    spot,
    bend: !ribs
      ? undefined
      : end.tenderShare < 0.6
        ? 'stiff'
        : end.tenderShare < 0.9
          ? 'bends'
          : end.tenderShare < 1.2
            ? 'cracks'
            : 'breaks',
  };
}
