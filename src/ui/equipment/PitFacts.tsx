import { fuelOf, PIT_KIND, type Pit } from '../../core/model';
import { formatMinutes, formatSetPoint, formatTempDifference, type Units } from '../../formats/units';

function fuelMessage(pit: Pit): string {
  const { kind, reloadMin } = fuelOf(pit);
  return reloadMin ? `${kind}, fed every ${formatMinutes(reloadMin)}` : kind;
}

/** A pit's nature in a line. */
export function PitFacts({ pit, units }: { pit: Pit; units: Units }) {
  const facts = [
    PIT_KIND[pit.kind].name,
    pit.smoke ? 'smoke' : 'no smoke',
    `${formatSetPoint(pit.rangeC[0], units)} to ${formatSetPoint(pit.rangeC[1], units)}`,
    `ready in ${formatMinutes(pit.warmUpMin)}`,
    `an opening costs ${formatTempDifference(pit.openingDropC, units)} and ${formatMinutes(pit.recoverMin)}`,
    pit.gaugeOffsetC
      ? `grate ${formatTempDifference(Math.abs(pit.gaugeOffsetC), units)} ${pit.gaugeOffsetC > 0 ? 'over' : 'under'} the gauge`
      : '',
    fuelMessage(pit),
    pit.blower ? 'blower' : '',
    pit.travels ? 'travels' : '',
    pit.hired ? 'hired' : '',
  ].filter(Boolean);
  return <span className="block text-[0.92rem] text-soft">{facts.join(' · ')}</span>;
}
