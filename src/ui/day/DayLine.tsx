import { clockTime } from '../../formats/clock';
import type { MessageContext } from '../../formats/messages/names';
import { tagOfPiece } from '../../formats/messages/day/names';
import type { DayGround, DayScreen } from './dayScreen';

/** The whole day shrunk to one line a piece: what was planned, thin; what happened, thick; what is thought to come, fading; now and the servings as lines. */
export function DayLine({ day, ground, context, nowMs }: { day: DayScreen; ground: DayGround; context: MessageContext; nowMs: number }) {
  const { event, units } = context;
  const { plan } = ground;
  if (plan.runs.length === 0) return null;
  const fromMs = Math.min(day.startedAtMs ?? Infinity, ...plan.firings.map((firing) => firing.lightAtMs));
  const toMs = Math.max(...event.servings.map((serving) => serving.atMs), nowMs) + 3_600_000;
  const at = (ms: number) => `${Math.min(100, Math.max(0, ((ms - fromMs) / (toMs - fromMs)) * 100))}%`;
  const width = (from: number, to: number) => `${Math.max(0.4, ((Math.min(to, toMs) - Math.max(from, fromMs)) / (toMs - fromMs)) * 100)}%`;
  const hours: number[] = [];
  const stepMs = toMs - fromMs > 14 * 3_600_000 ? 4 * 3_600_000 : 2 * 3_600_000;
  for (let ms = Math.ceil(fromMs / stepMs) * stepMs; ms < toMs; ms += stepMs) hours.push(ms);
  return (
    <figure aria-label="The whole day" className="px-4 py-3">
      <div className="relative">
        {hours.map((ms) => (
          <span key={ms} className="absolute inset-y-0 w-px bg-line" style={{ left: at(ms) }} aria-hidden />
        ))}
        {event.servings.map((serving) => (
          <span
            key={serving.id}
            className="absolute inset-y-0 w-0.5 bg-bad"
            style={{ left: at(serving.atMs) }}
            title={serving.name}
            aria-hidden
          />
        ))}
        <span className="absolute inset-y-0 w-0.5 bg-ember" style={{ left: at(nowMs) }} aria-hidden />
        {day.pieces.map((piece) => {
          const run = plan.runs.find((each) => each.id === piece.runId)!;
          const planned = run.pulls.find((each) => each.pieceId === piece.pieceId);
          const endMs = piece.pulledAtMs ?? Math.min(nowMs, toMs);
          const done = piece.forecast?.done;
          return (
            <div key={piece.key} className="relative flex h-6 items-center" title={tagOfPiece(context, piece.key)}>
              <span
                className="absolute -top-0.5 h-1 bg-soft opacity-50"
                style={{ left: at(run.onAtMs), width: width(run.onAtMs, planned?.medianMs ?? run.pullMedianMs) }}
              />
              {piece.onAtMs !== undefined && (
                <>
                  <span
                    className="absolute h-3 bg-bark"
                    style={{ left: at(piece.onAtMs), width: width(piece.onAtMs, piece.wrappedAtMs ?? endMs) }}
                  />
                  {piece.wrappedAtMs !== undefined && (
                    <span
                      className="absolute h-3 bg-wrap"
                      style={{ left: at(piece.wrappedAtMs), width: width(piece.wrappedAtMs, endMs) }}
                    />
                  )}
                </>
              )}
              {piece.pulledAtMs !== undefined && (
                <span
                  className="absolute h-3 bg-hold"
                  style={{ left: at(piece.pulledAtMs), width: width(piece.pulledAtMs, piece.carvedAtMs ?? nowMs) }}
                />
              )}
              {done && piece.pulledAtMs === undefined && (
                <span
                  className="absolute h-3"
                  style={{
                    left: at(Math.max(done.p10Ms, nowMs)),
                    width: width(Math.max(done.p10Ms, nowMs), done.p90Ms),
                    background: 'linear-gradient(90deg, var(--ember), transparent)',
                  }}
                />
              )}
              <span className="absolute left-0 rounded-sm bg-paper px-1 text-[0.78rem] font-bold">{tagOfPiece(context, piece.key)}</span>
            </div>
          );
        })}
      </div>
      <div className="relative h-5 text-[0.76rem] text-soft">
        {hours.map((ms) => (
          <span key={ms} className="figures absolute -translate-x-1/2" style={{ left: at(ms) }}>
            {clockTime(ms, event.timeZone, units.clock)}
          </span>
        ))}
      </div>
      <figcaption className="text-[0.82rem] text-soft">
        Thin: planned. Dark: bare, tan: wrapped, grey: rest and hold. Fading: thought to be done. Lines: now, and each serving.
      </figcaption>
    </figure>
  );
}
