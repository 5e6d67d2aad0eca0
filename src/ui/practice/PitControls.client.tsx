'use client';
import { Flame, FlameKindling, Droplets, Eye, Shield, Wind, DoorOpen, DoorClosed, Shovel, TreePine, Ban } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { PitView, PracticeDeed } from '../../core/practice';
import { HANDS_MIN } from '../../core/practice';
import { celsiusFromFahrenheit } from '../../core/units';
import { formatMass, formatMinutes, formatSetPoint, tempIn } from '../../formats/units';
import { Button } from '../kit/Button';
import { Slider } from '../kit/Slider';
import { useUnits } from '../kit/UnitsProvider';

interface PitControlsProps {
  pit: PitView;
  nowMs: number;
  /** Grease burns: what one may do about it is offered. */
  flares: boolean;
  helper: boolean;
  onDo(deed: PracticeDeed): void;
}

const BIG = 'min-h-[48px] lg:min-h-9';
/** Vents are told in eighths. */
const eighths = (share: number): string =>
  share < 0.03 ? 'shut' : share > 0.97 ? 'wide open' : `${Math.max(1, Math.round(share * 8))}/8 open`;

/** What a cook can do to a pit of this kind. */
export function PitControls({ pit, nowMs, flares, helper, onDo }: PitControlsProps) {
  const units = useUnits();
  const { id: pitId, hand } = pit;
  const minutes = (kind: PracticeDeed['kind']) => `${formatMinutes(Math.max(1, Math.round(HANDS_MIN[kind])))} of your hands`;
  if (!hand)
    return (
      <div className="grid gap-2">
        <SetPoint key={pit.wishC} pit={pit} onSet={(pitC) => onDo({ kind: 'setPoint', pitId, pitC })} />
        <div className="flex flex-wrap gap-2">
          <Button className={BIG} onClick={() => onDo({ kind: 'look', pitId })} title={minutes('look')}>
            <Eye size={16} aria-hidden /> Open and look
          </Button>
          <Button className={BIG} onClick={() => onDo({ kind: 'wood', pitId, size: 'chunk', warmed: false })} title={minutes('wood')}>
            <TreePine size={16} aria-hidden /> Wood in the box
          </Button>
          {helper && <SendHelper onDo={onDo} />}
        </div>
      </div>
    );
  const chimney = hand.chimneyAtMs;
  const ready = chimney !== undefined && chimney <= nowMs;
  const splits = hand.steers === 'splits';
  return (
    <div className="grid gap-2">
      {hand.steers !== 'shovel' && (
        <Vents key={`${hand.bottom} ${hand.top}`} pit={pit} onSet={(bottom, top) => onDo({ kind: 'vents', pitId, bottom, top })} />
      )}
      <div className="flex flex-wrap gap-2">
        <Button className={BIG} onClick={() => onDo({ kind: 'look', pitId })} title={minutes('look')}>
          <Eye size={16} aria-hidden /> Lift and look
        </Button>
        {chimney === undefined ? (
          <Button className={BIG} onClick={() => onDo({ kind: 'chimney', pitId })} title="A quarter of an hour until it glows">
            <FlameKindling size={16} aria-hidden /> Light a chimney
          </Button>
        ) : (
          <Button
            className={BIG}
            look={ready ? 'ember' : 'plain'}
            disabled={!ready}
            onClick={() => onDo({ kind: 'coals', pitId, lit: true })}
          >
            <Flame size={16} aria-hidden />{' '}
            {ready ? 'Pour the lit coals' : `Chimney: ${formatMinutes(Math.ceil((chimney - nowMs) / 60_000))}`}
          </Button>
        )}
        {hand.steers !== 'shovel' && !splits && (
          <Button className={BIG} onClick={() => onDo({ kind: 'coals', pitId, lit: false })} title={minutes('coals')}>
            <Shovel size={16} aria-hidden /> Unlit coals
          </Button>
        )}
        <Button
          className={BIG}
          onClick={() => onDo({ kind: 'wood', pitId, size: splits ? 'split' : 'chunk', warmed: true })}
          title={minutes('wood')}
        >
          <TreePine size={16} aria-hidden /> {splits ? 'Warmed split' : 'Wood chunk'}
        </Button>
        {splits && (
          <Button className={BIG} onClick={() => onDo({ kind: 'wood', pitId, size: 'split', warmed: false })} title={minutes('wood')}>
            <TreePine size={16} aria-hidden /> Cold split
          </Button>
        )}
        <Button className={BIG} onClick={() => onDo({ kind: 'ash', pitId })} title={minutes('ash')}>
          <Wind size={16} aria-hidden /> Clear ash
        </Button>
        {!splits && hand.steers !== 'shovel' && (
          <Button className={BIG} onClick={() => onDo({ kind: 'water', pitId })} title={minutes('water')}>
            <Droplets size={16} aria-hidden /> Water pan
          </Button>
        )}
        <Button className={BIG} aria-pressed={hand.lidOpen} onClick={() => onDo({ kind: 'lid', pitId, open: !hand.lidOpen })}>
          {hand.lidOpen ? <DoorClosed size={16} aria-hidden /> : <DoorOpen size={16} aria-hidden />}{' '}
          {hand.lidOpen ? 'Shut the lid' : 'Leave the lid open'}
        </Button>
        {!hand.sheltered && (
          <Button className={BIG} onClick={() => onDo({ kind: 'shelter', pitId })} title={minutes('shelter')}>
            <Shield size={16} aria-hidden /> Wind shelter
          </Button>
        )}
        {helper && <SendHelper onDo={onDo} />}
        {flares && (
          <Button className={BIG} onClick={() => onDo({ kind: 'douse', pitId })}>
            <Droplets size={16} aria-hidden /> Throw water on it
          </Button>
        )}
      </div>
      <p className="text-[0.85rem] text-soft">
        Through the vent: {hand.litKg < 0.1 ? 'hardly anything glows' : `about ${formatMass(hand.litKg, units)} glows`}
        {splits
          ? hand.woodKg > 0.1
            ? `, ${formatMass(hand.woodKg, units)} of wood ${hand.flaming ? 'in flame' : 'not in flame yet'}`
            : ', no wood on it'
          : hand.unlitKg > 0.1
            ? `, ${formatMass(hand.unlitKg, units)} still black`
            : ', none left to catch'}
        {hand.ashFull ? '; ash up to the vent' : ''}
        {hand.waterKg > 0.1 ? `; ${formatMass(hand.waterKg, units)} of water` : ''}.
      </p>
    </div>
  );
}

