import type { CrewMember, Equipment, HoldingBox, Pit, Warmer } from './equipment';

/** Had for one event alone: pits like one that is owned, boxes, and hands by their names. */
export interface Hired {
  pits?: { id: string; like: string }[];
  boxes?: HoldingBox[];
  hands?: CrewMember[];
}

/** A warmer or holding oven that stands at another heat for one event. */
export interface HoldSetPoint {
  gearId: string;
  setC: number;
}

interface HiredBy {
  hired?: Hired;
  holdSetPoints?: HoldSetPoint[];
}

/** All there is for an event: what the house has, with what is hired for it, and its warmers as hot as it wants them. */
export function withHired<E extends Partial<Equipment>>({ hired, holdSetPoints }: HiredBy, equipment: E): E {
  if (!hired && !holdSetPoints) return equipment;
  const { pits = [], boxes = [], warmers = [], crew = [] } = equipment;
  const more = (hired?.pits ?? []).flatMap(({ id, like }) => {
    const model = pits.find((pit) => pit.id === like);
    return model && !pits.some((pit) => pit.id === id)
      ? [
          hiredLike(
            model,
            id,
            hired!.pits!.filter((each) => each.like === like),
          ),
        ]
      : [];
  });
  const unknown = <T extends { id: string }>(list: readonly T[] | undefined, known: readonly { id: string }[]) =>
    (list ?? []).filter(({ id }) => !known.some((each) => each.id === id));
  return {
    ...equipment,
    ...(equipment.pits && { pits: [...pits, ...more] }),
    ...(equipment.boxes && { boxes: [...boxes, ...unknown(hired?.boxes, boxes)] }),
    ...(equipment.warmers && { warmers: warmers.map((warmer) => setTo(warmer, holdSetPoints)) }),
    ...(equipment.crew && { crew: [...crew, ...unknown(hired?.hands, crew)] }),
  };
}

const setTo = (warmer: Warmer, holdSetPoints: readonly HoldSetPoint[] = []): Warmer => {
  const set = holdSetPoints.find((each) => each.gearId === warmer.id);
  return set ? { ...warmer, setC: set.setC } : warmer;
};

/** Racks are known by their ids alone in places: those of a hired pit have their own. */
function hiredLike(model: Pit, id: string, alike: readonly { id: string }[]): Pit {
  const nth = alike.findIndex((each) => each.id === id) + 1;
  return {
    ...model,
    id,
    name: `${model.name}, hired${alike.length > 1 ? ` ${nth}` : ''}`,
    hired: true,
    racks: model.racks.map((rack) => ({ ...rack, id: `${rack.id}-${id}` })),
  };
}
