'use client';
import { useState } from 'react';
import { FEELS, type PieceStep, type PieceView } from '../../core/day';
import { cutIn, isPoultry, methodIn } from '../../core/model';
import { clockTime } from '../../formats/clock';
import { STEP_WORDS } from '../../formats/messages/day/entry';
import { tagOfPiece } from '../../formats/messages/day/names';
import { gearName, lowerPit, pitName, type MessageContext } from '../../formats/messages/names';
import { formatTemp } from '../../formats/units';
import { Dialog } from '../kit/Dialog';
import type { DayGround, DayScreen } from './dayScreen';
import { RingsBehind } from './RingsBehind';
import { NumberPad } from './NumberPad.client';
import type { Say } from './useDeeds';

interface PieceSheetProps {
  piece: PieceView;
  day: DayScreen;
  ground: DayGround;
  context: MessageContext;
  say: Say;
  onClose(): void;
}

const PROBE_WORDS = {
  good: 'the probe looks right',
  offset: 'the probe reads some degrees off',
  shallow: 'the probe sits too shallow or in fat',
} as const;

/** One piece alone: how it feels, what becomes of it, its reading. Pieces of a batch part ways here. */
export function PieceSheet({ piece, day, ground, context, say, onClose }: PieceSheetProps) {
  const { event, library, units } = context;
  const [reading, setReading] = useState(false);
  const tag = tagOfPiece(context, piece.key);
  const run = ground.plan.runs.find((each) => each.id === piece.runId)!;
  const batch = event.batches.find((each) => each.id === piece.batchId)!;
  const cut = cutIn(library, batch.cutId)!;
  const method = methodIn(library, batch.methodId);
  const time = (ms: number) => clockTime(ms, event.timeZone, units.clock);
  const on = piece.onAtMs !== undefined && piece.pulledAtMs === undefined;
  const wrap = method && method.wrap !== 'none' ? method.wrap : 'foil';
  const elsewhere = ground.pits.filter((pit) => pit.id !== piece.pits.at(-1)?.pitId);
  const does = (step: PieceStep, words: string, more: object = {}) => {
    say({ kind: 'piece', pieces: [piece.key], step, ...more }, `${tag} ${words}`);
    onClose();
  };
  const button = 'min-h-12 rounded border border-line px-3 text-[1rem] font-semibold';
  const strong = 'min-h-12 rounded border border-ember bg-ember px-3 text-[1rem] font-bold text-on-ember';
  const { forecast } = piece;
  // What a probe says that cannot be a core is written down nowhere as one.
  const coreC = piece.lastLeftOut ? undefined : piece.last?.tempC;
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={tag} description={lifeOf(piece, time)}>
      <RingsBehind day={day} ground={ground} context={context} />
      {reading ? (
        <NumberPad
          targets={[{ key: piece.key, tag, last: piece.last?.tempC }]}
          first={piece.key}
          onRead={(key, tempC, spot) => {
            say({ kind: 'reading', piece: key, spot, coreC: tempC }, `${tag}: ${formatTemp(tempC, units)} kept`);
            onClose();
          }}
        />
      ) : (
        <div className="flex flex-col gap-4">
          {forecast && on && (
            <p className="text-[0.98rem]">
              Done between <strong>{time(forecast.done.p10Ms)}</strong> and <strong>{time(forecast.done.p90Ms)}</strong>, most likely{' '}
              {time(forecast.done.p50Ms)}
              {forecast.wrap && `; wrap about ${time(forecast.wrap.p50Ms)}`}.{' '}
              {forecast.byNeighbour ? `Judged by ${tagOfPiece(context, forecast.byNeighbour)}, which has a probe.` : ''}
              {piece.probed && forecast.probe ? `${capitalWords(PROBE_WORDS[forecast.probe.state])}.` : ''}
              {forecast.ignored.length > 0 ? ` ${forecast.ignored.length} readings were left out.` : ''}
            </p>
          )}
          {on && cut.done.by === 'tender' && (
            <div>
              <h3 className="mb-1 text-[1rem]">How does it feel?</h3>
              <div className="grid grid-cols-2 gap-2">
                {FEELS.map((feel) => (
                  <button
                    key={feel}
                    type="button"
                    className={feel === 'tender' ? strong : button}
                    onClick={() => {
                      say({ kind: 'checked', piece: piece.key, feel, ...(coreC !== undefined && { coreC }) }, `${tag} felt ${feel}`);
                      if (feel !== 'tender') onClose();
                    }}
                  >
                    {feel}
                  </button>
                ))}
              </div>
            </div>
          )}
          <div className="grid grid-cols-2 gap-2">
            <button type="button" className={button} onClick={() => setReading(true)}>
              Type a reading
            </button>
            {piece.onAtMs === undefined && (
              <button type="button" className={strong} onClick={() => does('on', 'went on')}>
                On {lowerPit(pitName(context, run.pitId))}
              </button>
            )}
            {on && piece.wrappedAtMs === undefined && !isPoultry(cut) && (
              <button type="button" className={button} onClick={() => does('wrapped', `wrapped in ${wrap}`, { wrap })}>
                Wrapped in {wrap}
              </button>
            )}
            {on && piece.wrappedAtMs !== undefined && piece.unwrappedAtMs === undefined && (
              <button type="button" className={button} onClick={() => does('unwrapped', 'unwrapped')}>
                Unwrapped
              </button>
            )}
            {on &&
              elsewhere.map((pit) => (
                <button
                  key={pit.id}
                  type="button"
                  className={button}
                  onClick={() => does('moved', `moved to the ${lowerPit(pit.name)}`, { pitId: pit.id })}
                >
                  Moved to {lowerPit(pit.name)}
                </button>
              ))}
            {on && (
              <button type="button" className={strong} onClick={() => does('pulled', 'pulled', coreC === undefined ? {} : { coreC })}>
                Pulled
              </button>
            )}
            {piece.pulledAtMs !== undefined && piece.heldAtMs === undefined && piece.carvedAtMs === undefined && (
              <>
                <button type="button" className={button} onClick={() => does('vented', 'vented')}>
                  Vented
                </button>
                <button type="button" className={button} onClick={() => does('resting', 'resting')}>
                  Resting
                </button>
                <button
                  type="button"
                  className={strong}
                  onClick={() => does('held', 'in the hold', { gearId: run.hold.first?.gearId ?? run.hold.gearId })}
                >
                  Into {lowerPit(gearName(context, run.hold.first?.gearId ?? run.hold.gearId))}
                </button>
              </>
            )}
            {piece.pulledAtMs !== undefined && piece.carvedAtMs === undefined && (
              <button type="button" className={button} onClick={() => does('carved', 'carved')}>
                Carved
              </button>
            )}
          </div>
        </div>
      )}
    </Dialog>
  );
}

const capitalWords = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function lifeOf(piece: PieceView, time: (ms: number) => string): string {
  const steps = [
    piece.onAtMs !== undefined && `on ${time(piece.onAtMs)}`,
    piece.wrappedAtMs !== undefined && `${STEP_WORDS.wrapped} ${time(piece.wrappedAtMs)}`,
    piece.pulledAtMs !== undefined && `${STEP_WORDS.pulled} ${time(piece.pulledAtMs)}`,
    piece.heldAtMs !== undefined && `${STEP_WORDS.held} ${time(piece.heldAtMs)}`,
    piece.carvedAtMs !== undefined && `${STEP_WORDS.carved} ${time(piece.carvedAtMs)}`,
  ].filter(Boolean);
  return steps.length > 0 ? steps.join(', ') : 'Not on yet';
}
