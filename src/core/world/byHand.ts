import type { HandFire } from './handFire';
import type { WorldDeed } from './worldSpec';

/** Does to a fire that only hands keep what hands do; what does not belong to such a fire is passed over. */
export function doByHand(fire: HandFire, deed: WorldDeed): void {
  switch (deed.did) {
    case 'vents':
      return fire.vents(deed.bottom, deed.top);
    case 'coals':
      return fire.coals(deed.kg, deed.lit);
    case 'wood':
      return fire.wood(deed.kg, deed.waterShare, deed.warmed);
    case 'lid':
      fire.lidOpen = deed.open;
      return;
    case 'water':
      fire.waterKg += deed.kg;
      return;
    case 'ash':
      return fire.ash();
    case 'sheltered':
      fire.sheltered = true;
      return;
    case 'opened':
      return fire.open();
  }
}
