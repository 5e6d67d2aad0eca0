import { figureKey, type FigureKey, type FigureKind, type FigureName } from '../../core/learn';
import { GAUGE_HEATS, type Equipment, type Library } from '../../core/model';
import { formatHeatLoss, formatMass, formatMinutes, formatSetPoint, formatShare, formatTempDifference, type Units } from '../units';
import { capital } from './names';
import { bandName } from './rack';

interface FigureContext {
  equipment: Pick<Equipment, 'pits' | 'boxes'>;
  library: Pick<Library, 'cuts'>;
  units: Units;
}

const WORK = { load: 'putting on', wrap: 'wrapping', move: 'moving', pull: 'pulling' } as const;

/** What a figure is of and what it tells: `Long trailer`, `grate over the gauge at 250 °F`. */
export function figureWords(
  { kind, of, part, band }: FigureName,
  { equipment, library, units }: FigureContext,
): { of: string; what: string } {
  const pit = equipment.pits.find(({ id }) => id === of)?.name ?? 'A pit';
  const cut = capital(library.cuts.find(({ id }) => id === of)?.name ?? 'a cut');
  const words: Record<FigureKind, () => { of: string; what: string }> = {
    gauge: () => ({ of: pit, what: `grate over the gauge, about ${formatSetPoint(GAUGE_HEATS[part === 'hot' ? 'hot' : 'low'], units)}` }),
    zone: () => ({ of: pit, what: `${bandName({ pits: equipment.pits }, of, part ?? '', band ?? -1)}, over the grate` }),
    warmUp: () => ({ of: pit, what: 'light to ready' }),
    drop: () => ({ of: pit, what: 'drop when opened' }),
    recover: () => ({ of: pit, what: 'back after an opening' }),
    fuel: () => ({ of: pit, what: `burns at ${formatSetPoint(121, units)}, mild` }),
    trim: () => ({ of: cut, what: 'lost to trimming' }),
    yield: () => ({ of: cut, what: 'cooked of trimmed raw' }),
    portion: () => ({ of: 'Guests', what: `meat eaten at ${of}, of the usual` }),
    hands: () => ({ of: 'Crew', what: `minutes at ${WORK[of as keyof typeof WORK] ?? of}, of the usual` }),
    boxLoss: () => ({ of: equipment.boxes.find(({ id }) => id === of)?.name ?? 'A box', what: 'heat lost' }),
  };
  return words[kind]();
}

/** A figure's number with its unit. */
export function formatFigure(kind: FigureKind, value: number, units: Units): string {
  switch (kind) {
    case 'gauge':
    case 'zone':
      return `${value > 0 ? '+' : value < 0 ? '-' : ''}${formatTempDifference(Math.abs(value), units)}`;
    case 'drop':
      return formatTempDifference(value, units);
    case 'warmUp':
    case 'recover':
      return formatMinutes(Math.round(value));
    case 'fuel':
      return `${formatMass(value, units)}/h`;
    case 'boxLoss':
      return formatHeatLoss(value, units);
    default:
      return formatShare(value);
  }
}

/** Every figure that can be measured of what a house has, by name, in the order it is offered. */
export function measurable({ equipment, library }: FigureContext): FigureKey[] {
  return [
    ...equipment.pits.flatMap((pit): FigureKey[] => [
      figureKey('gauge', pit.id, 'low'),
      figureKey('gauge', pit.id, 'hot'),
      ...pit.racks.flatMap(({ id, zones }) => (zones ?? []).map((_, band) => figureKey('zone', pit.id, id, band))),
      figureKey('warmUp', pit.id),
      figureKey('drop', pit.id),
      figureKey('recover', pit.id),
      figureKey('fuel', pit.id),
    ]),
    ...equipment.boxes.map(({ id }) => figureKey('boxLoss', id)),
    'portion/lunch',
    'portion/supper',
    ...Object.keys(WORK).map((work) => figureKey('hands', work)),
    ...library.cuts
      .filter(({ species }) => species !== 'dish')
      .flatMap(({ id }): FigureKey[] => [figureKey('trim', id), figureKey('yield', id)]),
  ];
}
