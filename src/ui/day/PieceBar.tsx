import { believedCoreC, type PieceView } from '../../core/day';
import { clockTime } from '../../formats/clock';
import { pieceTag, type MessageContext } from '../../formats/messages/names';
import { STEP_WORDS } from '../../formats/messages/day/entry';
import { formatMass, formatTemp } from '../../formats/units';
import type { DayGround } from './dayScreen';

interface PieceBarProps {
  piece: PieceView;
  ground: DayGround;
  context: MessageContext;
  nowMs: number;
  onOpen(): void;
}

/** Where the finish is drawn: from an hour ago to an hour past the latest. */
const BEFORE_MS = 3_600_000;
/** What was read longer ago is not the core now. */
const OLD_MS = 20 * 60_000;

/** One piece: its core now, where its finish is thought to lie (fading, never an edge) and where the plan had it. */
export function PieceBar({ piece, ground, context, nowMs, onOpen }: PieceBarProps) {
  const { units, event } = context;
  const run = ground.plan.runs.find((each) => each.id === piece.runId)!;
  const batch = event.batches.find((each) => each.id === piece.batchId)!;
  const nth = batch.pieces.findIndex((each) => each.id === piece.pieceId);
  const kg = batch.pieces[nth]?.kg ?? 0;
  const tag = pieceTag(context, piece.batchId, nth);
  const time = (ms: number) => clockTime(ms, event.timeZone, units.clock);
  const planned = run.pulls.find((each) => each.pieceId === piece.pieceId);
  const done = piece.forecast?.done;
  const cooking = piece.onAtMs !== undefined && piece.pulledAtMs === undefined;
  const fromMs = nowMs - BEFORE_MS;
  const toMs = Math.max(run.carveAtMs, (done?.p90Ms ?? 0) + BEFORE_MS);
  const at = (ms: number) => Math.min(100, Math.max(0, ((ms - fromMs) / (toMs - fromMs)) * 100));
  const feel = piece.checks.at(-1);
  const believedC = cooking && piece.forecast ? believedCoreC(piece.forecast, nowMs) : undefined;
  const isNow = piece.last && !(piece.lastLeftOut && cooking) && !(believedC !== undefined && nowMs - piece.last.atMs > OLD_MS);
  return (
    <button type="button" onClick={onOpen} className="block min-h-12 w-full px-4 py-2 text-left hover:bg-shade">
      <span className="flex items-baseline justify-between gap-2">
        <span>
          <span className="text-[1.02rem] font-bold">{tag}</span>{' '}
          <span className="text-[0.86rem] text-soft">
            {formatMass(kg, units)}
            {piece.step && piece.step !== 'on' ? `, ${STEP_WORDS[piece.step]} ${time(piece.stepAtMs ?? 0)}` : ''}
            {piece.lastLeftOut && cooking ? ', probe left out' : ''}
            {feel && cooking ? `, ${feel.feel}` : ''}
          </span>
        </span>
        <span className="figures text-[1.3rem] font-bold">
          {piece.last && isNow ? (
            formatTemp(piece.last.tempC, units)
          ) : believedC !== undefined ? (
            <span className="text-soft">about {formatTemp(believedC, units)}</span>
          ) : (
            <span className="text-[0.86rem] font-normal text-soft">{piece.onAtMs === undefined ? 'not on' : ''}</span>
          )}
        </span>
      </span>
      {cooking && done && (
        <>
          <span className="relative mt-1 block h-3.5 overflow-hidden rounded-sm bg-shade" aria-hidden>
            <span className="absolute inset-y-0 w-0.5 bg-soft" style={{ left: `${at(nowMs)}%` }} />
            <span
              className="absolute inset-y-0"
              style={{
                left: `${at(done.p10Ms)}%`,
                width: `${Math.max(2, at(done.p90Ms) - at(done.p10Ms))}%`,
                background: 'linear-gradient(90deg, transparent, var(--ember) 35%, var(--ember) 65%, transparent)',
              }}
            />
            {planned && (
              <>
                <span className="absolute inset-y-0 w-0.5 bg-ink" style={{ left: `${at(planned.earlyMs)}%` }} />
                <span className="absolute inset-y-0 w-0.5 bg-ink" style={{ left: `${at(planned.lateMs)}%` }} />
              </>
            )}
          </span>
          <span className="mt-0.5 flex justify-between text-[0.84rem] text-soft">
            <span>now {time(nowMs)}</span>
            <span>
              done {time(done.p10Ms)} to {time(done.p90Ms)}
              {planned ? `, plan ${time(planned.earlyMs)} to ${time(planned.lateMs)}` : ''}
            </span>
          </span>
        </>
      )}
    </button>
  );
}
