'use client';
import { Pin, PinOff } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useCallback, type ReactNode } from 'react';
import { cutIn, methodIn, methodsFor, type Run } from '../../core/model';
import type { RunCurve } from '../../core/planning';
import { DANGER_ZONE_C } from '../../core/safety';
import { addMinutes } from '../../core/units';
import { clockTime, dayAndTime } from '../../formats/clock';
import { formatMass, formatMinutes, formatOdds, formatShare, formatTemp, type Units, formatLayer } from '../../formats/units';
import { readyAt, weightRuleMessage } from '../../formats/messages/method';
import { capital, piecesMessage, pitName, rackName, type MessageContext } from '../../formats/messages/names';
import { reasonMessage } from '../../formats/messages/reason';
import { Button } from '../kit/Button';
import { MethodOptions } from '../library/MethodOptions';

const CurveChart = dynamic(() => import('./CurveChart.client').then((module) => module.CurveChart), {
  ssr: false,
  loading: () => <div className="h-60" />,
});

const SELECT = 'mt-0.5 block min-h-9 w-full rounded border border-line bg-paper px-2 text-[0.93rem] text-ink';

/** One run: its times, its curve, and why it starts when it starts. */
interface RunPanelProps {
  messageContext: MessageContext;
  run: Run;
  curve?: RunCurve;
  pinned: boolean;
  onPin(): void;
  onPit(pitId: string): void;
  onMethod(methodId: string): void;
  /** What else can be done about it. */
  levers: ReactNode;
}