const SendHelper = ({ onDo }: { onDo(deed: PracticeDeed): void }) => (
  <Button className={BIG} look="strong" onClick={() => onDo({ kind: 'sendHelper' })}>
    <Ban size={16} aria-hidden /> Send the helper for ice
  </Button>
);

/** A slide is moved as long as one likes; hands are busy once, when it is let go. */
const SETTLES_MS = 350;

function useSettled<T>(value: T, changed: boolean, settle: (value: T) => void): void {
  useEffect(() => {
    if (!changed) return;
    const wait = setTimeout(() => settle(value), SETTLES_MS);
    return () => clearTimeout(wait);
  });
}

function Vents({ pit, onSet }: { pit: PitView; onSet(bottom: number, top: number): void }) {
  const { bottom, top } = pit.hand!;
  const [wished, setWished] = useState({ bottom, top });
  const changed = wished.bottom !== bottom || wished.top !== top;
  useSettled(wished, changed, () => onSet(wished.bottom, wished.top));
  return (
    <div className="grid gap-x-6 sm:grid-cols-2">
      <Slider
        label="Lower vent (air in)"
        value={wished.bottom}
        min={0}
        max={1}
        step={1 / 16}
        shown={eighths(wished.bottom)}
        onChange={(next) => setWished({ ...wished, bottom: next })}
      />
      <Slider
        label="Upper vent (smoke out)"
        value={wished.top}
        min={0}
        max={1}
        step={1 / 16}
        shown={eighths(wished.top)}
        onChange={(next) => setWished({ ...wished, top: next })}
      />
    </div>
  );
}

function SetPoint({ pit, onSet }: { pit: PitView; onSet(pitC: number): void }) {
  const units = useUnits();
  const [wishC, setWishC] = useState(pit.wishC);
  useSettled(wishC, Math.abs(wishC - pit.wishC) > 0.4, onSet);
  const [low, high] = pit.rangeC.map((limitC) => Math.round(tempIn(limitC, units) / 5) * 5) as [number, number];
  return (
    <Slider
      label="Set point"
      value={Math.round(tempIn(wishC, units) / 5) * 5}
      min={low}
      max={high}
      step={5}
      shown={formatSetPoint(wishC, units)}
      onChange={(next) =>
        setWishC(Math.min(pit.rangeC[1], Math.max(pit.rangeC[0], units.temp === 'F' ? celsiusFromFahrenheit(next) : next)))
      }
    />
  );
}
