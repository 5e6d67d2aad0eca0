'use client';
import dynamic from 'next/dynamic';
import { useCallback } from 'react';
import { cutIn, methodIn, type Run } from '../../core/model';
import type { RunCurve } from '../../core/planning';
import { DANGER_ZONE_C } from '../../core/safety';
import { addMinutes } from '../../core/units';
import { clockTime, dayAndTime } from '../../formats/clock';
import { formatMass, formatMinutes, formatShare, formatTemp, type Units } from '../../formats/units';
import { capital, piecesWords, pitName, rackName, type Speech } from '../../formats/names';
import { reasonWords } from '../../formats/words';

const CurveChart = dynamic(() => import('./CurveChart.client').then((module) => module.CurveChart), {
  ssr: false,
  loading: () => <div className="h-60" />,
});

/** One run: its times, its curve, and why it starts when it starts. */
export function RunPanel({ speech, run, curve }: { speech: Speech; run: Run; curve?: RunCurve }) {
  const { event, units } = speech;
  const zone = event.timeZone;
  const batch = event.batches.find((each) => each.id === run.batchId)!;
  const method = methodIn(speech.library, batch.methodId)!;
  const cut = cutIn(speech.library, batch.cutId)!;
  const time = (atMs: number) => clockTime(atMs, zone, units.clock);
  const clockOf = useCallback(
    (minute: number) => clockTime(addMinutes(run.onAtMs, minute), zone, units.clock),
    [run.onAtMs, zone, units.clock],
  );
  const places = run.legs.map(
    (leg) =>
      `${leg.pieceIds.length} on ${rackName(speech, leg.pitId, leg.rackId)}, ${pitName(speech, leg.pitId)}, ${time(leg.fromMs)} to ${time(leg.toMs)}`,
  );
  const reached =
    cut.done.by === 'tender'
      ? `tender at about ${formatTemp(curve?.pullCoreC ?? cut.pulledAtC[0], units)}`
      : `pulled at ${formatTemp(curve?.pullCoreC ?? cut.pulledAtC[0], units)}, peaks at ${formatTemp(cut.done.coreC, units)}`;
  return (
    <section aria-label="Selected run">
      <h2 className="text-[1.25rem]">{capital(piecesWords(speech, run.batchId, run.pieceIds.length))}</h2>
      <p className="text-soft">
        {formatMass(run.kg, units)} in all · {method.name.toLowerCase()}
      </p>
      <dl className={`mt-2 grid gap-2 ${units.clock === '12' ? 'grid-cols-2' : 'grid-cols-3'}`}>
        <Fact label="on" value={dayAndTime(run.onAtMs, zone, units.clock)} />
        <Fact label="wrap" value={run.wrapAtMs === undefined ? 'never' : `~${time(run.wrapAtMs)}`} />
        <Fact label="done" value={`${time(run.pullEarlyMs)}–${time(run.pullLateMs)}`} />
        <Fact label="expected" value={time(run.pullMedianMs)} />
        <Fact label="carved" value={time(run.carveAtMs)} />
        <Fact label="on time" value={formatShare(run.onTimeShare)} />
      </dl>
      <div className="mt-3">
        {curve ? (
          <CurveChart
            curve={curve}
            clockOf={clockOf}
            title={`Cook curve of ${piecesWords(speech, run.batchId, run.pieceIds.length)}: ${reached}, expected at ${time(run.pullMedianMs)}`}
          />
        ) : (
          <div className="h-60" />
        )}
      </div>
      <h3 className="mt-3 text-[0.93rem] text-soft">Why {dayAndTime(run.onAtMs, zone, units.clock)}</h3>
      <ul className="mt-1 divide-y divide-line">
        {run.why.map((reason) => (
          <li key={reason.code} className="py-1.5 leading-snug">
            {reasonWords(speech, reason)}
          </li>
        ))}
        <li className="py-1.5 leading-snug">{capital(reached)}</li>
        {curve && <li className="py-1.5 leading-snug">{becomesWords(curve, units)}</li>}
        {curve && <li className="py-1.5 leading-snug">{safetyWords(curve, units)}</li>}
        {run.hold.gearId !== 'board' && (
          <li className="py-1.5 leading-snug">
            Held from {time(run.hold.fromEarlyMs)} at the earliest; the coolest core at carving is about{' '}
            {formatTemp(run.hold.coolestAtCarveC, units)}
          </li>
        )}
      </ul>
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
function becomesWords(curve: RunCurve, units: Units): string {
  const bark = curve.barkSetMin === undefined ? 'No set bark' : `Bark set after ${formatMinutes(curve.barkSetMin)}`;
  const ring = curve.ringMm > 0.5 ? `, ring about ${curve.ringMm.toFixed(0)} mm` : '';
  const thin = curve.thinEnd ? `; the thin end is at ${formatTemp(curve.thinEnd.coreC, units)} by then` : '';
  return `${bark}${ring}, yield ${formatShare(curve.yieldShare)}${thin}`;
}

function safetyWords({ safety }: RunCurve, units: Units): string {
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