export function RunPanel({ messageContext, run, curve, pinned, onPin, onPit, onMethod, levers }: RunPanelProps) {
  const { event, units } = messageContext;
  const zone = event.timeZone;
  const batch = event.batches.find((each) => each.id === run.batchId)!;
  const method = methodIn(messageContext.library, batch.methodId)!;
  const cut = cutIn(messageContext.library, batch.cutId)!;
  const time = (atMs: number) => clockTime(atMs, zone, units.clock);
  const clockOf = useCallback(
    (minute: number) => clockTime(addMinutes(run.onAtMs, minute), zone, units.clock),
    [run.onAtMs, zone, units.clock],
  );
  const places = run.legs.map(
    (leg) =>
      `${leg.pieceIds.length} on ${rackName(messageContext, leg.pitId, leg.rackId)}, ${pitName(messageContext, leg.pitId)}, ${time(leg.fromMs)} to ${time(leg.toMs)}`,
  );
  const reached =
    cut.done.by === 'tender'
      ? `${readyAt(cut, units)}${curve ? `, expected at ${formatTemp(curve.pullCoreC, units)}` : ''}`
      : `pulled at ${formatTemp(curve?.pullCoreC ?? cut.pulledAtC[0], units)}, peaks at ${formatTemp(cut.done.coreC, units)}`;
  return (
    <section aria-label="Selected run">
      <h2 className="text-[1.25rem]">{capital(piecesMessage(messageContext, run.batchId, run.pieceIds.length))}</h2>
      <p className="text-soft">
        {formatMass(run.kg, units)} in all · {method.name.toLowerCase()}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-2 print:hidden">
        <Button aria-pressed={pinned} onClick={onPin} title="Pin or let go (P)">
          {pinned ? <PinOff size={16} aria-hidden /> : <Pin size={16} aria-hidden />} {pinned ? 'Let go' : 'Pin'}
        </Button>
        <label className="min-w-0 flex-1 text-[0.82rem] text-soft">
          Pit
          <select className={SELECT} value={run.pitId} onChange={(change) => onPit(change.target.value)}>
            {messageContext.pits.map((pit) => (
              <option key={pit.id} value={pit.id}>
                {pit.name}
              </option>
            ))}
          </select>
        </label>
        <label className="w-full text-[0.82rem] text-soft">
          Method
          <select className={SELECT} value={method.id} onChange={(change) => onMethod(change.target.value)}>
            <MethodOptions methods={[...new Set([method, ...methodsFor(messageContext.library, cut)])]} />
          </select>
        </label>
      </div>
      <dl className={`mt-2 grid gap-2 ${units.clock === '12' ? 'grid-cols-2' : 'grid-cols-3'}`}>
        <Fact label="on" value={dayAndTime(run.onAtMs, zone, units.clock)} />
        <Fact label="wrap" value={run.wrapAtMs === undefined ? 'never' : `~${time(run.wrapAtMs)}`} />
        <Fact label="done" value={`${time(run.pullEarlyMs)}–${time(run.pullLateMs)}`} />
        <Fact label="expected" value={time(run.pullMedianMs)} />
        <Fact label="carved" value={time(run.carveAtMs)} />
        <Fact label="on time" value={formatOdds(run.onTimeShare)} />
      </dl>
      <div className="mt-3">
        {curve ? (
          <CurveChart
            curve={curve}
            clockOf={clockOf}
            title={`Cook curve of ${piecesMessage(messageContext, run.batchId, run.pieceIds.length)}: ${reached}, expected at ${time(run.pullMedianMs)}`}
          />
        ) : (
          <div className="h-60" />
        )}
      </div>
      <h3 className="mt-3 text-[0.93rem] text-soft">Why {dayAndTime(run.onAtMs, zone, units.clock)}</h3>
      <ul className="mt-1 divide-y divide-line">
        {run.why.map((reason, i) => (
          <li key={`${reason.code}${i}`} className="py-1.5 leading-snug">
            {reasonMessage(messageContext, reason)}
          </li>
        ))}
        <li className="py-1.5 leading-snug">{capital(reached)}</li>
        {curve && <li className="py-1.5 leading-snug">{becomesMessage(curve, units)}</li>}
        {curve?.byWeight && <li className="py-1.5 leading-snug">{weightRuleMessage(curve.byWeight, units)}</li>}
        {curve && <li className="py-1.5 leading-snug">{safetyMessage(curve, units)}</li>}
        {run.hold.gearId !== 'board' && (
          <li className="py-1.5 leading-snug">
            Held from {time(run.hold.fromEarlyMs)} at the earliest; the coolest core at carving is about{' '}
            {formatTemp(run.hold.coolestAtCarveC, units)}
          </li>
        )}
      </ul>
      {levers}
      <h3 className="mt-3 text-[0.93rem] text-soft">Places</h3>
      <ul className="mt-1">
        {places.map((place) => (
          <li key={place} className="leading-snug">
            {place}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Bark, ring and yield of the expected cook, and what the thin end goes through. */
function becomesMessage(curve: RunCurve, units: Units): string {
  const bark = curve.barkSetMin === undefined ? 'No set bark' : `Bark set after ${formatMinutes(curve.barkSetMin)}`;
  const ring = curve.ringMm > 0.5 ? `, ring about ${formatLayer(curve.ringMm, units)}` : '';
  const thin = curve.thinEnd ? `; the thin end is at ${formatTemp(curve.thinEnd.coreC, units)} by then` : '';
  return `${bark}${ring}, yield ${formatShare(curve.yieldShare)}${thin}`;
}

function safetyMessage({ safety }: RunCurve, units: Units): string {
  const zone = `${formatTemp(DANGER_ZONE_C[0], units)} to ${formatTemp(DANGER_ZONE_C[1], units)}`;
  const lethal =
    safety.lethalityShare >= 1 ? 'meets the published time and temperature' : 'does not meet the published time and temperature';
  return `Core ${formatMinutes(safety.coreDangerMin)} and surface ${formatMinutes(safety.surfaceDangerMin)} between ${zone}; ${lethal} (${safety.lethalitySource})`;
}

function Fact({ label, value }: { label: string; value: string }) {
  return (
    <div>
      <dt className="text-[0.82rem] text-soft">{label}</dt>
      <dd className="figures whitespace-nowrap text-[1rem] font-bold">{value}</dd>
    </div>
  );
}
