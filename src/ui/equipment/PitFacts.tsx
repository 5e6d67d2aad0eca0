import { fuelOf, GAUGE_HEATS, PIT_KIND, type Pit } from '../../core/model';
import { formatMinutes, formatSetPoint, formatTempDifference, type Units } from '../../formats/units';

function fuelMessage(pit: Pit): string {
  const { kind, reloadMin } = fuelOf(pit);
  return reloadMin ? `${kind}, fed every ${formatMinutes(reloadMin)}` : kind;
}

const overGauge = (offsetC: number, units: Units): string =>
  `${formatTempDifference(Math.abs(offsetC), units)} ${offsetC < 0 ? 'under' : 'over'}`;

/** How far the grate is off the gauge, and how far at a hot cook's heat where that is known. */
function gaugeFact({ gaugeOffsetC = 0, gaugeOffsetHotC }: Pit, units: Units): string {
  if (gaugeOffsetHotC === undefined || gaugeOffsetHotC === gaugeOffsetC)
    return gaugeOffsetC ? `grate ${overGauge(gaugeOffsetC, units)} the gauge` : '';
  return `grate ${overGauge(gaugeOffsetC, units)} the gauge, ${overGauge(gaugeOffsetHotC, units)} at ${formatSetPoint(GAUGE_HEATS.hot, units)}`;
}

/** A pit's nature in a line. */
export function PitFacts({ pit, units }: { pit: Pit; units: Units }) {
  const facts = [
    PIT_KIND[pit.kind].name,
    pit.smoke ? 'smoke' : 'no smoke',
    `${formatSetPoint(pit.rangeC[0], units)} to ${formatSetPoint(pit.rangeC[1], units)}`,
    `ready in ${formatMinutes(pit.warmUpMin)}`,
    `an opening costs ${formatTempDifference(pit.openingDropC, units)} and ${formatMinutes(pit.recoverMin)}`,
    gaugeFact(pit, units),
    fuelMessage(pit),
    pit.blower ? 'blower' : '',
    pit.travels ? 'travels' : '',
    pit.hired ? 'hired' : '',
  ].filter(Boolean);
  return <span className="block text-[0.92rem] text-soft">{facts.join(' · ')}</span>;
}
