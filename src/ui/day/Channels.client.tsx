'use client';
import { tagOfPiece } from '../../formats/messages/day/names';
import { pitName, type MessageContext } from '../../formats/messages/names';
import { formatTemp } from '../../formats/units';
import type { DayScreen } from './dayScreen';
import type { Say } from './useDeeds';

/** Which channel sits in what: told once it is moved. Channels that send and sit in nothing are shown too. */
export function Channels({
  day,
  context,
  say,
  heard,
}: {
  day: DayScreen;
  context: MessageContext;
  say: Say;
  heard: readonly { deviceId: string; channel: string }[];
}) {
  const known = [...day.channels];
  for (const { deviceId, channel } of heard)
    if (!known.some((each) => each.deviceId === deviceId && each.channel === channel)) known.push({ deviceId, channel });
  if (known.length === 0)
    return <p className="px-4 py-3 text-soft">No thermometer has sent anything yet. Readings can be typed on any phone.</p>;
  const values = (use: (typeof known)[number]) => (use.piece ? `piece:${use.piece}` : use.pitId ? `pit:${use.pitId}` : '');
  return (
    <section aria-label="Probes" className="px-4 py-3">
      <h2 className="text-[1.1rem]">Probes</h2>
      <ul className="mt-1 text-[0.94rem]">
        {known.map((use) => {
          const piece = day.pieces.find((each) => each.key === use.piece);
          const last = piece?.last ?? day.pits.find((each) => each.pitId === use.pitId)?.last;
          return (
            <li key={`${use.deviceId}/${use.channel}`} className="flex items-center gap-2 border-b border-line py-1">
              <span className="min-w-0 grow truncate">
                {use.channel} <span className="text-soft">of {use.deviceId}</span>
              </span>
              <select
                aria-label={`Where channel ${use.channel} sits`}
                className="min-h-9 rounded border border-line bg-paper px-1"
                value={values(use)}
                onChange={(changed) => {
                  const [kind, ...rest] = changed.target.value.split(':');
                  const id = rest.join(':');
                  say(
                    {
                      kind: 'channel',
                      deviceId: use.deviceId,
                      channel: use.channel,
                      ...(kind === 'piece' ? { piece: id, spot: 'thickest' as const } : kind === 'pit' ? { pitId: id } : {}),
                    },
                    `Channel ${use.channel} moved`,
                  );
                }}
              >
                <option value="">nothing</option>
                {day.pieces.map((each) => (
                  <option key={each.key} value={`piece:${each.key}`}>
                    {tagOfPiece(context, each.key)}
                  </option>
                ))}
                {day.pits.map((each) => (
                  <option key={each.pitId} value={`pit:${each.pitId}`}>
                    {pitName(context, each.pitId)}
                  </option>
                ))}
              </select>
              <span className="figures w-16 shrink-0 text-right font-bold">{last ? formatTemp(last.tempC, context.units) : ''}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
