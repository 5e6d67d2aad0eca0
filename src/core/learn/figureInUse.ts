import { cutIn, fuelOf, type Cut, type Equipment, type HoldingBox, type Library, type Pit } from '../model';
import { figureName, FIGURE, type FigureKey, type FigureName } from './figure';

/** Where figures stand: gear, and the library with the house's habits. */
export interface FigureGround {
  equipment: Pick<Equipment, 'pits' | 'boxes'>;
  library: Library;
}

/** What is written where a figure is taken, or put back. */
export type FigureHome =
  | { kind: 'pit'; pit: Pit }
  | { kind: 'box'; box: HoldingBox }
  | { kind: 'cut'; cut: Cut }
  | { kind: 'habits'; habits: NonNullable<Library['habits']> };

/** The number a figure is planned with now; undefined where what it is of is gone. */
export function figureInUse(figure: FigureKey, ground: FigureGround): number | undefined {
  const name = figureName(figure);
  return name && read(name, ground);
}

function read({ kind, of, part, band }: FigureName, { equipment, library }: FigureGround): number | undefined {
  const pit = equipment.pits.find(({ id }) => id === of);
  const cut = cutIn(library, of);
  switch (kind) {
    case 'gauge':
      return pit && ((part === 'hot' ? pit.gaugeOffsetHotC : undefined) ?? pit.gaugeOffsetC ?? 0);
    case 'zone':
      return pit?.racks.find(({ id }) => id === part)?.zones?.[band ?? -1]?.offsetC;
    case 'warmUp':
      return pit?.warmUpMin;
    case 'drop':
      return pit?.openingDropC;
    case 'recover':
      return pit?.recoverMin;
    case 'fuel':
      return pit && fuelOf(pit).kgPerH;
    case 'trim':
      return cut?.trimShare;
    case 'yield':
      return cut?.yieldShare;
    case 'portion':
      return library.habits?.eats?.[of as 'lunch'] ?? 1;
    case 'hands':
      return library.habits?.handPace?.[of as 'load'] ?? 1;
    case 'boxLoss':
      return equipment.boxes.find(({ id }) => id === of)?.lossWPerK;
  }
}

/** Whether somebody states a figure that is else as usual: a gauge that reads true, guests and hands like others'. */
export function isStated(figure: FigureKey, { equipment, library }: FigureGround): boolean {
  const { kind, of, part } = figureName(figure)!;
  const pit = equipment.pits.find(({ id }) => id === of);
  if (kind === 'gauge') return (part === 'hot' ? pit?.gaugeOffsetHotC : pit?.gaugeOffsetC) !== undefined;
  if (kind === 'portion') return library.habits?.eats?.[of as 'lunch'] !== undefined;
  if (kind === 'hands') return library.habits?.handPace?.[of as 'load'] !== undefined;
  return true;
}

/** What a figure belongs to, with the figure at another value, or (undefined) no longer stated: the whole of it, to be kept in place of what was. */
export function withFigure(figure: FigureKey, value: number | undefined, ground: FigureGround): FigureHome | undefined {
  const name = figureName(figure);
  if (!name || read(name, ground) === undefined) return undefined;
  const { kind, of, part, band } = name;
  const { equipment, library } = ground;
  const pit = equipment.pits.find(({ id }) => id === of);
  if (kind === 'gauge') return { kind: 'pit', pit: { ...pit!, [part === 'hot' ? 'gaugeOffsetHotC' : 'gaugeOffsetC']: value } };
  if (kind === 'portion' || kind === 'hands') {
    const habit = kind === 'portion' ? 'eats' : 'handPace';
    return { kind: 'habits', habits: { ...library.habits, [habit]: { ...library.habits?.[habit], [of]: value } } };
  }
  if (value === undefined) return undefined;
  if (kind === 'boxLoss') return { kind: 'box', box: { ...equipment.boxes.find(({ id }) => id === of)!, lossWPerK: value } };
  if (kind === 'trim' || kind === 'yield')
    return { kind: 'cut', cut: { ...cutIn(library, of)!, [kind === 'trim' ? 'trimShare' : 'yieldShare']: value } };
  return { kind: 'pit', pit: pitWith(pit!, { kind, of, part, band }, value) };
}

function pitWith(pit: Pit, { kind, part, band }: FigureName, value: number): Pit {
  switch (kind) {
    case 'zone': {
      const racks = pit.racks.map((rack) =>
        rack.id === part ? { ...rack, zones: rack.zones?.map((zone, i) => (i === band ? { ...zone, offsetC: value } : zone)) } : rack,
      );
      return { ...pit, racks };
    }
    case 'warmUp':
      return { ...pit, warmUpMin: value };
    case 'drop':
      return { ...pit, openingDropC: value };
    case 'recover':
      return { ...pit, recoverMin: value };
    case 'fuel':
      return { ...pit, fuel: { ...fuelOf(pit), kgPerH: value } };
    default:
      return pit;
  }
}

/** A figure as it is kept and shown: no finer than it can be known. */
export const roundedFigure = (figure: FigureKey, value: number): number => Number(value.toFixed(FIGURE[figureName(figure)!.kind].digits));
