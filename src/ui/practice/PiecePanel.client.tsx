'use client';
import type { Cut } from '../../core/model';
import type { PieceView, PracticeDeed, PracticeView } from '../../core/practice';
import { clockTime } from '../../formats/clock';
import { BARK_WORD, BEND_WORD, BONE_WORD, COLOUR_WORD, GIVE_WORD, PRESS_WORD, WETNESS_WORD } from '../../formats/messages/practice';
import { formatTemp } from '../../formats/units';
import { Button } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';
import { GiveCurve } from './GiveCurve';
import { MeatDrawing, shapeOf } from './MeatDrawing';

interface PiecePanelProps {
  piece: PieceView;
  cut: Cut;
  view: PracticeView;
  /** Others that could have the same done to them. */
  alike: PieceView[];
  onDo(deeds: PracticeDeed[]): void;
}

const BIG = 'min-h-[48px] lg:min-h-9';

/** Where a piece is, in two words. */
export function whereabouts(piece: PieceView): string {
  if (piece.servedAtMs !== undefined) return 'served';
  if (piece.pulledAtMs !== undefined) return piece.heldIn === 'board' ? 'on the board' : `in the ${piece.heldIn}`;
  if (piece.onAtMs === undefined) return 'in the cold';
  return piece.wrap === 'none' ? 'on, bare' : `on, in ${piece.wrap}`;
}

/** One piece: as it was last seen and felt, and all that can be done with it, alone or with its like. */
export function PiecePanel({ piece, cut, view, alike, onDo }: PiecePanelProps) {
  const units = useUnits();
  const time = (ms: number) => clockTime(ms, view.timeZone, units.clock);
  const { key } = piece;
  const on = piece.onAtMs !== undefined && piece.pulledAtMs === undefined;
  const all = [piece, ...alike];
  const each = (make: (key: string) => PracticeDeed) => onDo(all.map((other) => make(other.key)));
  const many = alike.length > 0 ? ` all ${all.length}` : '';
  const { seen, felt, forecast } = piece;
  return (
    <section aria-label={`Piece ${piece.tag}`} className="grid gap-2 border-t border-line pt-3">
      <div className="flex items-start gap-3">
        <svg viewBox="0 0 100 54" className="w-36 shrink-0 rounded bg-[var(--scene-in)] p-1" aria-hidden>
          <MeatDrawing shape={shapeOf(cut)} seen={seen?.seen} wrap={piece.wrap} />
        </svg>
        <div className="min-w-0">
          <h3 className="text-[1.05rem]">
            {piece.tag}, {cut.name}
          </h3>
          <p className="text-[0.9rem] text-soft">
            {whereabouts(piece)}
            {piece.onAtMs !== undefined ? ` · on since ${time(piece.onAtMs)}` : ''}
          </p>
          {seen ? (
            <p className="text-[0.9rem]">
              {piece.wrap === 'none' ? 'Seen' : 'Before the wrap, seen'} {time(seen.atMs)}: {COLOUR_WORD[seen.seen.colour]},{' '}
              {WETNESS_WORD[seen.seen.wetness]}, bark {BARK_WORD[seen.seen.bark]}
            </p>
          ) : (
            on && <p className="text-[0.9rem]">Nobody has looked yet.</p>
          )}
        </div>
      </div>
      {piece.pressed && (
        <p className="text-[0.9rem]">
          Pressed {time(piece.pressed.atMs)}: {PRESS_WORD[piece.pressed.pressed.press]}
          {piece.pressed.pressed.bone ? `; ${BONE_WORD[piece.pressed.pressed.bone]}` : ''}
        </p>
      )}
      {felt && (
        <div>
          <p className="text-[0.9rem]">
            Probed {time(felt.atMs)}, {felt.felt.spot === 'thin' ? 'thin end' : 'thickest part'}:{' '}
            <strong className="figures">{formatTemp(felt.felt.coreC, units)}</strong>, {GIVE_WORD[felt.felt.give]}
            {felt.felt.bend ? `; ${BEND_WORD[felt.felt.bend]}` : ''}
          </p>
          <GiveCurve resistance={felt.felt.resistance} />
        </div>
      )}
      {piece.probedC !== undefined && (
        <p className="text-[0.9rem]">
          The probe that stays in says <strong className="figures">{formatTemp(piece.probedC, units)}</strong>.
        </p>
      )}
      {forecast && (
        <p className="rounded border border-line bg-paper px-2 py-1 text-[0.9rem]">
          Forecast, asked {time(forecast.askedAtMs)}: done {time(forecast.earlyMs)} to {time(forecast.lateMs)}, likeliest{' '}
          {time(forecast.medianMs)}; core about {formatTemp(forecast.coreC, units)}.
          {forecast.doubtsProbe ? ' It would look after the probe.' : ''}
        </p>
      )}
      {piece.servedAtMs === undefined && (
        <div className="flex flex-wrap gap-2">
          {piece.onAtMs === undefined && (
            <Button look="ember" className={BIG} onClick={() => each((one) => ({ kind: 'load', key: one }))}>
              Put{many || ' it'} on
            </Button>
          )}
          {piece.onAtMs !== undefined && (
            <Button className={BIG} onClick={() => onDo([{ kind: 'probe', key, spot: 'thick' }])}>
              Probe
            </Button>
          )}
          {piece.onAtMs !== undefined && (
            <Button className={BIG} onClick={() => onDo([{ kind: 'press', key }])}>
              Press
            </Button>
          )}
          {piece.onAtMs !== undefined && piece.hasThinEnd && (
            <Button className={BIG} onClick={() => onDo([{ kind: 'probe', key, spot: 'thin' }])}>
              Probe thin end
            </Button>
          )}
          {on && piece.wrap === 'none' && (
            <>
              <Button className={BIG} onClick={() => each((one) => ({ kind: 'wrap', key: one, wrap: 'paper' }))}>
                Paper{many}
              </Button>
              <Button className={BIG} onClick={() => each((one) => ({ kind: 'wrap', key: one, wrap: 'foil' }))}>
                Foil{many}
              </Button>
              <Button className={BIG} onClick={() => each((one) => ({ kind: 'spray', key: one }))}>
                Spray{many}
              </Button>
              {piece.hasThinEnd && !piece.shielded && (
                <Button className={BIG} onClick={() => onDo([{ kind: 'shield', key }])}>
                  Shield thin end
                </Button>
              )}
            </>
          )}
          {on && piece.wrap !== 'none' && (
            <Button className={BIG} onClick={() => each((one) => ({ kind: 'unwrap', key: one }))}>
              Open{many || ' it'} up
            </Button>
          )}
          {on && piece.probedC !== undefined && (
            <Button className={BIG} onClick={() => onDo([{ kind: 'moveProbe', key }])}>
              Move the probe
            </Button>
          )}
          {on &&
            (['board', ...view.holds] as const).map((to) => (
              <Button key={to} className={BIG} onClick={() => onDo([{ kind: 'pull', key, to }])}>
                Take off, {to === 'board' ? 'to the board' : `into the ${to}`}
              </Button>
            ))}
          {piece.pulledAtMs !== undefined && (
            <Button look="ember" className={BIG} onClick={() => onDo([{ kind: 'serve', key }])}>
              Carve and serve
            </Button>
          )}
          {on && (
            <Button look="quiet" className={BIG} onClick={() => onDo([{ kind: 'forecast', key }])}>
              Ask the forecast
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
