'use client';
import { bandName } from '../../formats/messages/rack';
import { tagOfPiece } from '../../formats/messages/day/names';
import { capital, pitName, type MessageContext } from '../../formats/messages/names';
import { formatTemp } from '../../formats/units';
import { Dialog } from '../kit/Dialog';
import { isCooking, type DayGround, type DayScreen } from './dayScreen';
import { RingsBehind } from './RingsBehind';
import { NumberPad, type PadPlace } from './NumberPad.client';
import type { Say } from './useDeeds';

interface ReadingDialogProps {
  /** What the pad opens on: a piece's key, `pit/` and a pit's id, or blank for the first there is. */
  first: string;
  day: DayScreen;
  ground: DayGround;
  context: MessageContext;
  say: Say;
  onClose(): void;
}

/** Where a pit can be read: at the grate, on its gauge, and in each band of a rack that runs hotter or cooler. */
function placesIn(context: MessageContext, pitId: string): PadPlace[] {
  const racks = context.pits.find((each) => each.id === pitId)?.racks ?? [];
  return [
    { label: 'Grate' },
    { label: 'Gauge', at: 'gauge' },
    ...racks.flatMap(({ id, zones }) =>
      (zones ?? []).map((_, band) => ({ label: capital(bandName(context, pitId, id, band)), rackId: id, band })),
    ),
  ];
}

/** The number pad over the page: what cooks first, then what rests, then the pits that burn. */
export function ReadingDialog({ first, day, ground, context, say, onClose }: ReadingDialogProps) {
  const pieces = day.pieces.filter((each) => each.carvedAtMs === undefined).sort((a, b) => Number(isCooking(b)) - Number(isCooking(a)));
  const targets = [
    ...pieces.map((each) => ({ key: each.key, tag: tagOfPiece(context, each.key), last: each.lastLeftOut ? undefined : each.last?.tempC })),
    ...day.pits
      .filter((pit) => pit.litAtMs !== undefined)
      .map((pit) => ({
        key: `pit/${pit.pitId}`,
        tag: pitName(context, pit.pitId),
        last: pit.last?.tempC,
        places: placesIn(context, pit.pitId),
      })),
  ];
  const known = targets.some((each) => each.key === first) ? first : targets[0]?.key;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Reading" description="The piece, the number, kept.">
      <RingsBehind day={day} ground={ground} context={context} />
      {known === undefined ? (
        <p className="text-soft">Nothing is on, and no fire is lit: there is nothing to read.</p>
      ) : (
        <NumberPad
          key={known}
          targets={targets}
          first={known}
          onRead={(key, tempC, spot, place) => {
            const { label, ...where } = place ?? { label: '' };
            const words = `${targets.find((each) => each.key === key)?.tag ?? ''}${where.at || where.rackId ? `, ${label.toLowerCase()}` : ''}: ${formatTemp(tempC, context.units)} kept`;
            if (key.startsWith('pit/')) say({ kind: 'pitReading', pitId: key.slice(4), pitC: tempC, ...where }, words);
            else say({ kind: 'reading', piece: key, spot, coreC: tempC }, words);
          }}
        />
      )}
    </Dialog>
  );
}
